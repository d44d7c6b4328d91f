import { PLAN_STATE_NAMES } from '~~/core/plan/postStates'
import type { PlannedHead } from '~~/shared/plan/plannedPosts'
import { isPlanWanted, type CalendarEntry, type CalendarView } from '~~/shared/plan/postCalendar'

/** What stands in the calendar: what was published, what is tried, and what is planned. */
export type ShownEntry = Omit<CalendarEntry, 'state'> & {
  state: CalendarEntry['state'] | 'planned'
  plan?: PlannedHead
}
export type ShownCalendar = Omit<CalendarView, 'entries'> & { entries: ShownEntry[] }

/** Which planned posts are wanted: by what they need, whom they are for and who has written them. */
export interface PlanFilter {
  state: string
  /** The profiles that are looked at; all of them, where it is left out. */
  profiles?: readonly number[]
  by: string
}

/** Whether a planned post is one of those that are wanted. */
export const isWanted = (plan: PlannedHead, { state, profiles, by }: PlanFilter): boolean =>
  isPlanWanted(plan, state, profiles) && (by === '' || plan.writtenName === by)

/** A planned post as it stands in the calendar. */
export function entryOf(plan: PlannedHead): ShownEntry {
  const [first, ...more] = plan.postings
  return {
    state: 'planned',
    plan,
    profile: 0,
    id: String(plan.id),
    profileName: PLAN_STATE_NAMES[plan.state],
    networkName: first ? `${first.networkName}${more.length > 0 ? ` and ${more.length} more` : ''}` : 'no profile yet',
    at: plan.at!,
    day: plan.day!,
    minutes: plan.minutes!,
    format: '',
    text: plan.heading || plan.text || 'without a text',
  }
}

/**
 * What was published and what is planned, as one: a post that is out and stands there as published is not there twice.
 */
export function joinedEntries(published: readonly CalendarEntry[], planned: readonly PlannedHead[]): ShownEntry[] {
  const there = new Set(published.map(({ profile, id }) => `${profile} ${id}`))
  const isThere = ({ state, postings }: PlannedHead) =>
    state === 'published' &&
    postings.every(({ profile, remoteId }) => remoteId !== undefined && there.has(`${profile} ${remoteId}`))
  return [...published, ...planned.filter((plan) => plan.at !== undefined && !isThere(plan)).map(entryOf)].sort(
    (a, b) => a.at - b.at || a.profile - b.profile,
  )
}

/** Whether an entry can be put at another time. */
export const isMovable = ({ plan }: ShownEntry): boolean =>
  plan !== undefined && plan.state !== 'published' && plan.state !== 'publishing'

/** What tells an entry from others, in the address. */
export const entryKey = ({ state, profile, id }: Pick<ShownEntry, 'state' | 'profile' | 'id'>): string =>
  `${state}.${profile}.${id}`
