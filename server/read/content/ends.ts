import { daysEnding, lengthOf } from '../../../core/periods/period'
import { bestAndWorst, withUsual, type PostFigure } from '../../../core/posts/bestAndWorst'
import { hasWords, type PostWords } from '../../../core/posts/filterPosts'
import { spreadByFormat } from '../../../core/posts/spreadByFormat'
import { thinned } from '../../../core/posts/thinned'
import type { ListedPost } from '../../../shared/read/content'
import { MOST_DOTS, type Ends } from '../../../shared/read/endsBlock'
import type { Formats } from '../../../shared/read/formatsBlock'
import type { ClientDb } from '../../platform/database/clientDb'
import type { ResolvedScope } from '../../figures/resolveScope'
import { listPosts } from './listPosts'

/** From how many days at the least a profile's usual is taken, up to the end of the period. */
const USUAL_DAYS = 90
const ANY_WORDS: PostWords = { any: [], all: [], none: [] }

/** The best and the worst posts of a scope, of one format or of all. */
export async function endsOf(
  db: ClientDb,
  scope: ResolvedScope,
  { by, rows, format, words = ANY_WORDS }: { by: PostFigure; rows: number; format?: string; words?: PostWords },
): Promise<Ends> {
  const [posts, past] = await postsAndPast(db, scope)
  const found = bestAndWorst(
    posts.filter((post) => (!format || post.format === format) && hasWords(post.text, words)),
    past,
    by,
    rows,
  )
  return { ...found, by, values: thinned(found.values, MOST_DOTS) }
}

/** Formats beside each other, as distributions over a figure. */
export async function formatsOf(
  db: ClientDb,
  scope: ResolvedScope,
  by: PostFigure,
  words = ANY_WORDS,
): Promise<Formats> {
  const [posts, past] = await postsAndPast(db, scope)
  return {
    by,
    formats: spreadByFormat(
      withUsual(
        posts.filter(({ text }) => hasWords(text, words)),
        past,
      ),
      by,
      MOST_DOTS,
    ),
  }
}

/** The posts of a scope, and those from which the usual of their profiles is taken. */
const postsAndPast = (db: ClientDb, scope: ResolvedScope): Promise<[ListedPost[], ListedPost[]]> => {
  const { period } = scope
  return Promise.all([
    listPosts(db, scope),
    listPosts(db, { ...scope, period: daysEnding(period.to, Math.max(USUAL_DAYS, lengthOf(period))) }),
  ])
}
