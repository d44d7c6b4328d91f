import { median, quantile } from '../statistics/median'

/** Where a member of a field stands in a measure. */
export interface Standing {
  /** 1 is the most; members that are alike share a rank, and the next one is as many further on. */
  rank: number
  /** 100 × its value / the median of the field; absent where the median is nothing. */
  index?: number
}

/** What is typical in a field: the middle of it, and its quartiles. */
export interface TypicalBand {
  lower: number
  middle: number
  upper: number
}

/**
 * Where the members of a field stand by some value; those without one have no standing.
 *
 * @example standings([10, undefined, 30, 10]).map((standing) => standing?.rank) // [2, undefined, 1, 2]
 */
export function standings(values: readonly (number | undefined)[]): (Standing | undefined)[] {
  const known = values.filter((value) => value !== undefined)
  const middle = median(known)
  return values.map((value) =>
    value === undefined
      ? undefined
      : {
          rank: 1 + known.filter((other) => other > value).length,
          ...(middle && middle > 0 && { index: (100 * value) / middle }),
        },
  )
}

/**
 * The typical band of a field: its quartiles (type 7 of Hyndman & Fan 1996).
 *
 * @returns undefined where fewer than three members have a value: two have no middle
 * @example typicalBand([1, 2, 3, 4, 5]) // { lower: 2, middle: 3, upper: 4 }
 */
export function typicalBand(values: readonly (number | undefined)[]): TypicalBand | undefined {
  const known = values.filter((value) => value !== undefined)
  if (known.length < 3) return undefined
  return { lower: quantile(known, 0.25)!, middle: median(known)!, upper: quantile(known, 0.75)! }
}
