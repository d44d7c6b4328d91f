import { formatSeparation } from '../../../core/field/separation'
import type { Period } from '../../../core/periods/period'
import type { FieldMember } from '../../../shared/compare/field'
import { ANY_OPEN, OPEN_INTERACTIONS } from '../../figures/questions/openInteractions'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import type { Group } from './groups'

/**
 * What parts each rival from the client per post, by formats. A format is one of its network: a photo here and one
 * there are not alike.
 */
export async function fieldFormats(
  db: ClientDb,
  groups: readonly Group[],
  { from, to }: Period,
): Promise<Pick<FieldMember, 'formats'>[]> {
  const profiles = groups.flatMap((group) => group.profiles)
  const ownIndex = groups.findIndex(({ isOwn }) => isOwn)
  if (profiles.length === 0 || ownIndex < 0) return groups.map(() => ({}))
  const rows = await db.rows<{ profile: number; format: string; posts: number; interactions: number }>(sql`
    SELECT   p.profile_id AS profile, p.format, COUNT(*) AS posts,
             CAST(SUM(${OPEN_INTERACTIONS}) AS DOUBLE) AS interactions
    FROM     post p
    WHERE    p.client_id = ${db.client}
    AND      p.profile_id IN (${profiles.map(({ profile_id: id }) => id)})
    AND      p.day BETWEEN ${from} AND ${to}
    AND      ${ANY_OPEN} IS NOT NULL
    GROUP BY p.profile_id, p.format`)
  const networks = new Map(profiles.map(({ profile_id: id, networkName }) => [id, networkName]))
  const isOfSeveral = new Set(networks.values()).size > 1
  const outputs = groups.map((group) => {
    const ids = new Set(group.profiles.map(({ profile_id: id }) => id))
    return rows
      .filter(({ profile }) => ids.has(profile))
      .map(({ profile, format, posts, interactions }) => ({
        format: isOfSeveral ? `${format} on ${networks.get(profile)!}` : format,
        posts,
        interactions,
      }))
  })
  return groups.map(({ isOwn }, index) => {
    const formats = isOwn ? undefined : formatSeparation(outputs[ownIndex]!, outputs[index]!)
    return formats ? { formats } : {}
  })
}
