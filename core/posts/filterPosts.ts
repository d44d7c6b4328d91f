import { Unreadable } from '../unreadable'

/** Words that posts are looked for by: any of some, all of others, none of a third. */
export interface PostWords {
  any: readonly string[]
  all: readonly string[]
  none: readonly string[]
}

/** How many words can be looked for together, and how long one can be. */
export const MOST_WORDS = 12
export const LONGEST_WORD = 60

/**
 * Words as somebody has typed them: apart by commas, or one after the other; between quotation marks several are one.
 *
 * @throws  Unreadable when there are too many, or one is too long
 * @example readWords('tea, "open late" #lanterns') // ['tea', 'open late', '#lanterns']
 */
export function readWords(text: string): string[] {
  const words = [...text.matchAll(/["“”„]([^"“”„]+)["“”„]|([^\s,;"“”„]+)/g)]
    .map(([, together, single]) => (together ?? single!).trim().toLowerCase())
    .filter((word) => word !== '')
  if (words.length > MOST_WORDS) throw new Unreadable(`Look for ${MOST_WORDS} words at the most.`)
  const long = words.find((word) => word.length > LONGEST_WORD)
  if (long) throw new Unreadable(`“${long.slice(0, 20)}…” is longer than ${LONGEST_WORD} letters.`)
  return [...new Set(words)]
}

/**
 * Words as they stand in an address, to be read again.
 *
 * @example writeWords(['tea', 'open late']) // 'tea, "open late"'
 */
export const writeWords = (words: readonly string[]): string =>
  words.map((word) => (/[\s,;]/.test(word) ? `"${word}"` : word)).join(', ')

/** Letters as they are compared: small, and without accents. */
const folded = (text: string): string => text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase()

/**
 * Whether a text has the words that are looked for.
 *
 * @example hasWords('Lanterns in the garden', { any: ['tea', 'lantern'], all: [], none: ['shut'] }) // true
 */
export function hasWords(text: string, { any, all, none }: PostWords): boolean {
  if (any.length + all.length + none.length === 0) return true
  const plain = folded(text)
  const has = (word: string) => plain.includes(folded(word))
  return (any.length === 0 || any.some(has)) && all.every(has) && !none.some(has)
}
