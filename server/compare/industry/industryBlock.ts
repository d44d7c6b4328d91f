import { referenceMeasure } from '../../../core/industry/reference'
import type { FilledIndustry } from '../../../shared/compare/industry'
import { sizeWords, sourceWords } from '../../../shared/compare/industryWords'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, text } from '../../platform/tables/columns'
import { industryOf } from './industry'

export const industryBlock: ReportBlock<FilledIndustry> = {
  fill: async ({ db, scope }) => {
    const { references: _, ...industry } = await industryOf(db, scope)
    return { industry }
  },
  tableOf: ({ industry }) => ({
    name: 'Beside the industry',
    columns: [
      text('Measure'),
      text('Profile'),
      text('Network'),
      count('Followers'),
      number('Value'),
      number('Lower quartile'),
      number('Middle'),
      number('Upper quartile'),
      number('Index to the middle'),
      text('Place'),
      text('Accounts'),
      text('Source'),
    ],
    rows: industry.rows.map(({ measure, name, networkName, followers, value, reference, index, place }) => [
      referenceMeasure(measure).name,
      name,
      networkName,
      followers,
      value,
      reference.lower,
      reference.middle,
      reference.upper,
      index,
      place,
      sizeWords(reference, 'en-GB'),
      sourceWords(reference),
    ]),
  }),
}
