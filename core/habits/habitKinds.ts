/** What is looked for in the texts of posts. */
export const TERMS = [
  { id: 'hashtags', name: 'hashtags' },
  { id: 'words', name: 'words' },
] as const
export type TermKind = (typeof TERMS)[number]['id']

/** What parts the corners of a network. */
export const CORNERS = [
  { id: 'weekday', name: 'weekdays' },
  { id: 'format', name: 'formats' },
  { id: 'format-weekday', name: 'formats by weekday' },
  { id: 'hashtag', name: 'hashtags' },
] as const
export type CornerKind = (typeof CORNERS)[number]['id']
