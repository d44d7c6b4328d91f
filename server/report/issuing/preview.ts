import { canonicalJson } from '../../../core/reports/canonicalJson'
import { asOfNow, type ClientDb } from '../../platform/database/clientDb'
import { composeReport, type ReportContent } from '../blocks/composeReport'
import { sha256 } from '../editions/editions'
import { missingIn } from './missing'
import { reportById } from '../reports/reports'

/** The next edition of a report as it would be issued now. */
export interface Preview {
  number: number
  content: ReportContent
  /** The checksum that the edition will have: issuing with it freezes this and nothing else. */
  sha256: string
  missing: string[]
}

/** Fills a report as of one moment, as issuing does, and says what is missing in it. */
export const previewOf = (db: ClientDb, reportId: number): Promise<Preview> => asOfNow(db, async (inside) => {
  const report = await reportById(inside, reportId)
  const content = await composeReport(inside, report)
  return { number: report.editions + 1, content, sha256: sha256(canonicalJson(content)), missing: missingIn(content) }
})
