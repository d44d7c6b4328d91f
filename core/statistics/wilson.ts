/** The 97.5 % quantile of the standard normal distribution: two-sided 95 %. */
const Z95 = 1.959963984540054

/**
 * The Wilson score interval of a proportion, at 95 %.
 *
 * Wilson EB (1927), J Am Stat Assoc 22:209–212; without continuity correction, as method 3 of Newcombe RG (1998), Stat
 * Med 17:857–872.
 *
 * @param count  how many had the property (0 to `total`)
 * @param total  of how many (> 0)
 * @returns      the interval's ends, each from 0 to 1
 * @throws       RangeError when the counts make no proportion
 * @example      wilson(81, 263) // { low: 0.2553, high: 0.3662 }
 */
export function wilson(count: number, total: number, z = Z95): { low: number; high: number } {
  if (!(total > 0) || count < 0 || count > total) throw new RangeError(`${count} of ${total} is no proportion`)
  const share = count / total
  const z2 = z * z
  const centre = (share + z2 / (2 * total)) / (1 + z2 / total)
  const half = (z / (1 + z2 / total)) * Math.sqrt((share * (1 - share)) / total + z2 / (4 * total * total))
  return { low: Math.max(0, count === 0 ? 0 : centre - half), high: Math.min(1, count === total ? 1 : centre + half) }
}
