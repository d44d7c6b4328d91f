import { object, string, type InferType } from 'yup'
import { SPANS } from '../../core/calendar/spans'
import type { Rhythm } from '../../core/calendar/rhythm'
import { isDay } from '../../core/days/day'
import type { Period } from '../../core/periods/period'
import type { SlotLift } from '../../core/times/slotLifts'
import { text } from '../platform/text'
import type { PlannedHead } from './plannedPosts'

/** What of a calendar is shown; those from “planned” on are planned posts: all, not yet scheduled, scheduled, to decide. */
export const CALENDAR_STATES = ['', 'published', 'tried', 'planned', 'open', 'scheduled', 'needs'] as const

/** The states of planned posts that some words stand for. */
const PLAN_GROUPS: Readonly<Record<string, readonly PlannedHead['state'][]>> = {
  open: ['idea', 'draft', 'waiting', 'approved'],
  scheduled: ['scheduled', 'publishing'],
  needs: ['failed', 'late', 'waiting'],
}

/**
 * Whether a planned post is one of those that are wanted.
 *
 * @param state     one of those of a calendar
 * @param profiles  the profiles that are looked at; all of them, where it is left out
 */
export function isPlanWanted(plan: PlannedHead, state: string, profiles?: readonly number[]): boolean {
  const isOfState =
    state === '' ||
    state === 'planned' ||
    (PLAN_GROUPS[state]?.includes(plan.state) ?? false) ||
    (state === 'needs' && plan.postings.some((posting) => posting.state === 'to do'))
  const isOfProfiles =
    !profiles || plan.postings.length === 0 || plan.postings.some(({ profile }) => profiles.includes(profile))
  return isOfState && isOfProfiles
}

/** How a calendar is looked at, as it stands in an address. */
export const calendarSchema = object({
  /** A day of it; today, where it is empty. */
  on: string()
    .test(
      'day',
      'Choose a day, as 2026-10-28.',
      (day) => !day || (isDay(day) && day >= '2000-01-01' && day < '2100-01-01'),
    )
    .default(''),
  span: string().oneOf(SPANS, 'A calendar has months, weeks and days.').default('week'),
  /** Published posts alone, or tries alone. */
  state: string().oneOf(CALENDAR_STATES, 'Posts are published, tried or planned.').default(''),
  only: text().max(20, 'Choose a format from the list.').default(''),
  tags: string()
    .matches(/^(none|\d{1,9}(,\d{1,9}){0,19})?$/, 'Choose tags from the list.')
    .default(''),
})
export type CalendarQuery = InferType<typeof calendarSchema>

/** Something that stands in the calendar at its time. */
export interface CalendarEntry {
  state: 'published' | 'tried'
  profile: number
  profileName: string
  networkName: string
  /** Of a post its id, of a try its number. */
  id: string
  /** Milliseconds since 1970 UTC, and the day and the minutes since midnight in the client’s zone. */
  at: number
  day: string
  minutes: number
  format: string
  text: string
}

/** A suggested slot on a day that is still to come. */
export interface CalendarSlot {
  number: number
  day: string
  hour: number
  by: 'posts' | 'audience'
  lift?: SlotLift['lift']
}

export interface CalendarView {
  period: Period
  today: string
  lastComplete: string
  /** The profiles that are looked at. */
  profiles: number[]
  entries: CalendarEntry[]
  isCut: boolean
  formats: string[]
  /** Days up to today without a post on any network; absent where the list is filtered. */
  silent?: (Period & { days: number })[]
  /** Posts of the span, and of a week how many are usual. */
  posts: number
  usual?: number
  /** The audience by slot of the week, of the fullest; absent in a month and where it is not known. */
  there?: { slots: (number | null)[]; networks: string[] }
  slots: CalendarSlot[]
  rhythm: { networks: Rhythm[]; formats: Rhythm[]; profiles: Rhythm[] }
}
