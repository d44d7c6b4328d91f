import { string, type StringSchema } from 'yup'
import { isDay, yearOf } from '../../core/days/day'

/**
 * The years between which a person can mean a day; what lies outside is a slip, and every loop over days has an end.
 */
export const FIRST_YEAR = 1970
export const LAST_YEAR = 2100

/**
 * A day that somebody chooses: one that exists, within sensible years.
 *
 * @example dayField().validateSync('2026-10-28') // '2026-10-28'
 */
export const dayField = (): StringSchema<string> =>
  string()
    .typeError('Choose a day.')
    .required('Choose a day.')
    .matches(/^\d{4}-\d{2}-\d{2}$/, { message: 'Choose a day.', excludeEmptyString: true })
    .test(
      'exists',
      ({ value }) => `There is no day ${value}. Choose another.`,
      (value = '') => !/^\d{4}-\d{2}-\d{2}$/.test(value) || isDay(value),
    )
    .test(
      'sensible',
      `Choose a day from ${FIRST_YEAR} to ${LAST_YEAR}.`,
      (value = '') => !isDay(value) || (yearOf(value) >= FIRST_YEAR && yearOf(value) <= LAST_YEAR),
    )
