import { deu, eng, fra } from 'stopword'

/** Words that every text has: of the three languages in which reviews are read too. */
const EVERYWHERE: ReadonlySet<string> = new Set([...eng, ...deu, ...fra])
/** What is no word of a text, though it has letters. */
const NO_WORDS = /https?:\/\/\S+|www\.\S+|\S+\.example\S*|[#@][\p{L}\p{M}\p{N}_.]+/giu
const WORD = /\p{L}[\p{L}\p{M}’'-]*[\p{L}\p{M}]/gu
const LEAST_LETTERS = 3

/**
 * The words of a text that say what it is about, small and each once: without addresses, hashtags, names of accounts,
 * words of fewer than three letters, and those that every English, German or French text has.
 *
 * @example wordsIn('The tea room has plum cake. #mossgate') // ['tea', 'room', 'plum', 'cake']
 */
export function wordsIn(text: string): string[] {
  const found = text.normalize('NFC').replace(NO_WORDS, ' ').toLowerCase().replaceAll('’', "'").match(WORD) ?? []
  return [...new Set(found)].filter((word) => [...word].length >= LEAST_LETTERS && !EVERYWHERE.has(word))
}
