import { wilson } from '../../../core/statistics/wilson'
import type { ClientDb } from '../../platform/database/clientDb'
import { postsIn, type PostRow } from '../../figures/questions/posts'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { ListedPost } from '../../../shared/read/content'

/** The posts of a scope with their figures. */
export async function listPosts(db: ClientDb, scope: ResolvedScope): Promise<ListedPost[]> {
  const rows = await postsIn(
    db,
    scope.profiles.map(({ profile_id: profile }) => profile),
    scope.period,
  )
  return rows.map((row) => listedPost(scope, row))
}

/** A post as the list shows it. */
export function listedPost(scope: ResolvedScope, row: PostRow): ListedPost {
  const { name, networkName } = scope.allProfiles.find(({ profile_id: id }) => id === row.profile_id)!
  const parts = [row.reactions, row.comments, row.shares, row.saves].filter((part) => part !== null)
  const interactions = parts.length > 0 ? parts.reduce((sum, part) => sum + part, 0) : null
  const { impressions } = row
  const isProportion = interactions !== null && impressions !== null && impressions > 0 && interactions <= impressions
  return {
    id: row.remote_id,
    profile: row.profile_id,
    name,
    networkName,
    publishedAt: row.published_at,
    format: row.format,
    text: row.text,
    impressions,
    interactions,
    rate: isProportion ? { value: interactions / impressions, ...wilson(interactions, impressions) } : null,
  }
}
