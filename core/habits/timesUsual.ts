import { discoveries } from '../statistics/discoveries'
import { medianInterval, type MedianInterval } from '../statistics/medianInterval'
import { rankScore } from '../statistics/rankScore'

/** How some posts did: the middle of how many times what is usual of their profile each brought. */
export interface TimesUsual extends MedianInterval {
  posts: number
}

/** How posts of a kind did, and on which side of usual they stand where that is more than chance among as many kinds. */
export interface Judged {
  /** Absent where of fewer than five posts it is known how they did. */
  times?: TimesUsual
  stands?: 'above' | 'below'
}

/** Of what is said to stand above or below usual, how much may be chance. */
export const CHANCE_SHARE = 0.1

/**
 * How some posts did beside what is usual of their profiles.
 *
 * @param rests  how far each was from usual, in logarithms: see `besideProfile`
 * @returns      undefined for fewer than five posts
 * @example      timesUsual([0.1, 0.4, 0.7, 0.2, 0.9]) // value 1.49, from 1.11 to 2.46
 */
export function timesUsual(rests: readonly number[]): TimesUsual | undefined {
  const interval = medianInterval(rests)
  if (!interval) return undefined
  return {
    value: Math.exp(interval.value),
    low: Math.exp(interval.low),
    high: Math.exp(interval.high),
    posts: rests.length,
  }
}

/**
 * How posts of many kinds did. A kind stands above or below usual where its posts rank so much higher or lower than all
 * others that of all kinds said to no more than one in ten does by chance, and its interval does not hold usual.
 *
 * @param rests  of every post how far it was from usual, in logarithms; absent where that is not known
 * @param kinds  of each kind the places of its posts, each once
 * @example      judgeKinds([0.9, 0.8, 0.7, 0.6, 0.5, 0, 0, 0, 0, 0], [[0, 1, 2, 3, 4]])[0].stands // 'above'
 */
export function judgeKinds(rests: readonly (number | undefined)[], kinds: readonly (readonly number[])[]): Judged[] {
  const score = rankScore(rests)
  const told = kinds.map((places) => {
    const known: number[] = []
    for (const place of places) if (rests[place] !== undefined) known.push(rests[place])
    const times = timesUsual(known)
    return { times, score: times ? score(places) : 0 }
  })
  const counted = told.flatMap(({ times, score: own }, kind) => (times ? [{ kind, own }] : []))
  // each kind is asked twice, whether it is above and whether it is below
  const isFound = discoveries([...counted.map(({ own }) => own), ...counted.map(({ own }) => -own)], CHANCE_SHARE)
  const sides = new Map<number, 'above' | 'below'>()
  counted.forEach(({ kind }, index) => {
    const { low, high } = told[kind]!.times!
    if (isFound[index] && low > 1) sides.set(kind, 'above')
    if (isFound[counted.length + index] && high < 1) sides.set(kind, 'below')
  })
  return told.map(({ times }, kind) => {
    const stands = sides.get(kind)
    return { ...(times && { times }), ...(stands && { stands }) }
  })
}
