import type { PlanSettings } from '../../../shared/plan/plannedPosts'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** How posts of a client are planned. */
export async function planSettings(db: ClientDb): Promise<PlanSettings> {
  const row = await db.one<{ needsApproval: number; lateMinutes: number }>(sql`
    SELECT needs_approval AS needsApproval, late_minutes AS lateMinutes FROM client WHERE client_id = ${db.client}`)
  return { needsApproval: row!.needsApproval === 1, lateMinutes: row!.lateMinutes }
}

/** Changes how posts of a client are planned. */
export async function setPlanSettings(db: ClientDb, { needsApproval, lateMinutes }: PlanSettings): Promise<void> {
  await db.run(sql`
    UPDATE client
    SET    needs_approval = ${needsApproval}, late_minutes = ${lateMinutes}
    WHERE  client_id = ${db.client}`)
}
