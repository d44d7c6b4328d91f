import type { ClientDb } from '../platform/database/clientDb'
import { againstWords, madeNow, type About } from '../platform/tables/about'
import type { ResolvedScope } from './resolveScope'

/** What a file of a scope is about. */
export const aboutScope = ({ name, timeZone }: ClientDb, { words, period, comparison }: ResolvedScope): About => ({
  client: name,
  who: words.who,
  period,
  periodWords: words.period,
  against: againstWords(words.against, comparison?.period),
  timeZone,
  made: madeNow(timeZone),
})
