import { deu, eng, fra } from 'stopword'

/** Words that every text has: of the three languages in which reviews are read too. */
const EVERYWHERE: ReadonlySet<string> = new Set([...eng, ...deu, ...fra])
/** What is no word of a text, though it has letters: addresses, hashtags, names of accounts. */
const NO_WORDS =
  /https?:\/\/\S+|www\.\S+|[\p{L}\p{N}-]+(?:\.[\p{L}\p{N}-]+)*\.\p{L}{2,}\/\S*|[#@][\p{L}\p{M}\p{N}_.]+/giu
const WORD = /[\p{L}\p{N}](?:[\p{L}\p{M}\p{N}’'-]*[\p{L}\p{M}\p{N}])?/gu
const LEAST_LETTERS = 3

/**
 * Every word of a text, small and each once: without addresses, hashtags and names of accounts.
 *
 * @example everyWordIn('The tea room has 12 cakes. #mossgate') // ['the', 'tea', 'room', 'has', '12', 'cakes']
 */
export const everyWordIn = (text: string): string[] => [
  ...new Set(text.normalize('NFC').replace(NO_WORDS, ' ').toLowerCase().replaceAll('’', "'").match(WORD)),
]

/**
 * The words of a text that say what it is about: those of three letters or more, but numbers and words that every
 * English, German or French text has.
 *
 * @example wordsIn('The tea room has 12 cakes. #mossgate') // ['tea', 'room', 'cakes']
 */
export const wordsIn = (text: string): string[] =>
  everyWordIn(text).filter((word) => [...word].length >= LEAST_LETTERS && /\p{L}/u.test(word) && !EVERYWHERE.has(word))
