import { seeded } from '../times/seeded'

/** Words of a text that may also be said otherwise. */
export interface Variation {
  /** As they stand in the text. */
  phrase: string
  others: readonly string[]
}

/**
 * A text with its variations drawn for one of its turns: each way of saying it comes once before any comes again, in an
 * order that a seed decides, so that what is shown before is what goes out. Words that do not stand in the text change
 * nothing.
 *
 * @param seed  a whole number
 * @param turn  which time it is said, from 0
 * @example variedText('Open tonight', [{ phrase: 'tonight', others: ['this evening'] }], 1, 0)
 */
export function variedText(text: string, variations: readonly Variation[], seed: number, turn: number): string {
  // found in the text as it was written, so that no variation changes what another has put there
  const places = variations
    .map((variation, index) => ({ ...variation, index, at: text.indexOf(variation.phrase) }))
    .filter(({ at, phrase }) => at >= 0 && phrase !== '')
    .sort((a, b) => a.at - b.at)
  let said = ''
  let read = 0
  for (const { phrase, others, index, at } of places) {
    if (at < read) continue
    const ways = [phrase, ...others]
    const order = orderOf(ways.length, seed + index * 7919, Math.floor(turn / ways.length))
    said += text.slice(read, at) + ways[order[turn % ways.length]!]!
    read = at + phrase.length
  }
  return said + text.slice(read)
}

/** Numbers from 0 in an order that a seed and a round decide (Fisher and Yates). */
function orderOf(length: number, seed: number, round: number): number[] {
  const order = Array.from({ length }, (_, index) => index)
  const random = seeded(seed * 1009 + round)
  for (let last = length - 1; last > 0; last--) {
    const other = Math.floor(random() * (last + 1))
    ;[order[last], order[other]] = [order[other]!, order[last]!]
  }
  return order
}
