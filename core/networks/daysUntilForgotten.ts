import { addDays, daysBetween, type Day } from '../days/day'

/**
 * In how many days a network forgets the first day that we do not have yet. What has the fewest is fetched first.
 *
 * @param syncedTo     the last day that we have, or null when there is none yet
 * @param last         the last complete day
 * @param historyDays  how many days back the network remembers, the last complete day included
 * @returns            0 when a day is forgotten tomorrow or is lost already
 * @example            daysUntilForgotten('2026-10-20', '2026-10-28', 45) // 37
 */
export function daysUntilForgotten(syncedTo: Day | null, last: Day, historyDays: number): number {
  if (syncedTo === null) return 0
  return Math.max(0, historyDays - 1 - daysBetween(addDays(syncedTo, 1), last))
}
