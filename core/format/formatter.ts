/**
 * To which side a number is rounded: the low end of a range down and its high end up, so that a range that is read
 * never claims more than the one that was worked out.
 */
export type Rounding = 'near' | 'down' | 'up'

const MODES = { near: 'halfExpand', down: 'floor', up: 'ceil' } as const

const made = new Map<string, Intl.NumberFormat>()

/**
 * The formatter of a locale for numbers with so many decimals. Making one takes far longer than using it, so each is
 * made once.
 *
 * @param decimals  how many are written, no more and no fewer
 * @param rounding  to which side the rest goes
 * @throws          RangeError when the locale is not a language tag (BCP 47)
 * @example         formatter('en-GB', 1).format(1234.56) // '1,234.6'
 */
export function formatter(locale: string, decimals: number, rounding: Rounding = 'near'): Intl.NumberFormat {
  const key = `${locale} ${decimals} ${rounding}`
  let one = made.get(key)
  if (!one) {
    // the way of rounding is of ECMAScript 2023, which not every compiler here knows yet
    const options = {
      minimumFractionDigits: decimals,
      maximumFractionDigits: decimals,
      roundingMode: MODES[rounding],
    }
    one = new Intl.NumberFormat(locale, options)
    made.set(key, one)
  }
  return one
}
