import type { PostTotals } from '../../../core/tags/tagTotals'
import type { FilledByTag } from '../../../shared/read/byTagBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, share, text } from '../../platform/tables/columns'
import { byTag } from './byTag'

export const byTagBlock: ReportBlock<FilledByTag> = {
  fill: async ({ db, scope }) => ({ byTag: await byTag(db, scope) }),
  tableOf: ({ byTag: { rows, all } }) => ({
    name: 'Posts by tag',
    columns: [text('Tag'), ...TOTALS],
    rows: [...rows, { name: 'All posts', ...all }].map(({ name, ...totals }) => [name, ...totalCells(totals)]),
  }),
  missingIn: ({ byTag: { all } }) => (all.posts === 0 ? ['nothing was published in this period.'] : []),
}

/** What posts have brought together, as the columns and cells of a table. */
export const TOTALS = [
  count('Posts'),
  count('Impressions'),
  count('Interactions'),
  share('Interactions by impression'),
  share('At least'),
  share('At most'),
  number('Median interactions'),
  number('Median times usual'),
]
export const totalCells = ({ posts, impressions, interactions, rate, middle, times }: PostTotals) => [
  posts,
  impressions?.sum,
  interactions?.sum,
  rate?.value,
  rate?.low,
  rate?.high,
  middle,
  times,
]
