import { daysEnding, lengthOf } from '../../../core/periods/period'
import { USUAL_DAYS, withUsual } from '../../../core/posts/bestAndWorst'
import { occasionOf } from '../../../core/tags/occasions'
import { totalsOf } from '../../../core/tags/tagTotals'
import { addDays, type Day } from '../../../core/days/day'
import type { ByTag } from '../../../shared/read/byTagBlock'
import type { Occasions } from '../../../shared/read/occasionsBlock'
import { tagNames, tagsIn } from '../../figures/questions/postTags'
import { postsIn, rankableIn, type PostRow } from '../../figures/questions/posts'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { ClientDb } from '../../platform/database/clientDb'
import { interactionsOf } from '../../../core/posts/postFigures'

const idsOf = ({ profiles }: ResolvedScope) => profiles.map(({ profile_id: profile }) => profile)
const rankable = (row: PostRow) => ({
  id: row.remote_id,
  profile: row.profile_id,
  day: row.day,
  impressions: row.impressions,
  interactions: interactionsOf(row),
  rate: null,
})

/** The posts of a scope by their tags. A post with several counts for each of them. */
export async function byTag(db: ClientDb, scope: ResolvedScope): Promise<ByTag> {
  const { period } = scope
  const names = await tagNames(db)
  const rows = await rankableIn(db, idsOf(scope), period)
  const past = await rankableIn(db, idsOf(scope), daysEnding(period.to, Math.max(USUAL_DAYS, lengthOf(period))))
  const tags = await tagsIn(db, idsOf(scope), period)
  const posts = withUsual(rows, past)
  const byTags = new Map<number | undefined, typeof posts>()
  for (const post of posts)
    for (const tag of tags.get(`${post.profile} ${post.id}`) ?? [undefined]) {
      const own = byTags.get(tag)
      if (own) own.push(post)
      else byTags.set(tag, [post])
    }
  const tagged = names.flatMap(({ id, name, colour }) => {
    const own = byTags.get(id)
    return own ? [{ tag: id, name, colour, ...totalsOf(own) }] : []
  })
  return {
    rows: [
      ...tagged.sort((a, b) => b.posts - a.posts || (a.name < b.name ? -1 : 1)),
      { name: 'Without a tag', ...totalsOf(byTags.get(undefined) ?? []) },
    ],
    all: totalsOf(posts),
  }
}

/** What is asked of occasions. */
export interface AskedOccasions {
  tag?: number
  days: readonly Day[]
  before: number
  after: number
}

/** The same occasion in several years, or several occasions: the posts with a tag around each of some days. */
export async function occasionsOf(
  db: ClientDb,
  scope: ResolvedScope,
  { tag, days, before, after }: AskedOccasions,
): Promise<Occasions> {
  const named = (await tagNames(db)).find(({ id }) => id === tag)
  if (!named) return { before, after, occasions: [] }
  const occasions = []
  for (const on of [...new Set(days)].sort()) {
    const rows = await postsIn(
      db,
      idsOf(scope),
      { from: addDays(on, -before), to: addDays(on, after) },
      { any: [], all: [], none: [], tags: [named.id] },
    )
    occasions.push(occasionOf(rows.map(rankable), on, { before, after, last: scope.lastComplete }))
  }
  return { tag: named, before, after, occasions }
}
