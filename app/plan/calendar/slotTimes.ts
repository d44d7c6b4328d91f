import { clockTime, type WeeklySlot } from '~~/core/plan/freeSlots'

/** A time of the week as it is typed. */
export interface SlotRow {
  weekday: number
  time: string
}

/** Times of the week as they are typed. */
export const rowsOfSlots = (slots: readonly WeeklySlot[]): SlotRow[] =>
  slots.map(({ weekday, minutes }) => ({ weekday, time: clockTime(minutes) }))

/** What was typed as times of the week, for the schema to judge: what is no time has no minutes. */
export const slotsOfRows = (rows: readonly SlotRow[]): { weekday: number; minutes?: number }[] =>
  rows.map(({ weekday, time }) => {
    const found = /^(\d{1,2}):(\d{2})/.exec(time)
    return { weekday, minutes: found ? 60 * Number(found[1]) + Number(found[2]) : undefined }
  })
