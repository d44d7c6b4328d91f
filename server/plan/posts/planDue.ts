import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** What of a client's plan waits for somebody. */
export interface PlanDue {
  failed: number
  late: number
  byHand: number
  waiting: number
}

/** What of a client's plan waits for somebody now. */
export async function planDue(db: ClientDb): Promise<PlanDue> {
  const row = await db.one<{ failed: number | null; late: number | null; waiting: number | null }>(sql`
    SELECT CAST(SUM(state = 'failed') AS DOUBLE) AS failed, CAST(SUM(state = 'late') AS DOUBLE) AS late,
           CAST(SUM(state = 'waiting') AS DOUBLE) AS waiting
    FROM   planned_post
    WHERE  client_id = ${db.client}
    AND    removed_at IS NULL`)
  const { byHand } = (await db.one<{ byHand: number }>(sql`
    SELECT COUNT(*) AS byHand
    FROM   planned_posting y
    JOIN   planned_post p ON p.client_id = y.client_id AND p.planned_id = y.planned_id
    WHERE  y.client_id = ${db.client}
    AND    y.state = 'to do'
    AND    p.removed_at IS NULL`))!
  return { failed: row!.failed ?? 0, late: row!.late ?? 0, byHand: Number(byHand), waiting: row!.waiting ?? 0 }
}

/**
 * What waits, in words; undefined where nothing does.
 *
 * @example planWords({ failed: 1, late: 0, byHand: 2, waiting: 0 })
 * // '1 post has failed. 2 posts are to be published by hand.'
 */
export function planWords({ failed, late, byHand, waiting }: PlanDue): string | undefined {
  const said = [
    sentence(failed, 'has failed', 'have failed'),
    sentence(late, 'is late and needs a decision', 'are late and need a decision'),
    sentence(byHand, 'is to be published by hand', 'are to be published by hand'),
    sentence(waiting, 'waits for approval', 'wait for approval'),
  ].filter(Boolean)
  return said.length > 0 ? said.join(' ') : undefined
}

const sentence = (many: number, one: string, more: string) =>
  many === 0 ? '' : `${many} ${many === 1 ? `post ${one}` : `posts ${more}`}.`
