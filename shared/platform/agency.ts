import { IANAZone } from 'luxon'
import { object, string, type InferType } from 'yup'
import { text } from './text'

/** A password that somebody thinks of. */
export const newPassword = () =>
  string()
    .typeError('Write a password.')
    .required('Write a password.')
    .min(12, 'A password has 12 letters at the least.')
    .max(200, 'A password has 200 letters at the most.')

/** An agency as it stands in its reports. */
export const agencySchema = object({
  name: text().required('Give the agency its name.').max(120, 'Keep the name under 120 letters.'),
  address: text().max(400, 'Keep the address under 400 letters.').default(''),
  contact: text().max(200, 'Keep the contact under 200 letters.').default(''),
  colour: text()
    .matches(/^#[0-9a-f]{6}$/i, 'Choose a colour.')
    .default('#23409A'),
})
export type AgencyInput = InferType<typeof agencySchema>

/** A new agency with its owner, named by whoever has the key of the start. */
export const beginSchema = object({
  key: text().required('Open the address that the start command printed: the key stands in it.').max(100),
  agency: agencySchema.required(),
  owner: object({
    name: text().required('Write your name.').max(120, 'Keep your name under 120 letters.'),
    email: text().required('Write your address.').email('That is not a mail address.').max(190),
    password: newPassword(),
  }).required(),
})

/** A new client. Its days are counted in its time zone. */
export const clientSchema = object({
  name: text().required('Give the client its name.').max(120, 'Keep the name under 120 letters.'),
  timeZone: text()
    .required('Choose the time zone in which its days are counted.')
    .max(60)
    .test('zone', 'Choose a time zone from the list, such as Europe/London.', (zone = '') =>
      IANAZone.isValidZone(zone),
    ),
})
