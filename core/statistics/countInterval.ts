/** The 97.5 % quantile of the standard normal distribution: two-sided 95 %. */
const Z95 = 1.959963984540054

/**
 * How far chance alone may carry a count, at 95 %: the score interval of a Poisson mean, x + z²/2 ± z·√(x + z²/4),
 * where `events` is everything that was counted. Of a difference of counts, such as followers won less followers lost,
 * `value` is the difference and `events` what was counted on both sides: its variance is their sum. Barker L (2002),
 * The American Statistician 56:85–89, interval "score".
 *
 * @param value   the count or the difference
 * @param events  how many were counted in all (≥ 0)
 * @example       countInterval(100) // { low: 82.2…, high: 121.6… }
 */
export function countInterval(value: number, events = value): { low: number; high: number } {
  const half = Z95 * Math.sqrt(events + (Z95 * Z95) / 4)
  const centre = value === events ? value + (Z95 * Z95) / 2 : value
  return { low: centre - half, high: centre + half }
}
