import { hasBit } from '../../../core/datasets/columnBits'
import { rowKey, valueColumns } from '../../../core/datasets/dataset'
import { POST_COUNTS, POSTS } from '../../../core/datasets/datasets'
import { dayAt } from '../../../core/days/lastCompleteDay'
import { broughtByFiles } from '../../figures/questions/storedRows'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import type { PostsPage } from '../connectors/connector'

/**
 * Keeps a page of posts, and what each had brought when it was looked at. What a file has said of a post stands.
 *
 * @param lookedAt  when the page was asked for, in milliseconds since 1970 UTC
 */
export async function keepPosts(
  db: ClientDb,
  profileId: number,
  { data }: Pick<PostsPage, 'data'>,
  lookedAt = now(),
): Promise<void> {
  const brought = await broughtByFiles(
    db,
    POSTS,
    data.map(({ remoteId }) => [profileId, remoteId]),
  )
  const columns = valueColumns(POSTS)
  await db.insertRows(
    'post',
    ['profile_id', 'remote_id', ...columns],
    data.map((post) => {
      const given: Record<string, unknown> = {
        ...post,
        published_at: new Date(post.publishedAt),
        // the client's day, whatever day it was where the network counts
        day: dayAt(Date.parse(post.publishedAt), db.timeZone),
        picture_url: post.picture?.slice(0, 500),
        alt: post.alt?.slice(0, 1000),
      }
      const before = brought.get(rowKey([profileId, post.remoteId]))
      return [
        profileId,
        post.remoteId,
        ...columns.map((column) =>
          before && hasBit(POSTS, before.imported, column) ? before[column] : (given[column] ?? null),
        ),
      ]
    }),
    ['day', 'text', 'picture_url', 'alt', ...POST_COUNTS],
  )
  await db.insertRows(
    'post_observation',
    ['profile_id', 'remote_id', 'observed_at', ...POST_COUNTS],
    data.map((post) => [
      profileId,
      post.remoteId,
      new Date(lookedAt),
      ...POST_COUNTS.map((figure) => post[figure] ?? null),
    ]),
    [...POST_COUNTS],
  )
}
