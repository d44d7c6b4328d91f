import { object, string, type InferType } from 'yup'
import { LINE_FORMS, type LineForm, type MemberLine } from '../../core/field/memberLines'
import { declareBlock } from '../report/declareBlock'
import { fieldFields } from '../figures/fieldFields'

/** What can be followed week by week: what is added up or counted, not what is divided. */
export const LINE_METRICS = ['followers', 'posts', 'interactions', 'views'] as const
export type LineMetric = (typeof LINE_METRICS)[number]

/** How the lines of a field are looked at, as it stands in an address and in a block. */
export const fieldLinesSchema = object({
  ...fieldFields,
  line: string<LineMetric>()
    .oneOf([...LINE_METRICS], 'There are lines of followers, posts, interactions and views.')
    .default('followers'),
  as: string<LineForm>()
    .oneOf(
      LINE_FORMS.map(({ id }) => id),
      'Lines are a level, a change, an index or a share.',
    )
    .default('level'),
})
export type FieldLinesQuery = InferType<typeof fieldLinesSchema>

/** The members of a field week by week. */
export interface FieldLines {
  metric: LineMetric
  form: LineForm
  /** The last day of each week. */
  weeks: string[]
  members: ({ id: number; name: string; isOwn: boolean } & MemberLine)[]
}

export interface FilledFieldLines {
  kind: 'fieldLines'
  lines: FieldLines
}

export const fieldLinesBlock = declareBlock<FilledFieldLines>()({
  kind: 'fieldLines',
  name: 'The field week by week',
  version: 1,
  isScoped: true,
  fields: fieldLinesSchema,
  headingOf: () => 'The field week by week',
})
