import { daysEnding, lengthOf } from '../../../core/periods/period'
import { bestAndWorst, USUAL_DAYS, withUsual, type PostFigure } from '../../../core/posts/bestAndWorst'
import { spreadByFormat } from '../../../core/posts/spreadByFormat'
import { thinned } from '../../../core/posts/thinned'
import type { ListedPost } from '../../../shared/read/content'
import { MOST_DOTS, type Ends } from '../../../shared/read/endsBlock'
import type { Formats } from '../../../shared/read/formatsBlock'
import type { ClientDb } from '../../platform/database/clientDb'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { PostFilter } from '../../../shared/read/postFilter'
import { listPosts, withTags } from './listPosts'

/** The best and the worst posts of a scope, of all that its filter lets through. */
export async function endsOf(
  db: ClientDb,
  scope: ResolvedScope,
  { by, rows, filter }: { by: PostFigure; rows: number; filter?: PostFilter },
): Promise<Ends> {
  const [posts, past] = await postsAndPast(db, scope, filter)
  const found = bestAndWorst(posts, past, by, rows)
  const [best, worst] = [await withTags(db, found.best), await withTags(db, found.worst)]
  return { ...found, best, worst, by, values: thinned(found.values, MOST_DOTS) }
}

/** Formats beside each other, as distributions over a figure. */
export async function formatsOf(
  db: ClientDb,
  scope: ResolvedScope,
  by: PostFigure,
  filter?: PostFilter,
): Promise<Formats> {
  const [posts, past] = await postsAndPast(db, scope, filter)
  return { by, formats: spreadByFormat(withUsual(posts, past), by, MOST_DOTS) }
}

/** The posts of a scope, and those from which the usual of their profiles is taken. */
const postsAndPast = (
  db: ClientDb,
  scope: ResolvedScope,
  filter?: PostFilter,
): Promise<[ListedPost[], ListedPost[]]> => {
  const { period } = scope
  return Promise.all([
    listPosts(db, scope, filter),
    listPosts(db, { ...scope, period: daysEnding(period.to, Math.max(USUAL_DAYS, lengthOf(period))) }),
  ])
}
