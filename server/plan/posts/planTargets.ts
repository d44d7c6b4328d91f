import { networkById } from '../../../core/networks/networks'
import type { PlanTarget } from '../../../shared/plan/plannedPosts'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest } from '../../platform/problems/problem'

/** The profiles that can be posted to: the client’s own that are switched on. */
export async function planTargets(db: ClientDb): Promise<PlanTarget[]> {
  const rows = await db.rows<{ id: number; name: string; network: string; mayPublish: number }>(sql`
    SELECT    p.profile_id AS id, p.name, p.network, COALESCE(c.may_publish, 0) AS mayPublish
    FROM      profile p
    LEFT JOIN connection c ON c.client_id = p.client_id AND c.profile_id = p.profile_id
    WHERE     p.client_id = ${db.client}
    AND       p.is_rival = 0
    AND       p.is_active = 1
    ORDER BY  p.profile_id`)
  return rows.map(({ mayPublish, ...row }) => ({
    ...row,
    networkName: networkById(row.network).name,
    takesPosts: mayPublish === 1,
  }))
}

/** @throws Problem 400 when one of them is none that can be posted to */
export async function refuseForeignTargets(db: ClientDb, profiles: readonly number[]): Promise<PlanTarget[]> {
  const targets = await planTargets(db)
  const known = new Map(targets.map((target) => [target.id, target]))
  if (profiles.some((id) => !known.has(id)))
    throw badRequest('One of the profiles is not there any more, or is switched off. Choose profiles from the list.')
  return profiles.map((id) => known.get(id)!)
}
