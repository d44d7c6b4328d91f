import { daysEnding, lengthOf } from '../../../core/periods/period'
import { bestAndWorst, USUAL_DAYS, type PostFigure, type RankablePost } from '../../../core/posts/bestAndWorst'
import { postFigureById } from '../../../core/posts/postFigures'
import { spreadByFormat } from '../../../core/posts/spreadByFormat'
import { thinned } from '../../../core/posts/thinned'
import { MOST_DOTS, type Ends } from '../../../shared/read/endsBlock'
import type { Formats } from '../../../shared/read/formatsBlock'
import type { ClientDb } from '../../platform/database/clientDb'
import type { ResolvedScope } from '../../figures/resolveScope'
import { postFilterOf, type PostFilter } from '../../../shared/read/postFilter'
import { rankableIn } from '../../figures/questions/posts'
import { timesOf, usualOfProfiles, valueOf } from '../../figures/questions/postValues'
import { wherePosts } from '../../figures/questions/wherePosts'
import { raw, sql } from '../../platform/database/sql'
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
  const value = by === 'times' ? timesOf(await usualOfProfiles(db, scope)) : valueOf(postFigureById(by))
  const posts = await db.rows<{ format: string; value: number | null }>(sql`
    SELECT p.format, ${raw(value)} AS value
    FROM   post p
    WHERE  p.client_id = ${db.client}
    AND    ${wherePosts({ ...wantedBy(filter), ...scope.period, profiles: idsOf(scope) })}`)
  return { by, formats: spreadByFormat(posts, MOST_DOTS) }
}

const idsOf = ({ profiles }: ResolvedScope): number[] => profiles.map(({ profile_id: profile }) => profile)

/** The posts from which the usual of their profiles is taken. */
const pastOf = (db: ClientDb, scope: ResolvedScope): Promise<RankablePost[]> =>
  rankableIn(db, idsOf(scope), daysEnding(scope.period.to, Math.max(USUAL_DAYS, lengthOf(scope.period))))
