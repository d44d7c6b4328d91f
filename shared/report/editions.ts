import { number, object, string } from 'yup'
import { text } from '../platform/text'

/** The wish to issue an edition; the key makes sure that one wish makes one edition. */
export const issueSchema = object({
  requestKey: string().uuid().required(),
  /** The checksum of what was looked at before: only that is issued. */
  sha256: string().matches(/^[0-9a-f]{64}$/, 'Look at the edition again before you issue it.'),
})

/** Which later edition stands in the place of an earlier one; none, when that is taken back. */
export const supersedeSchema = object({ by: number().typeError('Choose an edition from the list.').integer().min(1).nullable().defined('Choose an edition from the list.') })

/** How long a shared link lives. */
export const shareSchema = object({
  reader: text().max(120, 'Keep the reader’s name under 120 letters.').default(''),
  days: number().typeError('Say for how many days it works.').integer('Say it in whole days.').min(1, 'A link lives for a day at least.').max(366, 'A link lives for a year at the most.').default(30),
})
