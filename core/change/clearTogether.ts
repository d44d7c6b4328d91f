/** From which chance on a change is clear: so often chance alone makes one as large. */
export const CLEAR_LEVEL = 0.05

/**
 * Which of the changes of one page are clear, so that of those no more than one in twenty is there by chance, however
 * many stand on it (the false discovery rate: Benjamini & Hochberg 1995, JRSS B 57:289–300).
 *
 * @param chances  of each how often chance alone makes one as large; undefined where it is not a matter of chance
 * @returns        of each in its place whether it is clear; undefined where it is not a matter of chance
 * @example        clearTogether([0.001, 0.04, 0.6]) // [true, false, false]
 */
export function clearTogether(chances: readonly (number | undefined)[]): (boolean | undefined)[] {
  const known = chances.filter((chance) => chance !== undefined).sort((a, b) => a - b)
  let least = -1
  known.forEach((chance, at) => {
    if (chance <= (CLEAR_LEVEL * (at + 1)) / known.length) least = chance
  })
  return chances.map((chance) => (chance === undefined ? undefined : chance <= least))
}
