import type { Kind } from './metric'

/** How a metric of a kind is rolled up, in a sentence. */
export const KIND_WORDS: Record<Kind, string> = {
  flow: 'Added over days and profiles.',
  stock: 'The last count at or before the end of the period, no older than seven days.',
  unique: 'Different people, never added: exact where a network gives the very period, otherwise between bounds.',
  ratio: 'Both parts are rolled up first, then divided.',
}

/** The product's own words, for what the trade has no settled word for. */
export const WORDS: readonly (readonly [string, string])[] = [
  ['scope', 'Who, when and against what. It stands as one sentence on the page and in the address, so that a link shows the same.'],
  ['against', 'The comparison period. It always has as many days as the period.'],
  ['figure', 'A computed number together with how well it is known, what it rests on and how it came about.'],
  ['workings', 'The explanation of one figure, in the margin: definition, formula with the actual numbers, days with and without data.'],
  ['margin', 'The right-hand column with notes and workings. The key w opens and closes it.'],
  ['note', 'A dated remark by a person. It stands with its number on the charts it touches, and in the reports.'],
  ['coverage', 'Which days and profiles have data for a metric. Missing is not zero.'],
  ['block', 'A part of a report: figures, a chart, a table or a text.'],
  ['edition', 'An issued, numbered, frozen copy of a report for one period. It never changes; a SHA-256 over its content shows that.'],
  ['universe', 'How many people could be reached on a client’s networks, as far as somebody has said so. It makes the estimate of reach over several profiles possible.'],
]
