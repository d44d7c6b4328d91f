import { object, string } from 'yup'
import type { PostFigure } from '../../core/posts/bestAndWorst'
import type { FormatSpread } from '../../core/posts/spreadByFormat'
import { declareBlock } from '../report/declareBlock'
import { RANKINGS } from './endsBlock'
import { postFilterFields } from './postFilter'

/** Formats beside each other, as distributions over a figure. */
export interface Formats {
  by: PostFigure
  formats: FormatSpread[]
}
export interface FilledFormats {
  kind: 'formats'
  spread: Formats
}

/** What is asked of formats, by the page. */
export const formatsSchema = object({
  by: string<PostFigure>()
    .oneOf(Object.keys(RANKINGS) as PostFigure[], 'Formats are not compared by “${value}”.')
    .default('interactions'),
  ...postFilterFields,
})

export const formatsBlock = declareBlock<FilledFormats>()({
  kind: 'formats',
  name: 'Formats compared',
  version: 1,
  isScoped: true,
  option: {
    label: 'Compared by',
    choices: Object.entries(RANKINGS).map(([value, { name }]) => ({ value, name: `by ${name}` })),
  },
  fields: object(postFilterFields),
  headingOf: ({ spread }) => `Formats compared, by ${RANKINGS[spread.by].name}`,
})
