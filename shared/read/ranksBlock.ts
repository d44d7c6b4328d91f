import { number, object } from 'yup'
import { declareBlock } from '../report/declareBlock'
import type { RanksView, RankView } from './ranks'

export interface FilledRanks {
  kind: 'ranks'
  /** All that is looked for, or one of it. */
  ranks?: RanksView
  one?: RankView
}

export const ranksBlock = declareBlock<FilledRanks>()({
  kind: 'ranks',
  name: 'Ranks in searches',
  version: 1,
  isScoped: true,
  fields: object({
    /** What is looked for, by number; all of it where none is chosen. */
    watch: number().integer().min(1).max(4_294_967_295),
  }),
  headingOf: ({ one }) => (one ? `“${one.watch.keyword}”, ${one.watch.place.name}` : 'Ranks in searches'),
})
