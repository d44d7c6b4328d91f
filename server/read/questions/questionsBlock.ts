import type { FilledQuestions } from '../../../shared/read/questionsBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, text } from '../../platform/tables/columns'
import { questionFigures } from './questions'

export const questionsBlock: ReportBlock<FilledQuestions> = {
  fill: async ({ db, scope }) => ({ listings: await questionFigures(db, scope) }),
  tableOf: ({ listings }) => ({
    name: 'Questions about places',
    columns: [text('Listing'), count('Asked'), count('By the owner'), count('By visitors'), count('Waiting')],
    rows: listings.map(({ name, asked, byOwner, byVisitors, waiting }) => [name, asked, byOwner, byVisitors, waiting]),
  }),
  missingIn: ({ listings }) => (listings.length === 0 ? ['nobody asked anything in this period.'] : []),
}
