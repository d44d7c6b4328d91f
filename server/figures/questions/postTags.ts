import type { Period } from '../../../core/periods/period'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** A tag as posts show it. */
export interface TagName {
  id: number
  name: string
  colour: number
}

/** The tags of a client by name. */
export const tagNames = (db: ClientDb): Promise<TagName[]> =>
  db.rows<TagName>(sql`
    SELECT   tag_id AS id, name, colour
    FROM     tag
    WHERE    client_id = ${db.client}
    AND      removed_at IS NULL
    ORDER BY name`)

/** Which tags posts have, each once, by `<profile> <id of the post>`. */
export async function tagsOfPosts(
  db: ClientDb,
  posts: readonly { profile: number; id: string }[],
): Promise<ReadonlyMap<string, number[]>> {
  if (posts.length === 0) return new Map()
  const rows = await db.rows<PostTag>(sql`
    SELECT   DISTINCT t.profile_id AS profile, t.remote_id AS id, t.tag_id AS tag
    FROM     post_tag t
    JOIN     tag g ON g.client_id = t.client_id AND g.tag_id = t.tag_id AND g.removed_at IS NULL
    WHERE    t.client_id = ${db.client}
    AND      (t.profile_id, t.remote_id) IN (${posts.map(({ profile, id }) => [profile, id])})
    ORDER BY t.profile_id, t.remote_id, g.name`)
  return byPost(rows)
}

/** Which tags the posts of profiles in a period have, by `<profile> <id of the post>`. */
export async function tagsIn(
  db: ClientDb,
  profiles: readonly number[],
  { from, to }: Period,
): Promise<ReadonlyMap<string, number[]>> {
  return byPost(
    await db.rows<PostTag>(sql`
      SELECT   DISTINCT t.profile_id AS profile, t.remote_id AS id, t.tag_id AS tag
      FROM     post_tag t
      JOIN     tag g ON g.client_id = t.client_id AND g.tag_id = t.tag_id AND g.removed_at IS NULL
      JOIN     post p ON p.client_id = t.client_id AND p.profile_id = t.profile_id AND p.remote_id = t.remote_id
      WHERE    t.client_id = ${db.client}
      AND      t.profile_id IN (${[...profiles]})
      AND      p.day BETWEEN ${from} AND ${to}
      ORDER BY t.profile_id, t.remote_id, g.name`),
  )
}

interface PostTag {
  profile: number
  id: string
  tag: number
}

function byPost(rows: readonly PostTag[]): ReadonlyMap<string, number[]> {
  const found = new Map<string, number[]>()
  for (const { profile, id, tag } of rows) {
    const key = `${profile} ${id}`
    const own = found.get(key)
    if (own) own.push(tag)
    else found.set(key, [tag])
  }
  return found
}
