import { POST_COUNTS } from '../../../core/datasets/datasets'
import { dayAt } from '../../../core/days/lastCompleteDay'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import type { PostsPage } from '../connectors/connector'

/**
 * Keeps a page of posts, and what each had brought when it was looked at.
 *
 * @param lookedAt  when the page was asked for, in milliseconds since 1970 UTC
 */
export async function keepPosts(
  db: ClientDb,
  profileId: number,
  { data }: Pick<PostsPage, 'data'>,
  lookedAt = now(),
): Promise<void> {
  await db.insertRows(
    'post',
    ['profile_id', 'remote_id', 'published_at', 'day', 'format', 'text', 'picture_url', 'alt', ...POST_COUNTS],
    data.map((post) => [
      // the client's day, whatever day it was where the network counts
      profileId,
      post.remoteId,
      new Date(post.publishedAt),
      dayAt(Date.parse(post.publishedAt), db.timeZone),
      post.format,
      post.text,
      post.picture?.slice(0, 500) ?? null,
      post.alt?.slice(0, 1000) ?? null,
      ...POST_COUNTS.map((figure) => post[figure] ?? null),
    ]),
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
