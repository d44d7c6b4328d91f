import { parseScope } from '../../../shared/figures/scope'
import type { PlanExpected, PlanOutcome } from '../../../shared/plan/plannedPosts'
import { timesSchema, type TimesView } from '../../../shared/read/times'
import type { WeeklySlot } from '../../../core/plan/freeSlots'
import { localClock, slotOf } from '../../../core/times/slots'
import { remembered } from '../../figures/remembered'
import { resolveScope, type ResolvedScope } from '../../figures/resolveScope'
import type { ClientDb } from '../../platform/database/clientDb'
import { postsBesideUsual, thisHour, timesOf } from '../../read/times/times'
import { postingsOf } from './plannedRows'

/** When to post, as the page of times begins: remembered, as every week of the calendar asks the same. */
export async function usualTimes(db: ClientDb, scope: ResolvedScope, at: number): Promise<TimesView> {
  const key = ['usual times', scope.connected.map(({ profile_id: id }) => id), scope.period.to, at]
  const answer = await remembered(db, JSON.stringify(key), (then) => timesOf(then, scope, timesSchema.getDefault(), at))
  return JSON.parse(answer) as TimesView
}

/** Everything of the client up to the last complete day, as suggestions rest on it. */
async function wholeScope(db: ClientDb): Promise<ResolvedScope> {
  const scope = await resolveScope(db, parseScope({}))
  return { ...scope, period: { from: scope.lastComplete, to: scope.lastComplete } }
}

/** The suggested slots of a week, the best first. */
export async function suggestedSlots(db: ClientDb): Promise<WeeklySlot[]> {
  const { suggestions } = await usualTimes(db, await wholeScope(db), thisHour())
  return suggestions.map(({ slot }) => ({ weekday: Math.floor(slot / 24) + 1, minutes: 60 * (slot % 24) }))
}

/**
 * What the slot of a time promises: its number where it is suggested, and its lift where posts tell one.
 *
 * @param plannedAt  milliseconds since 1970 UTC
 */
export async function slotPromise(db: ClientDb, plannedAt: number): Promise<PlanExpected> {
  const { suggestions, lifts } = await usualTimes(db, await wholeScope(db), thisHour())
  const slot = slotOf(localClock(db.timeZone)(plannedAt))
  const index = suggestions.findIndex((suggestion) => suggestion.slot === slot)
  const lift = lifts[slot]?.lift
  return { slot, ...(index >= 0 && { number: index + 1 }), ...(lift && { lift }) }
}

/** How a published post did beside what is usual, with each profile on which that can be judged. */
export async function outcomesOf(db: ClientDb, id: number): Promise<PlanOutcome[]> {
  const published = (await postingsOf(db, [id])).filter(({ remoteId }) => remoteId !== null)
  if (published.length === 0) return []
  const at = thisHour()
  const answer = await remembered(db, JSON.stringify(['posts beside usual', at]), async (then) => [
    ...(await postsBesideUsual(then, await wholeScope(then), timesSchema.getDefault(), at)),
  ])
  const beside = new Map(JSON.parse(answer) as [string, number][])
  return published.flatMap(({ profile, remoteId }) => {
    const value = beside.get(`${profile} ${remoteId}`)
    return value === undefined ? [] : [{ profile, beside: value }]
  })
}
