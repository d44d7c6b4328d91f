import { readHashtags } from '../../../core/tags/tagRule'
import type { PostWords } from '../../../core/posts/filterPosts'
import { sql, type Query } from '../../platform/database/sql'
import type { PostFilter } from '../../../shared/read/postFilter'

/** SQL for texts that have a word: by what they are searched by, where they have that and the word is plain as well. */
function hasWord(word: string): Query<false> {
  const place = `%${word.replace(/[\\%_]/g, '\\$&')}%`
  const inText = sql`p.text LIKE ${place}`
  return /^[ -~]*$/.test(word) ? sql`COALESCE(p.searched LIKE ${place.toLowerCase()}, ${inText})` : inText
}

/** SQL for texts that have the words that are looked for; as `hasWords` of core/posts has it. */
function withWords({ any, all, none }: PostWords): Query<false>[] {
  return [
    ...all.map(hasWord),
    ...none.map((word) => sql`NOT ${hasWord(word)}`),
    ...(any.length > 0 ? [sql`(${any.map(hasWord).reduce((list, one) => sql`${list} OR ${one}`)})`] : []),
  ]
}

/** SQL for texts with any of some hashtags, each a whole word. */
const withHashtags = (hashtags: readonly string[]): Query<false>[] =>
  hashtags.length === 0
    ? []
    : // only letters, digits and underlines come through here
      [
        sql`p.text REGEXP ${`(?i)(?<![\\p{L}\\p{N}_])#(${readHashtags(hashtags.join(' ')).join('|')})(?![\\p{L}\\p{N}_])`}`,
      ]

/** What posts have to be; what is empty is not asked. */
export interface Wanted extends PostWords {
  profiles?: readonly number[]
  from?: string
  to?: string
  formats?: readonly string[]
  hashtags?: readonly string[]
  tags?: PostFilter['tags']
  paid?: PostFilter['paid']
  published?: PostFilter['published']
}

/** SQL for the posts `p` that are wanted, beside that they are the client's. */
export function wherePosts({
  profiles,
  from,
  to,
  formats = [],
  hashtags = [],
  tags,
  paid,
  published,
  ...words
}: Wanted) {
  const TAGGED = sql`SELECT 1 FROM post_tag t JOIN tag g ON g.client_id = t.client_id AND g.tag_id = t.tag_id
    WHERE t.client_id = p.client_id AND t.profile_id = p.profile_id AND t.remote_id = p.remote_id
    AND g.removed_at IS NULL`
  const PLANNED = sql`SELECT 1 FROM planned_posting o
    WHERE o.client_id = p.client_id AND o.profile_id = p.profile_id AND o.remote_id = p.remote_id`
  return [
    ...(profiles ? [sql`p.profile_id IN (${[...profiles]})`] : []),
    ...(from ? [sql`p.day >= ${from}`] : []),
    ...(to ? [sql`p.day <= ${to}`] : []),
    ...(formats.length > 0 ? [sql`p.format IN (${[...formats]})`] : []),
    ...withWords(words),
    ...withHashtags(hashtags),
    ...(tags === 'none' ? [sql`NOT EXISTS (${TAGGED})`] : []),
    ...(tags && tags !== 'none' ? [sql`EXISTS (${TAGGED} AND t.tag_id IN (${[...tags]}))`] : []),
    ...(paid === 'paid' ? [sql`p.paid_impressions > 0`] : []),
    ...(paid === 'organic' ? [sql`COALESCE(p.paid_impressions, 0) = 0`] : []),
    ...(published === 'here' ? [sql`EXISTS (${PLANNED})`] : []),
    ...(published === 'elsewhere' ? [sql`NOT EXISTS (${PLANNED})`] : []),
  ].reduce((list, one) => sql`${list} AND ${one}`, sql`1 = 1`)
}
