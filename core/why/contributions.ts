/** A part of a total before and after. */
export interface PartOfTotal {
  key: string
  from: number
  to: number
}

/** What a part did to the change of the whole. */
export interface Contribution {
  key: string
  /** In the unit of the total; all of them add up to its change. */
  change: number
}

/**
 * What each part did to the change of a total, the largest in size first. They add up exactly to the change.
 *
 * @param parts  the parts with their values; a part that is missing on one side counts as 0 there
 * @example      contributions([{ key: 'a', from: 10, to: 14 }, { key: 'b', from: 5, to: 2 }]) // a +4, b −3
 */
export function contributions(parts: readonly PartOfTotal[]): Contribution[] {
  return bySize(parts.map(({ key, from, to }) => ({ key, change: to - from })))
}

/** The largest in size first; equal ones by name, so that the order is always the same. */
export const bySize = <T extends Contribution>(list: readonly T[]): T[] =>
  [...list].sort((a, b) => Math.abs(b.change) - Math.abs(a.change) || (a.key < b.key ? -1 : 1))
