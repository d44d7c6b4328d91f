import { object, string } from 'yup'
import { declareBlock } from './declareBlock'

export const LONGEST_TEXT = 20_000

/** A text. Since version 2 it has bold, lists and links in it. */
export interface FilledText {
  kind: 'text'
  text: string
}

export const textBlock = declareBlock<FilledText>()({
  kind: 'text',
  name: 'Text',
  version: 2,
  isWritten: true,
  fields: object({
    text: string().max(LONGEST_TEXT, 'A text can be 20,000 letters long.').default(''),
  }),
  headingOf: () => '',
})
