import { interactionsOf, postFigureById, postValue, rateOf } from '../../../core/posts/postFigures'
import { postsIn, type PostRow } from '../../figures/questions/posts'
import { tagsOfPosts } from '../../figures/questions/postTags'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { ClientDb } from '../../platform/database/clientDb'
import type { ListedPost } from '../../../shared/read/content'
import { postFilterOf, type PostFilter } from '../../../shared/read/postFilter'

/** What a filter asks of posts, for the database. */
export const wantedBy = ({ format, words, tags, paid, published }: PostFilter) => ({
  ...words,
  ...(format && { formats: [format] }),
  ...(tags && { tags }),
  ...(paid && { paid }),
  ...(published && { published }),
})

/** The posts of a scope with their figures, the newest first. */
export async function listPosts(
  db: ClientDb,
  scope: ResolvedScope,
  filter: PostFilter = postFilterOf({}),
): Promise<ListedPost[]> {
  const rows = await postsIn(
    db,
    scope.profiles.map(({ profile_id: profile }) => profile),
    scope.period,
    wantedBy(filter),
  )
  return rows.map((row) => listedPost(scope, row))
}

/** Posts with their tags. */
export async function withTags<P extends { profile: number; id: string }>(
  db: ClientDb,
  posts: readonly P[],
): Promise<(P & { tags: number[] })[]> {
  const tags = await tagsOfPosts(db, posts)
  return posts.map((post) => ({ ...post, tags: tags.get(`${post.profile} ${post.id}`) ?? [] }))
}

/**
 * A post as the list shows it.
 *
 * @param columns  which figures are shown of it beside impressions, interactions and their rate
 */
export function listedPost(
  { allProfiles }: Pick<ResolvedScope, 'allProfiles'>,
  row: PostRow,
  columns: readonly string[] = [],
): ListedPost {
  const { name, networkName } = allProfiles.find(({ profile_id: id }) => id === row.profile_id)!
  const figures = columns.flatMap((column) => {
    const value = column === 'times' ? undefined : postValue(row, postFigureById(column))
    return value ? [[column, value] as const] : []
  })
  return {
    id: row.remote_id,
    profile: row.profile_id,
    name,
    networkName,
    publishedAt: row.published_at,
    format: row.format,
    text: row.text,
    impressions: row.impressions,
    interactions: interactionsOf(row),
    rate: rateOf(row),
    ...(columns.length > 0 && { figures: Object.fromEntries(figures) }),
    ...(row.picture_url !== null && { hasPicture: true, alt: row.alt ?? '' }),
  }
}
