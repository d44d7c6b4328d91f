import { object } from 'yup'
import { text } from '../platform/text'

/** A search for a client's profiles: its web page, and the handle that is wanted. */
export const searchSchema = object({
  address: text().required('Write the address of the web page.').max(300, 'That address is too long.'),
  handle: text().max(60).default(''),
})
