import { folded } from './folded'
import { jaroWinkler } from './jaroWinkler'

/** From which likeness on two longer words are one word that is written in two ways, and from how many letters. */
const [LIKE_WORD, LONG_WORD] = [0.9, 5]

/** Words by which no two places are told apart. */
const COMMON_WORDS: ReadonlySet<string> = new Set(
  'the a an and of at on in by for & der die das und am im le la les l de du des et co ltd limited inc llc plc gmbh'.split(
    ' ',
  ),
)

const isSameWord = (one: string, other: string): boolean =>
  one === other ||
  `${one}s` === other ||
  one === `${other}s` ||
  (Math.min(one.length, other.length) >= LONG_WORD && jaroWinkler(one, other) >= LIKE_WORD)

/**
 * How alike the names of two places are, from 0 to 1; nothing where they differ in what tells places apart. Letters
 * alone would take "pier 1" for "pier 2" and "north" for "south": so every word with a digit has to be in both as it is,
 * and every other word that is not an article or a legal form has to have its like in the other name, also where one
 * writes as two words what the other writes as one.
 *
 * @returns 0, or the likeness of their telling words (Jaro–Winkler)
 * @example nameLikeness('Harbour Coffee North', 'Harbour Coffee South') // 0
 */
export function nameLikeness(one: string, other: string): number {
  const [a, b] = [folded(one), folded(other)]
  if (a === b) return 1
  const [words, others] = [tellingWords(a), tellingWords(b)]
  if (numbersIn(words) !== numbersIn(others)) return 0
  const left = [...others]
  const unmatched = words.filter((word) => {
    const at = left.findIndex((each) => (/\p{N}/u.test(word) ? each === word : isSameWord(word, each)))
    if (at >= 0) left.splice(at, 1)
    return at < 0
  })
  const isLikeOnceJoined = unmatched.length > 0 && left.length > 0 && isSameWord(unmatched.join(''), left.join(''))
  if (unmatched.length + left.length > 0 && !isLikeOnceJoined) return 0
  return jaroWinkler(words.join(''), others.join(''))
}

const tellingWords = (name: string): string[] => name.split(' ').filter((word) => !COMMON_WORDS.has(word))
const numbersIn = (words: readonly string[]): string =>
  words
    .filter((word) => /\p{N}/u.test(word))
    .sort()
    .join(' ')

/** Whether two names have numbers, and other ones. */
export function haveOtherNumbers(one: string, other: string): boolean {
  const [a, b] = [one, other].map((name) => numbersIn(tellingWords(folded(name)))) as [string, string]
  return a !== '' && b !== '' && a !== b
}
