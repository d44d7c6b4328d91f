/** Followings that are compared with each other: each from so many followers on, to below the next. */
export const SIZE_CLASSES = [0, 1000, 10_000, 100_000, 1_000_000] as const

/**
 * The class of a following, by its place among `SIZE_CLASSES`.
 *
 * @throws  RangeError below nothing
 * @example sizeClassOf(10_000) // 2
 */
export function sizeClassOf(followers: number): number {
  if (!(followers >= 0)) throw new RangeError(`${followers} followers are no following`)
  return SIZE_CLASSES.filter((least) => followers >= least).length - 1
}

/**
 * A class in words.
 *
 * @example sizeClassWords(2, 'en-GB') // '10,000 to 100,000 followers'
 */
export function sizeClassWords(place: number, locale: string): string {
  const [from, to] = [SIZE_CLASSES[place]!, SIZE_CLASSES[place + 1]]
  const say = (count: number) => count.toLocaleString(locale)
  return to === undefined
    ? `${say(from)} followers or more`
    : from === 0
      ? `fewer than ${say(to)} followers`
      : `${say(from)} to ${say(to)} followers`
}
