import { againstWords, madeNow, type About } from '../../platform/tables/about'
import type { ReportContent } from '../../../shared/report/reportContent'

/** What a file of a report is about or, with its number and checksum, one of an edition. */
export const aboutContent = (
  { client, who, period, periodWords, against, timeZone = 'UTC' }: ReportContent,
  edition?: { number: number; sha256: string },
): About => ({
  client,
  who,
  period,
  periodWords,
  against: againstWords(against?.words ?? 'nothing', against?.period),
  timeZone,
  made: madeNow(timeZone),
  ...(edition && { edition: `edition ${edition.number}, SHA-256 ${edition.sha256}` }),
})
