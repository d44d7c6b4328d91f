import { randomUUID } from 'node:crypto'
import { addDays } from '../../../core/days/day'
import { refillTurns, type RefillPost, type RefillTurn } from '../../../core/plan/refillTurns'
import { zonedInstant, zonedTime } from '../../../core/plan/zonedInstant'
import { REFILL_DAYS } from '../../../shared/plan/refills'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { problemsOf } from '../posts/planChecks'
import { writeAgain } from '../posts/plannedPosts'
import { plannedById, postingsOf, type PlannedRow } from '../posts/plannedRows'
import { isApproved, say } from '../posts/plannedStates'
import { planSettings } from '../posts/planSettings'
import { refillRows, slotsOfRefills, type RefillRow } from './refillRows'

/** What a list gives to the slots of the coming days that are still free. */
export async function turnsOf(db: ClientDb, list: RefillRow): Promise<RefillTurn[]> {
  if (!list.isOn) return []
  const at = now()
  const [slots, posts, taken, filled] = await Promise.all([
    slotsOfRefills(db, [list.id]),
    postsToUse(db, list.id),
    db.rows<{ at: Date }>(sql`
      SELECT planned_at AS at
      FROM   planned_post
      WHERE  client_id = ${db.client}
      AND    removed_at IS NULL
      AND    planned_at >= ${new Date(at - 86_400_000)}`),
    db.rows<{ at: Date }>(sql`
      SELECT slot_at AS at
      FROM   plan_refill_turn
      WHERE  client_id = ${db.client}
      AND    refill_id = ${list.id}
      AND    slot_at >= ${new Date(at)}`),
  ])
  const last = addDays(zonedTime(at, db.timeZone).slice(0, 10), REFILL_DAYS)
  return refillTurns(posts, slots, {
    zone: db.timeZone,
    now: at,
    until: list.endsOn && list.endsOn < last ? list.endsOn : last,
    taken: taken.map((row) => row.at.getTime()),
    filled: filled.map((row) => row.at.getTime()),
    daysApart: list.daysApart,
  })
}

/** The posts of a list that are still there, with when each is used: its own time, and that of what was written of it. */
async function postsToUse(db: ClientDb, list: number): Promise<RefillPost[]> {
  const [posts, uses] = await Promise.all([
    db.rows<{ id: number; at: Date | null }>(sql`
      SELECT   l.planned_id AS id, p.planned_at AS at
      FROM     plan_refill_post l
      JOIN     planned_post p ON p.client_id = l.client_id AND p.planned_id = l.planned_id
      WHERE    l.client_id = ${db.client}
      AND      l.refill_id = ${list}
      AND      p.removed_at IS NULL
      ORDER BY l.place, l.planned_id`),
    usesOf(db, list),
  ])
  return posts.map(({ id, at }) => ({
    id,
    used: [...(at ? [at.getTime()] : []), ...uses.filter(({ source }) => source === id).map((use) => use.at.getTime())],
  }))
}

/** Of each post of a list: the last time that it was used, and every time at which it will be, by whichever list. */
const usesOf = (db: ClientDb, list: number): Promise<{ source: number; at: Date }[]> =>
  db.rows<{ source: number; at: Date }>(sql`
    SELECT   t.source_id AS source, MAX(p.planned_at) AS at
    FROM     plan_refill_post l
    JOIN     plan_refill_turn t ON t.client_id = l.client_id AND t.source_id = l.planned_id
    JOIN     planned_post p ON p.client_id = t.client_id AND p.planned_id = t.planned_id
    WHERE    l.client_id = ${db.client}
    AND      l.refill_id = ${list}
    AND      p.removed_at IS NULL
    AND      p.planned_at IS NOT NULL
    GROUP BY t.source_id, IF(p.planned_at > ${new Date(now())}, p.planned_id, 0)`)

/**
 * Fills the slots of the coming days, each once, whoever else fills at the same moment.
 *
 * @returns how many posts were written
 */
export async function fillSlots(db: ClientDb, id: number): Promise<number> {
  return await db.transaction(async (inside) => {
    await inside.one(sql`SELECT client_id FROM client WHERE client_id = ${inside.client} FOR UPDATE`)
    const [list] = await refillRows(inside, id)
    if (!list) return 0
    const turns = (await turnsOf(inside, list)).filter(({ post }) => post !== undefined)
    for (const { at, post } of turns) await fill(inside, list, zonedInstant(at, db.timeZone), post!)
    return turns.length
  })
}

/** Writes a post of a list for one slot. What was approved goes out as it was approved; all else waits for somebody. */
async function fill(db: ClientDb, list: RefillRow, at: number, source: number): Promise<void> {
  const post = await plannedById(db, source)
  const writer = { id: list.writtenBy, name: list.writtenName }
  const [planned] = await writeAgain(db, post, [at], writer, await nextTurn(db, source))
  await db.run(sql`
    INSERT INTO plan_refill_turn (client_id, refill_id, slot_at, source_id, planned_id)
    VALUES (${db.client}, ${list.id}, ${new Date(at)}, ${source}, ${planned!})`)
  if (list.goesOut) await sendOn(db, post, planned!, list.name)
}

/** What was written of a post before is one series with what comes, so that each of its variations has its turn. */
async function nextTurn(db: ClientDb, source: number): Promise<{ key: string; turn: number }> {
  const last = await db.one<{ key: string; turn: number }>(sql`
    SELECT   p.series_key AS \`key\`, p.turn
    FROM     plan_refill_turn t
    JOIN     planned_post p ON p.client_id = t.client_id AND p.planned_id = t.planned_id
    WHERE    t.client_id = ${db.client}
    AND      t.source_id = ${source}
    AND      p.series_key IS NOT NULL
    ORDER BY p.turn DESC
    LIMIT    1`)
  return last ? { key: last.key, turn: last.turn + 1 } : { key: randomUUID(), turn: 0 }
}

async function sendOn(db: ClientDb, source: PlannedRow, id: number, list: string): Promise<void> {
  const written = await plannedById(db, id)
  const [postings, { needsApproval }] = await Promise.all([postingsOf(db, [id]), planSettings(db)])
  const [trouble] = (await problemsOf(db, written, postings)).flatMap(({ found }) => found)
  if (trouble) return await say(db, written, list, '', `It stays a draft. ${trouble.sentence}`)
  const wasApproved = isApproved(source)
  const state = needsApproval && !wasApproved ? 'waiting' : 'scheduled'
  await db.run(sql`
    UPDATE planned_post
    SET    state = ${state}, approved_name = ${wasApproved ? source.approvedName : ''},
           approved_version = ${wasApproved ? written.version : null}
    WHERE  client_id = ${db.client}
    AND    planned_id = ${id}`)
  await say(db, written, list, state)
}
