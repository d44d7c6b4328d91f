import { USUAL_WINDOW, type FilledOccasions } from '../../../shared/read/occasionsBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { text } from '../../platform/tables/columns'
import { occasionsOf } from './byTag'
import { TOTALS, totalCells } from './byTagBlock'

export const occasionsBlock: ReportBlock<FilledOccasions> = {
  fill: async ({ db, scope, block }) => ({
    occasions: await occasionsOf(db, scope, {
      ...(block.tag && { tag: block.tag }),
      days: block.on ? block.on.split(',') : [],
      before: block.before ?? USUAL_WINDOW.before,
      after: block.after ?? USUAL_WINDOW.after,
    }),
  }),
  tableOf: ({ occasions: { occasions } }) => ({
    name: 'Occasions',
    columns: [text('Occasion'), text('From'), text('To'), ...TOTALS],
    rows: occasions.map(({ on, period, ...totals }) => [on, period.from, period.to, ...totalCells(totals)]),
  }),
  missingIn: ({ occasions: { tag, occasions } }) =>
    tag === undefined
      ? ['its tag was removed, or none was chosen.']
      : occasions.length === 0
        ? ['no day of an occasion was chosen.']
        : occasions.flatMap(({ on, posts }) =>
            posts === 0 ? [`nothing with the tag was published around ${on}.`] : [],
          ),
}
