import { reviewAbout, SUBJECTS, type Mood } from './reviewAbout'

/** A review of which something may be quoted. */
export interface Quotable {
  text: string
  language: string
  author: string
  listing: string
  day: string
  /** How the whole of it sounds: what somebody has read in it stands over its words. */
  mood: Mood
}

/** A sentence with where it stands. */
export interface Quote {
  kind: 'good' | 'bad'
  sentence: string
  author: string
  listing: string
  day: string
  subjects: string[]
}

const EACH = 4
const SHORTEST = 12
const LONGEST = 240

/**
 * Sentences that praise and that complain, the newest first, a few of each and none twice: sentences that are about
 * something and sound good or bad, in reviews that do not sound the other way as a whole.
 *
 * @param reviews  the newest first
 * @example quotesIn([{ text: 'Lovely tea.', language: 'en', author: 'Oona K.', listing: 'Kiosk', day: '2026-10-28', mood: 'good' }])
 * // [{ kind: 'good', sentence: 'Lovely tea.', …, subjects: ['Food and drink'] }]
 */
export function quotesIn(reviews: readonly Quotable[]): Quote[] {
  const quotes: Quote[] = []
  const said = new Set<string>()
  const count = { good: 0, bad: 0 }
  for (const { text, language, author, listing, day, mood } of reviews) {
    if (count.good >= EACH && count.bad >= EACH) break
    for (const sentence of text.split(/(?<=[.!?…])\s+/)) {
      const about = reviewAbout(sentence, language)
      const kind = about?.mood
      if (!about || (kind !== 'good' && kind !== 'bad') || about.subjects.length === 0) continue
      const isAgainst = mood === (kind === 'good' ? 'bad' : 'good')
      const isOfLength = sentence.length >= SHORTEST && sentence.length <= LONGEST
      if (isAgainst || !isOfLength || said.has(sentence) || count[kind] >= EACH) continue
      said.add(sentence)
      count[kind]++
      const subjects = SUBJECTS.filter(({ id }) => about.subjects.includes(id)).map(({ name }) => name)
      quotes.push({ kind, sentence, author, listing, day, subjects })
    }
  }
  return [...quotes.filter(({ kind }) => kind === 'good'), ...quotes.filter(({ kind }) => kind === 'bad')]
}
