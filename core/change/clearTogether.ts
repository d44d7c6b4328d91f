import { discoveriesByChance } from '../statistics/discoveries'

/** From which chance on a change is clear: so often chance alone makes one as large. */
export const CLEAR_LEVEL = 0.05

/**
 * Which of the changes of one page are clear, so that of those no more than one in twenty is there by chance, however
 * many stand on it.
 *
 * @param chances  of each how often chance alone makes one as large; undefined where it is not a matter of chance
 * @returns        of each in its place whether it is clear; undefined where it is not a matter of chance
 * @example        clearTogether([0.001, undefined, 0.6]) // [true, undefined, false]
 */
export function clearTogether(chances: readonly (number | undefined)[]): (boolean | undefined)[] {
  const found = discoveriesByChance(
    chances.filter((chance) => chance !== undefined),
    CLEAR_LEVEL,
  )
  let at = 0
  return chances.map((chance) => (chance === undefined ? undefined : found[at++]))
}
