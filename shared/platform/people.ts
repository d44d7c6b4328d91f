import { object, string } from 'yup'
import { text } from './text'

/** A password as it is typed: nothing about it is changed. */
const secret = () => string().typeError('Write a password.').max(200, 'A password has 200 letters at the most.')

/** Somebody who signs in. */
export const signInSchema = object({
  email: text().required('Write your address.').email('That is not a mail address.').max(190),
  password: secret().required('Write your password.'),
})

/** A new password, and the one of now. */
export const passwordSchema = object({
  current: secret().required('Write your password of now.'),
  password: secret().required('Write a new password.').min(12, 'A password has 12 letters at the least.'),
})

/** A session as its person sees it. */
export interface SessionView {
  id: number
  isThis: boolean
  address: string
  browser: string
  begunAt: Date
  seenAt: Date
}
