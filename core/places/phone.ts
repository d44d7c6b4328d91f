import { parsePhoneNumberFromString, type CountryCode } from 'libphonenumber-js/min'

const countryOf = (code: string): CountryCode | undefined =>
  /^[A-Z]{2}$/.test(code) ? (code as CountryCode) : undefined

/**
 * A telephone number as E.164 (ITU-T) writes it; as it is, where it is none.
 *
 * @param country  ISO 3166-1, two letters: whose number it is where it does not say so itself; may be empty
 * @example e164('01632 960014', 'GB') // '+441632960014'
 */
export const e164 = (phone: string, country: string): string =>
  phone === '' ? '' : (parsePhoneNumberFromString(phone, countryOf(country))?.number ?? phone)

/**
 * A telephone number as people read it: with its country, and blanks where that country has them.
 *
 * @example spokenPhone('+441632960014') // '+44 1632 960014'
 */
export const spokenPhone = (phone: string): string => parsePhoneNumberFromString(phone)?.formatInternational() ?? phone
