import type { Contribution } from './contributions'

/** A factor of a product, before and after (≥ 0). */
export interface Factor {
  key: string
  from: number
  to: number
}

/**
 * The logarithmic mean of two positive numbers: (a − b) / ln(a / b), and a where they are equal.
 *
 * @example logarithmicMean(1, Math.E) // 1.718…
 */
export function logarithmicMean(a: number, b: number): number {
  return a === b ? a : (a - b) / Math.log(a / b)
}

/**
 * What each factor did to the change of a product: additive LMDI-I, Ang BW (2005), "The LMDI approach to decomposition
 * analysis: a practical guide", Energy Policy 33:867–871. There is no residual. Zeros by their analytical limits, Ang
 * BW, Liu N (2007), "Handling zero values in the logarithmic mean Divisia index decomposition approach", Energy Policy
 * 35:238–246: where a product comes from or goes to zero, the factors that are zero there carry the whole change, in
 * equal parts, and the others none.
 *
 * @returns the factors in their order; their changes add up exactly to the change of the product
 * @throws  RangeError when a factor is below zero
 * @example factorContributions([{ key: 'posts', from: 2, to: 4 }, { key: 'each', from: 10, to: 10 }]) // posts +20,
 *                                 each 0
 */
export function factorContributions(factors: readonly Factor[]): Contribution[] {
  const negative = factors.find(({ from, to }) => from < 0 || to < 0)
  if (negative) throw new RangeError(`the factor "${negative.key}" is below zero`)
  const product = (side: 'from' | 'to') => factors.reduce((all, factor) => all * factor[side], 1)
  const [before, after] = [product('from'), product('to')]
  if (before === 0 || after === 0) {
    const side = before === 0 ? 'from' : 'to'
    const zeros = before === after ? [] : factors.filter((factor) => factor[side] === 0)
    return factors.map((factor) => ({
      key: factor.key,
      change: zeros.includes(factor) ? (after - before) / zeros.length : 0,
    }))
  }
  const weight = logarithmicMean(after, before)
  return factors.map(({ key, from, to }) => ({ key, change: weight * Math.log(to / from) }))
}
