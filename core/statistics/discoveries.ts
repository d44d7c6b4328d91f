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
export function discoveries(scores: readonly number[], share: number): boolean[] {
  const order = scores.map((_, index) => index).sort((a, b) => scores[b]! - scores[a]!)
  // the largest number of them of which each is as sure as that number asks for
  let found = 0
  order.forEach((index, place) => {
    if (scores[index]! >= normalQuantile(1 - (share * (place + 1)) / order.length)) found = place + 1
  })
  const isFound = new Set(order.slice(0, found))
  return scores.map((_, index) => isFound.has(index))
}
