import { daysEnding, lengthOf } from '../../../core/periods/period'
import {
  bestAndWorst,
  USUAL_DAYS,
  withUsual,
  type PostFigure,
  type RankablePost,
} from '../../../core/posts/bestAndWorst'
import { spreadByFormat } from '../../../core/posts/spreadByFormat'
import { thinned } from '../../../core/posts/thinned'
import { MOST_DOTS, type Ends } from '../../../shared/read/endsBlock'
import type { Formats } from '../../../shared/read/formatsBlock'
import type { ClientDb } from '../../platform/database/clientDb'
import type { ResolvedScope } from '../../figures/resolveScope'
import { postFilterOf, type PostFilter } from '../../../shared/read/postFilter'
import { rankableIn } from '../../figures/questions/posts'
import { listPosts, wantedBy, withTags } from './listPosts'

/** The best and the worst posts of a scope, of all that its filter lets through. */
export async function endsOf(
  db: ClientDb,
  scope: ResolvedScope,
  { by, rows, filter }: { by: PostFigure; rows: number; filter?: PostFilter },
): Promise<Ends> {
  const [posts, past] = await Promise.all([listPosts(db, scope, filter), pastOf(db, scope)])
  const found = bestAndWorst(posts, past, by, rows)
  const [best, worst] = [await withTags(db, found.best), await withTags(db, found.worst)]
  return { ...found, best, worst, by, values: thinned(found.values, MOST_DOTS) }
}

/** Formats beside each other, as distributions over a figure. */
export async function formatsOf(
  db: ClientDb,
  scope: ResolvedScope,
  by: PostFigure,
  filter: PostFilter = postFilterOf({}),
): Promise<Formats> {
  const posts = await rankableIn(db, idsOf(scope), scope.period, wantedBy(filter), by === 'rate')
  const shown = by === 'times' ? withUsual(posts, await pastOf(db, scope)) : posts
  return { by, formats: spreadByFormat(shown, by, MOST_DOTS) }
}

const idsOf = ({ profiles }: ResolvedScope): number[] => profiles.map(({ profile_id: profile }) => profile)

/** The posts from which the usual of their profiles is taken. */
const pastOf = (db: ClientDb, scope: ResolvedScope): Promise<RankablePost[]> =>
  rankableIn(db, idsOf(scope), daysEnding(scope.period.to, Math.max(USUAL_DAYS, lengthOf(scope.period))))
