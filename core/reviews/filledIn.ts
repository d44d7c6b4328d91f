/** What can be filled into an answer, with what it means. */
export const REPLY_FIELDS = [
  { field: 'author', name: 'who has written the review' },
  { field: 'place', name: 'the place' },
] as const
export type ReplyField = (typeof REPLY_FIELDS)[number]['field']

/**
 * A text with its fields filled in. One that is empty goes with the blank and the comma beside it; what is in braces and
 * no field stays as it is.
 *
 * @example filledIn('Thank you, {author}.', { author: 'Oona K.', place: '' }) // 'Thank you, Oona K.'
 */
export const filledIn = (text: string, values: Record<ReplyField, string>): string =>
  REPLY_FIELDS.reduce((filled, { field }) => {
    const value = values[field]
    return value === ''
      ? filled
          .replaceAll(new RegExp(`,? ?\\{${field}\\}`, 'g'), '')
          .replace(/^[\s,]+(\p{L})/u, (_, letter: string) => letter.toUpperCase())
      : filled.replaceAll(`{${field}}`, value)
  }, text).replaceAll('..', '.')
