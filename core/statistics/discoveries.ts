import { normalQuantile } from './normalQuantile'

/**
 * Which of many tests found something, so that of those no more than a share is there by chance, however many are
 * looked at (the false discovery rate: Benjamini & Hochberg 1995, JRSS B 57:289–300).
 *
 * @param scores  of each test how many standard deviations off it is, above 0 where it is what is looked for
 * @param share   how many of what is found may be chance, above 0 and below 1
 * @returns       of each test in its place whether it found something
 * @example       discoveries([2.6, 0.4, 1.9], 0.1) // [true, false, true]
 */
export const discoveries = (scores: readonly number[], share: number): boolean[] =>
  stepUp(
    scores,
    share,
    (a, b) => b - a,
    (score, level) => score >= normalQuantile(1 - level),
  )

/**
 * The same of tests of which the chance is known: how often chance alone finds as much.
 *
 * @example discoveriesByChance([0.001, 0.04, 0.6], 0.05) // [true, false, false]
 */
export const discoveriesByChance = (chances: readonly number[], share: number): boolean[] =>
  stepUp(
    chances,
    share,
    (a, b) => a - b,
    (chance, level) => chance <= level,
  )

/** The largest number of them, the surest first, of which each is as sure as that number asks for. */
function stepUp(
  tests: readonly number[],
  share: number,
  bySureness: (a: number, b: number) => number,
  isWithin: (test: number, level: number) => boolean,
): boolean[] {
  const order = tests.map((_, index) => index).sort((a, b) => bySureness(tests[a]!, tests[b]!))
  let found = 0
  order.forEach((index, place) => {
    if (isWithin(tests[index]!, (share * (place + 1)) / order.length)) found = place + 1
  })
  const isFound = new Set(order.slice(0, found))
  return tests.map((_, index) => isFound.has(index))
}
