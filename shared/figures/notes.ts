import { object, type InferType } from 'yup'
import { dayField } from '../platform/dayField'
import { text } from '../platform/text'

/** How many letters a note can have. */
export const LONGEST_NOTE = 2000

/** A note as a person writes it. */
export const noteSchema = object({
  from: dayField(),
  to: dayField(),
  title: text().required('Say in a few words what happened.').max(120, 'Keep the first line under 120 characters.'),
  body: text().max(LONGEST_NOTE, 'A note can be 2,000 letters long.').default(''),
})
export type NoteInput = InferType<typeof noteSchema>

/** A dated remark, with its author's name. */
export interface Note {
  id: number
  from: string
  to: string
  title: string
  body: string
  writtenBy: string | null
}
