import { zonedTime } from '../../../core/plan/zonedInstant'
import { MOST_REFILL_POSTS, MOST_REFILLS, type Refill, type RefillInput } from '../../../shared/plan/refills'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest, notFound } from '../../platform/problems/problem'
import type { Writer } from '../posts/plannedPosts'
import { plannedById } from '../posts/plannedRows'
import { fillSlots, turnsOf } from './fillSlots'
import { refillRows, slotsOfRefills, type RefillRow } from './refillRows'

/** Every list of a client, with its posts and what its coming slots have. */
export async function refills(db: ClientDb): Promise<Refill[]> {
  const lists = await refillRows(db)
  if (lists.length === 0) return []
  const slots = await slotsOfRefills(
    db,
    lists.map(({ id }) => id),
  )
  return await Promise.all(
    lists.map(async (list) => ({
      id: list.id,
      name: list.name,
      daysApart: list.daysApart,
      endsOn: list.endsOn ?? '',
      isOn: list.isOn === 1,
      goesOut: list.goesOut === 1,
      slots: slots.filter(({ refill }) => refill === list.id).map(({ weekday, minutes }) => ({ weekday, minutes })),
      posts: await postsOf(db, list.id),
      coming: await comingOf(db, list),
    })),
  )
}

const wordsOf = (content: string): string => {
  const { heading, text } = JSON.parse(content) as { heading: string; text: string }
  return (heading || text).slice(0, 120)
}

async function postsOf(db: ClientDb, list: number): Promise<Refill['posts']> {
  const rows = await db.rows<{ id: number; content: string; own: Date | null; usedAt: Date | null }>(sql`
    SELECT   l.planned_id AS id, s.content, s.planned_at AS own, MAX(p.planned_at) AS usedAt
    FROM     plan_refill_post l
    JOIN     planned_post s ON s.client_id = l.client_id AND s.planned_id = l.planned_id
    LEFT JOIN plan_refill_turn t ON t.client_id = l.client_id AND t.source_id = l.planned_id
    LEFT JOIN planned_post p ON p.client_id = t.client_id AND p.planned_id = t.planned_id AND p.removed_at IS NULL
    WHERE    l.client_id = ${db.client}
    AND      l.refill_id = ${list}
    AND      s.removed_at IS NULL
    GROUP BY l.planned_id, s.content, s.planned_at, l.place
    ORDER BY l.place, l.planned_id`)
  return rows.map(({ id, content, own, usedAt }) => {
    const last = Math.max(own?.getTime() ?? 0, usedAt?.getTime() ?? 0)
    return { id, text: wordsOf(content), usedAt: last ? zonedTime(last, db.timeZone) : '' }
  })
}

/** What the slots to come have, and those for which no post has rested long enough. */
async function comingOf(db: ClientDb, list: RefillRow): Promise<Refill['coming']> {
  const [filled, turns] = await Promise.all([
    db.rows<{ at: Date; planned: number; content: string; removedAt: Date | null }>(sql`
      SELECT   t.slot_at AS at, t.planned_id AS planned, p.content, p.removed_at AS removedAt
      FROM     plan_refill_turn t
      JOIN     planned_post p ON p.client_id = t.client_id AND p.planned_id = t.planned_id
      WHERE    t.client_id = ${db.client}
      AND      t.refill_id = ${list.id}
      AND      t.slot_at >= ${new Date(now())}
      ORDER BY t.slot_at`),
    turnsOf(db, list),
  ])
  return [
    ...filled
      .filter(({ removedAt }) => removedAt === null)
      .map(({ at, planned, content }) => ({
        at: zonedTime(at.getTime(), db.timeZone),
        planned,
        text: wordsOf(content),
      })),
    ...turns.map(({ at }) => ({ at, text: '' })),
  ].sort((a, b) => a.at.localeCompare(b.at))
}

/** Keeps what a list fills. */
async function keepSlots(db: ClientDb, id: number, { slots }: RefillInput): Promise<void> {
  await db.run(sql`DELETE FROM plan_refill_slot WHERE client_id = ${db.client} AND refill_id = ${id}`)
  await db.insertRows(
    'plan_refill_slot',
    ['refill_id', 'weekday', 'minutes'],
    slots.map(({ weekday, minutes }) => [id, weekday, minutes]),
  )
}

/** Makes a list. @throws Problem 400 when there are too many */
export async function addRefill(db: ClientDb, input: RefillInput, writer: Writer): Promise<number> {
  return await db.transaction(async (inside) => {
    if ((await refillRows(inside)).length >= MOST_REFILLS)
      throw badRequest(`A client has ${MOST_REFILLS} of these lists at the most.`)
    const { insertId } = await inside.run(sql`
      INSERT INTO plan_refill (client_id, name, days_apart, ends_on, is_on, goes_out, written_by, written_name)
      VALUES (${db.client}, ${input.name}, ${input.daysApart}, ${input.endsOn || null}, ${input.isOn}, ${input.goesOut},
              ${writer.id}, ${writer.name})`)
    await keepSlots(inside, insertId, input)
    return insertId
  })
}

/** Changes a list, and fills what it fills now; what it has filled before stays. @throws Problem 404 */
export async function changeRefill(db: ClientDb, id: number, input: RefillInput, writer: Writer): Promise<void> {
  await db.transaction(async (inside) => {
    await refuseUnknown(inside, id)
    await inside.run(sql`
      UPDATE plan_refill
      SET    name = ${input.name}, days_apart = ${input.daysApart}, ends_on = ${input.endsOn || null},
             is_on = ${input.isOn}, goes_out = ${input.goesOut}, written_by = ${writer.id}, written_name = ${writer.name}
      WHERE  client_id = ${db.client}
      AND    refill_id = ${id}`)
    await keepSlots(inside, id, input)
  })
  await fillSlots(db, id)
}

async function refuseUnknown(db: ClientDb, id: number): Promise<void> {
  if ((await refillRows(db, id)).length === 0) throw notFound('list')
}

/** Takes a list away, or brings it back; what it has filled stays. @throws Problem 404 */
export async function removeRefill(db: ClientDb, id: number, isRemoved: boolean): Promise<void> {
  const known = sql`client_id = ${db.client} AND refill_id = ${id}`
  if (!(await db.one(sql`SELECT refill_id FROM plan_refill WHERE ${known}`))) throw notFound('list')
  await db.run(sql`UPDATE plan_refill SET removed_at = IF(${isRemoved}, NOW(), NULL) WHERE ${known}`)
}

/** Puts a post into a list, at its end, or takes it out. @throws Problem 404, 400 when there are too many */
export async function putIntoRefill(db: ClientDb, id: number, post: number, isIn: boolean): Promise<void> {
  await db.transaction(async (inside) => {
    await refuseUnknown(inside, id)
    await plannedById(inside, post)
    if (!isIn) {
      await inside.run(sql`
        DELETE FROM plan_refill_post
        WHERE  client_id = ${db.client}
        AND    refill_id = ${id}
        AND    planned_id = ${post}`)
      return
    }
    const { many, last } = (await inside.one<{ many: number; last: number }>(sql`
      SELECT COUNT(*) AS many, COALESCE(MAX(place), 0) AS last
      FROM   plan_refill_post
      WHERE  client_id = ${db.client}
      AND    refill_id = ${id}`))!
    if (Number(many) >= MOST_REFILL_POSTS) throw badRequest(`A list has ${MOST_REFILL_POSTS} posts at the most.`)
    await inside.insertRows(
      'plan_refill_post',
      ['refill_id', 'planned_id', 'place'],
      [[id, post, Number(last) + 1]],
      ['refill_id'],
    )
  })
  if (isIn) await fillSlots(db, id)
}
