import { daysEnding, lengthOf } from '../../../core/periods/period'
import { bestAndWorst, type PostFigure } from '../../../core/posts/bestAndWorst'
import { MOST_DOTS, type Ends } from '../../../shared/read/endsBlock'
import type { ClientDb } from '../../platform/database/clientDb'
import type { ResolvedScope } from '../../figures/resolveScope'
import { listPosts } from './listPosts'

/** From how many days at the least a profile's usual is taken, up to the end of the period. */
const USUAL_DAYS = 90

/** The best and the worst posts of a scope, of one format or of all. */
export async function endsOf(
  db: ClientDb,
  scope: ResolvedScope,
  { by, rows, format }: { by: PostFigure; rows: number; format?: string },
): Promise<Ends> {
  const { period } = scope
  const [posts, past] = await Promise.all([
    listPosts(db, scope),
    listPosts(db, { ...scope, period: daysEnding(period.to, Math.max(USUAL_DAYS, lengthOf(period))) }),
  ])
  const found = bestAndWorst(
    posts.filter((post) => !format || post.format === format),
    past,
    by,
    rows,
  )
  return { ...found, by, values: thinned(found.values) }
}

/** Values in their order, evenly thinned to as many as there is room for; the first and the last stay. */
function thinned(values: readonly number[]): number[] {
  if (values.length <= MOST_DOTS) return [...values]
  return Array.from(
    { length: MOST_DOTS },
    (_, index) => values[Math.round((index * (values.length - 1)) / (MOST_DOTS - 1))]!,
  )
}
