import { Unreadable } from '../unreadable'

const VOCABULARY = 'https://www.w3.org/ns/activitystreams'

/** What a kind of object of the vocabulary is, as a format of posts. */
const FORMATS: Readonly<Record<string, string>> = {
  Note: 'text',
  Article: 'text',
  Question: 'text',
  Event: 'text',
  Page: 'link',
  Image: 'photo',
  Video: 'video',
  Audio: 'video',
  Document: 'document',
}
const ATTACHED: Readonly<Record<string, string>> = { Image: 'photo', Video: 'video', Audio: 'video' }

/** The activities by which something comes to be there. */
const PUBLISHING: readonly string[] = ['Create', 'Add']

/** How deep collections are followed into their pages. */
const DEEPEST = 3

type Fields = Readonly<Record<string, unknown>>
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const listOf = (value: unknown): unknown[] => (Array.isArray(value) ? value : value === undefined ? [] : [value])
const fieldsOf = (value: unknown): Fields[] => listOf(value).filter(isFields)
const typesOf = ({ type }: Fields): string[] => listOf(type).map(String)

/**
 * Whether a JSON value is Activity Streams 2.0 (W3C Recommendation of 23 May 2017): its context names the vocabulary.
 *
 * @example isActivityStreams({ '@context': 'https://www.w3.org/ns/activitystreams', type: 'Note' }) // true
 */
export const isActivityStreams = (value: unknown): value is Fields =>
  isFields(value) && listOf(value['@context']).some((context) => context === VOCABULARY)

/**
 * The posts of Activity Streams 2.0 as a table whose headings are those of the template of posts: of a collection, its
 * items and those of its pages within the file; of an activity that creates or adds something, its object. What is liked,
 * shared or followed is no post of the profile. Counts are those of the collections of likes, shares and replies; where
 * only their address stands there, they are not known.
 *
 * @param plain  makes plain text of the HTML that `content` holds
 * @returns      the headings, then a row for each post; the name of the author where there are several
 * @throws       Unreadable when there is no post
 */
export function activityRows(value: Fields, plain: (html: string) => string): string[][] {
  const posts = [...objectsOf(value, DEEPEST)]
  if (posts.length === 0) throw new Unreadable('The file holds activities, but no post among them.')
  const authors = new Set(posts.map(authorOf))
  const counts = ['likes', 'replies', 'shares'].filter((name) => posts.some((post) => totalOf(post[name]) !== ''))
  const headings: Readonly<Record<string, string>> = { likes: 'Reactions', replies: 'Comments', shares: 'Shares' }
  return [
    [
      'Id of the post',
      'Published, day and time',
      'Format',
      'Text',
      'Words for the picture',
      ...counts.map((name) => headings[name]!),
      ...(authors.size > 1 ? ['Handle or name of the profile'] : []),
    ],
    ...posts.map((post) => [
      lastPart(String(post.id ?? '')),
      String(post.published ?? ''),
      formatOf(post),
      textOf(post, plain),
      fieldsOf(post.attachment)
        .map((attached) => words(attached, 'name'))
        .filter((text) => text !== '')
        .join(' '),
      ...counts.map((name) => totalOf(post[name])),
      ...(authors.size > 1 ? [authorOf(post)] : []),
    ]),
  ]
}

function* objectsOf(value: Fields, deepest: number): Generator<Fields> {
  if (deepest === 0) return
  const items = [value.items, value.orderedItems, value.first].flatMap(fieldsOf)
  if (items.length > 0) for (const item of items) yield* objectsOf(item, deepest - (isCollection(item) ? 1 : 0))
  else if (typesOf(value).some((type) => PUBLISHING.includes(type)))
    // what the activity says of when and by whom holds where its object does not say it itself
    for (const object of fieldsOf(value.object))
      yield { published: value.published, attributedTo: value.actor, ...object }
  else if (typesOf(value).some((type) => FORMATS[type])) yield value
}

const isCollection = (item: Fields): boolean => [item.items, item.orderedItems, item.first].some(Boolean)

/** What of an address tells a thing from others: its last part that is not empty. */
const lastPart = (address: string): string =>
  address
    .split(/[/?#:=]/)
    .filter(Boolean)
    .at(-1) ?? ''

const authorOf = (post: Fields): string => {
  const [author] = listOf(post.attributedTo ?? post.actor)
  return isFields(author)
    ? String(author.preferredUsername ?? author.name ?? lastPart(String(author.id ?? '')))
    : lastPart(String(author ?? ''))
}

const formatOf = (post: Fields): string => {
  const attached = fieldsOf(post.attachment)
    .flatMap(typesOf)
    .find((type) => ATTACHED[type])
  const own = typesOf(post).find((type) => FORMATS[type])
  return attached && (own === undefined || FORMATS[own] === 'text') ? ATTACHED[attached]! : (FORMATS[own ?? ''] ?? '')
}

/** A text in natural language, or the first of several (4.7 of the standard). */
const words = (fields: Fields, name: string): string => {
  const value = fields[name]
  if (typeof value === 'string') return value
  const map = fields[`${name}Map`]
  return isFields(map) ? String(Object.values(map)[0] ?? '') : ''
}

const textOf = (post: Fields, plain: (html: string) => string): string =>
  [words(post, 'name'), plain(words(post, 'content') || words(post, 'summary'))]
    .filter((text) => text.trim() !== '')
    .join(': ')
    .replace(/\s+/g, ' ')
    .trim()

const totalOf = (collection: unknown): string =>
  isFields(collection) && collection.totalItems !== undefined ? String(collection.totalItems) : ''
