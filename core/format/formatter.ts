const made = new Map<string, Intl.NumberFormat>()

/**
 * The formatter of a locale for numbers with so many decimals. Making one takes far longer than using it, so each is
 * made once.
 *
 * @param decimals  how many are written, no more and no fewer
 * @throws          RangeError when the locale is not a language tag (BCP 47)
 * @example         formatter('en-GB', 1).format(1234.56) // '1,234.6'
 */
export function formatter(locale: string, decimals: number): Intl.NumberFormat {
  const key = `${locale} ${decimals}`
  let one = made.get(key)
  if (!one) {
    one = new Intl.NumberFormat(locale, { minimumFractionDigits: decimals, maximumFractionDigits: decimals })
    made.set(key, one)
  }
  return one
}
