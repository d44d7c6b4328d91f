import { addDays, daysBetween, type Day } from '../days/day'

/** How often something is checked, in days; by hand alone, where there is none. */
export const RHYTHMS = [
  { id: 'two-days', name: 'every 48 hours', days: 2 },
  { id: 'week', name: 'every week', days: 7 },
  { id: 'two-weeks', name: 'every two weeks', days: 14 },
  { id: 'by-hand', name: 'when I ask for it', days: undefined },
] as const
export type Rhythm = (typeof RHYTHMS)[number]['id']

/**
 * A rhythm by its name. One that is not known, whatever its way in, stops nothing: it is checked by hand alone, and the
 * page says that it is not known.
 */
export function rhythmById(id: string): { id: string; name: string; days: number | undefined } {
  return RHYTHMS.find((rhythm) => rhythm.id === id) ?? { id, name: 'in a rhythm that is not known', days: undefined }
}

/**
 * The day of the next check: today, where there was none yet or it is overdue; undefined for what is checked by hand.
 *
 * @param last  the day of the last check
 * @example nextCheck('week', '2026-10-20', '2026-10-22') // '2026-10-27'
 */
export function nextCheck(id: Rhythm, last: Day | undefined, today: Day): Day | undefined {
  const { days } = rhythmById(id)
  if (days === undefined) return undefined
  const next = last === undefined ? today : addDays(last, days)
  return next < today ? today : next
}

/**
 * How many checks are still to come up to a day, the one of today among them.
 *
 * @example checksUntil('week', '2026-10-20', '2026-10-22', '2026-10-31') // 1
 */
export function checksUntil(id: Rhythm, last: Day | undefined, today: Day, until: Day): number {
  const { days } = rhythmById(id)
  const next = nextCheck(id, last, today)
  return days === undefined || next === undefined || next > until ? 0 : Math.floor(daysBetween(next, until) / days) + 1
}

/** Something that is checked again and again, with how many points that takes. */
export interface Due {
  rhythm: Rhythm
  last: Day | undefined
  points: number
}

/**
 * The day on which what is left will not be enough for the checks that are due, up to a day.
 *
 * @param left  how many points may still be asked for
 * @returns     undefined where it is enough
 * @example     runsOutOn([{ rhythm: 'week', last: undefined, points: 37 }], 50, '2026-10-01', '2026-10-31') // '2026-10-08'
 */
export function runsOutOn(due: readonly Due[], left: number, today: Day, until: Day): Day | undefined {
  const takes = new Map<Day, number>()
  for (const { rhythm, last, points } of due) {
    const { days } = rhythmById(rhythm)
    if (days === undefined) continue
    for (let day = nextCheck(rhythm, last, today)!; day <= until; day = addDays(day, days))
      takes.set(day, (takes.get(day) ?? 0) + points)
  }
  let used = 0
  return [...takes].sort(([a], [b]) => (a < b ? -1 : 1)).find(([, points]) => (used += points) > left)?.[0]
}
