import { freeSlots, type WeeklySlot } from '../../../core/plan/freeSlots'
import { zonedInstant, zonedTime } from '../../../core/plan/zonedInstant'
import type { PlaceMany, PlacedMany, WeeklySlots } from '../../../shared/plan/weeklySlots'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest } from '../../platform/problems/problem'
import { moveTo } from './plannedPosts'
import { heldById, plannedById } from './plannedRows'
import { suggestedSlots } from './usualTimes'

/** How many free slots are told. */
const MOST_FREE = 5
/** Between a post and the next free slot for another lie so many hours. */
const USUAL_APART = 1

/** The client’s slots of a week, in the order of the week. */
export const slotsOfWeek = (db: ClientDb): Promise<WeeklySlot[]> =>
  db.rows<WeeklySlot>(sql`
    SELECT   weekday, minutes
    FROM     plan_slot
    WHERE    client_id = ${db.client}
    ORDER BY weekday, minutes`)

/** The client’s slots of a week, with those that are free next. */
export async function weeklySlots(db: ClientDb): Promise<WeeklySlots> {
  const slots = await slotsOfWeek(db)
  const asked = { zone: db.timeZone, now: now(), taken: await takenTimes(db, []), apart: USUAL_APART, most: MOST_FREE }
  return { slots, free: freeSlots(slots, asked) }
}

/** Says at which times of the week posts go out. */
export const setWeeklySlots = (db: ClientDb, slots: readonly WeeklySlot[]): Promise<void> =>
  db.transaction(async (inside) => {
    await inside.run(sql`DELETE FROM plan_slot WHERE client_id = ${inside.client}`)
    await inside.insertRows(
      'plan_slot',
      ['weekday', 'minutes'],
      slots.map(({ weekday, minutes }) => [weekday, minutes]),
    )
  })

/** When posts are planned from now on, beside some. */
async function takenTimes(db: ClientDb, beside: readonly number[]): Promise<number[]> {
  const rows = await db.rows<{ at: Date }>(sql`
    SELECT planned_at AS at
    FROM   planned_post
    WHERE  client_id = ${db.client}
    AND    removed_at IS NULL
    AND    planned_at >= ${new Date(now() - 14 * 86_400_000)}
    AND    planned_id NOT IN (${[0, ...beside]})`)
  return rows.map(({ at }) => at.getTime())
}

/**
 * Puts posts on the next free slots, in the order in which they are given; those beyond the last slot of a year are
 * left as they are.
 *
 * @throws Problem 400 when there is no slot to be had at all, 404, 409 when one of them is out
 */
export async function placeMany(db: ClientDb, { ids, by, apart, isTaken }: PlaceMany): Promise<PlacedMany> {
  const slots = by === 'own' ? await slotsOfWeek(db) : await suggestedSlots(db)
  if (slots.length === 0)
    throw badRequest(
      by === 'own'
        ? 'There is no weekly slot yet. Say in the settings of the calendar when posts go out.'
        : 'No slot stands out for this client, so that none is suggested.',
    )
  const wanted = [...new Set(ids)]
  return await db.transaction(async (inside) => {
    // two who place at once wait for each other, so that they do not take the same slots
    if (isTaken) {
      await inside.one(sql`SELECT client_id FROM client WHERE client_id = ${inside.client} FOR UPDATE`)
      for (const id of [...wanted].sort((a, b) => a - b)) await heldById(inside, id)
    }
    const posts = []
    for (const id of wanted) posts.push(await plannedById(inside, id))
    const free = freeSlots(slots, {
      zone: db.timeZone,
      now: now(),
      taken: await takenTimes(inside, wanted),
      apart,
      most: posts.length,
    })
    const told = posts.map(({ id, content, plannedAt }) => ({
      id,
      text: (content.heading || content.text).slice(0, 120),
      before: plannedAt ? zonedTime(plannedAt.getTime(), db.timeZone) : '',
    }))
    if (isTaken)
      for (const [index, at] of free.entries()) await moveTo(inside, posts[index]!, zonedInstant(at, db.timeZone))
    return {
      placed: free.map((at, index) => ({ ...told[index]!, at })),
      left: told.slice(free.length).map(({ id, text }) => ({ id, text })),
    }
  })
}
