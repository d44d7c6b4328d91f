import { slugOf } from '../format/slugOf'
import { CATALOGUE } from './catalogue'
import { WORDS } from './words'

/** An entry of the glossary. */
export interface Entry {
  /** Its place on the page of the glossary. */
  id: string
  word: string
  meaning: string
}

/** Every entry of the glossary: the metrics in the order of the catalogue, then our own words. */
export const ENTRIES: readonly Entry[] = [
  ...CATALOGUE.map(({ id, name, definition }) => ({ id, word: name, meaning: definition })),
  ...WORDS.map(([word, meaning]) => ({ id: `word-${slugOf(word)}`, word, meaning })),
]

const asPattern = (word: string) =>
  new RegExp(
    `(?<![\\p{L}\\d])${word.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/s$/, 's?')}s?(?![\\p{L}\\d])`,
    'iu',
  )
const PATTERNS = ENTRIES.map((entry) => ({ entry, pattern: asPattern(entry.word) }))

/**
 * The entries of the glossary whose word stands in a text, in the singular or the plural.
 *
 * @example entriesIn('Reach against last year').map(({ word }) => word) // ['Reach', 'against']
 */
export const entriesIn = (text: string): Entry[] =>
  PATTERNS.flatMap(({ entry, pattern }) => (pattern.test(text) ? [entry] : []))
