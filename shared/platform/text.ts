import { string, type StringSchema } from 'yup'

/**
 * A text that somebody writes, without the blanks at its ends. What is no text at all, such as a list, is refused with
 * a sentence.
 *
 * @example text().required('Give it a name.').validateSync(' Two ') // 'Two'
 */
export const text = (): StringSchema =>
  string()
    .typeError('Write a text here.')
    .transform((value: unknown) => (typeof value === 'string' ? value.trim() : value))
