import type { WeeklySlot } from '../../../core/plan/freeSlots'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'

/** A list as its row has it. */
export interface RefillRow {
  id: number
  name: string
  daysApart: number
  endsOn: string | null
  isOn: number
  goesOut: number
  writtenBy: number | null
  writtenName: string
}

/** The lists of a client by name, or one of them. */
export const refillRows = (db: ClientDb, id?: number): Promise<RefillRow[]> =>
  db.rows<RefillRow>(sql`
    SELECT   refill_id AS id, name, days_apart AS daysApart, ends_on AS endsOn, is_on AS isOn, goes_out AS goesOut,
             written_by AS writtenBy, written_name AS writtenName
    FROM     plan_refill
    WHERE    client_id = ${db.client}
    AND      removed_at IS NULL
    ${id === undefined ? raw('') : sql`AND refill_id = ${id}`}
    ORDER BY name, refill_id`)

/** The slots of lists, in the order of the week. */
export const slotsOfRefills = (db: ClientDb, ids: readonly number[]): Promise<(WeeklySlot & { refill: number })[]> =>
  db.rows<WeeklySlot & { refill: number }>(sql`
    SELECT   refill_id AS refill, weekday, minutes
    FROM     plan_refill_slot
    WHERE    client_id = ${db.client}
    AND      refill_id IN (${[...ids]})
    ORDER BY weekday, minutes`)
