import { addDays, type Day } from '../../../core/days/day'
import type { Period } from '../../../core/periods/period'
import { LEAST_POSTS } from '../../../core/why/carryingPosts'
import type { FieldPost } from '../../../shared/compare/field'
import { OPEN_INTERACTIONS } from '../../figures/questions/openInteractions'
import { tagNames, tagsOfPosts } from '../../figures/questions/postTags'
import type { ProfileRow } from '../../figures/questions/profileRows'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** How many of the best are told. */
const MOST_POSTS = 8
/** What is usual of a profile is the median of the posts of so many days. */
const PAST_DAYS = 364

/** The last day up to the end of a period on which profiles have posted. */
export async function lastPosts(
  db: ClientDb,
  profiles: readonly number[],
  { to }: Period,
): Promise<ReadonlyMap<number, Day>> {
  if (profiles.length === 0) return new Map()
  // one look at the end of each profile's posts: the latest of all would read every post there is
  const rows = await db.rows<{ profile: number; day: Day | null }>(sql`
    SELECT p.profile_id AS profile,
           (SELECT   o.day
            FROM     post o
            WHERE    o.client_id = p.client_id
            AND      o.profile_id = p.profile_id
            AND      o.day <= ${to}
            ORDER BY o.day DESC
            LIMIT    1) AS day
    FROM   profile p
    WHERE  p.client_id = ${db.client}
    AND    p.profile_id IN (${[...profiles]})`)
  return new Map(rows.flatMap(({ profile, day }) => (day === null ? [] : [[profile, day] as const])))
}

/** The posts of a period that brought most, beside the median post of their profile. */
export async function bestPosts(
  db: ClientDb,
  groups: readonly { id: number; profiles: readonly ProfileRow[] }[],
  { from, to }: Period,
): Promise<FieldPost[]> {
  const all = groups.flatMap(({ id: member, profiles }) => profiles.map((profile) => ({ member, profile })))
  if (all.length === 0) return []
  const best = await db.rows<{
    profile: number
    id: string
    alt: string | null
    format: string
    text: string
    publishedAt: Date
    interactions: number
  }>(sql`
    SELECT   p.profile_id AS profile, p.remote_id AS id, p.format, p.text, p.published_at AS publishedAt,
             IF(p.picture_url IS NULL, NULL, COALESCE(p.alt, '')) AS alt, ${OPEN_INTERACTIONS} AS interactions
    FROM     post p
    WHERE    p.client_id = ${db.client}
    AND      p.profile_id IN (${all.map(({ profile }) => profile.profile_id)})
    AND      p.day BETWEEN ${from} AND ${to}
    ORDER BY interactions DESC, p.published_at DESC, p.remote_id
    LIMIT    ${MOST_POSTS}`)
  if (best.length === 0) return []
  const usual = await db.rows<{ profile: number; middle: number; posts: number }>(sql`
    SELECT DISTINCT p.profile_id AS profile,
           MEDIAN(${OPEN_INTERACTIONS}) OVER (PARTITION BY p.profile_id) AS middle,
           COUNT(*) OVER (PARTITION BY p.profile_id) AS posts
    FROM   post p
    WHERE  p.client_id = ${db.client}
    AND    p.profile_id IN (${[...new Set(best.map(({ profile }) => profile))]})
    AND    p.day BETWEEN ${addDays(to, -PAST_DAYS)} AND ${to}`)
  const names = new Map((await tagNames(db)).map((tag) => [tag.id, tag]))
  const tagged = await tagsOfPosts(db, best)
  return best.map(({ profile, alt, ...post }) => {
    const own = all.find((each) => each.profile.profile_id === profile)!
    const known = usual.find((each) => each.profile === profile)
    const middle = Number(known?.middle ?? 0)
    return {
      member: own.member,
      networkName: own.profile.networkName,
      profile,
      ...post,
      ...(alt !== null && { alt }),
      tags: (tagged.get(`${profile} ${post.id}`) ?? []).flatMap((id) => names.get(id) ?? []),
      interactions: Number(post.interactions),
      ...(known && known.posts >= LEAST_POSTS && middle > 0 && { times: Number(post.interactions) / middle }),
    }
  })
}
