/** How much more often something is found in one group than in another; 100 where it is alike. */
export interface RepresentationIndex {
  value: number
  /** Its 95 % interval. */
  low: number
  high: number
}

const Z = 1.959963984540054

/**
 * 100 × a share in one group / the share in another, with a 95 % interval on the scale of logarithms: Katz D, Baptista J,
 * Azen SP, Pike MC (1978), Obtaining confidence intervals for the risk ratio in cohort studies, Biometrics 34:469–474.
 *
 * @param count   people with it in the first group, and how many that has
 * @returns       undefined where one of the shares is nothing: nothing is no multiple of anything
 * @throws        RangeError when more have it than there are
 * @example       representationIndex(421, 3117, 2314, 24882) // { value: 145, low: 132, high: 160 }
 */
export function representationIndex(
  count: number,
  of: number,
  otherCount: number,
  otherOf: number,
): RepresentationIndex | undefined {
  if (count > of || otherCount > otherOf) throw new RangeError('more people have it than there are')
  if (count <= 0 || otherCount <= 0) return undefined
  const ratio = count / of / (otherCount / otherOf)
  const error = Math.sqrt(1 / count - 1 / of + 1 / otherCount - 1 / otherOf)
  return { value: 100 * ratio, low: 100 * ratio * Math.exp(-Z * error), high: 100 * ratio * Math.exp(Z * error) }
}
