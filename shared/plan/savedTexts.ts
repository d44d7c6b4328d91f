import { object, string, type InferType } from 'yup'
import { text } from '../platform/text'

/** A text that is kept to be used again. */
export const savedTextSchema = object({
  name: text().required('Give the text a name.').max(80, 'Keep the name under 80 letters.'),
  text: text().required('Write the text.').max(10_000, 'Keep the text under 10,000 letters.'),
})
export type SavedTextInput = InferType<typeof savedTextSchema>
export interface SavedText extends SavedTextInput {
  id: number
}
export const textSearchSchema = object({
  words: string().trim().max(80, 'Look for 80 letters at the most.').default(''),
})
