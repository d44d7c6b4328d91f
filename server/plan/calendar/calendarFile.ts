import { DateTime } from 'luxon'
import ical from 'ical-generator'
import { tzlib_get_ical_block as zoneBlock } from 'timezones-ical-library'
import { PLAN_STATE_NAMES } from '../../../core/plan/postStates'
import type { PlannedHead } from '../../../shared/plan/plannedPosts'
import type { CalendarEntry } from '../../../shared/plan/postCalendar'
import type { ClientDb } from '../../platform/database/clientDb'

/** How long something lasts in a calendar, in minutes: a post is a moment, a try has its hour. */
const [POST_MINUTES, TRY_MINUTES] = [15, 60]

/** Something as it stands in an iCalendar file. */
interface FileEvent {
  id: string
  at: number
  minutes: number
  summary: string
  description: string
}

const eventOf = ({ state, profile, id, at, networkName, profileName, format, text }: CalendarEntry): FileEvent => ({
  id: `${state}-${profile}-${id}`,
  at,
  minutes: state === 'tried' ? TRY_MINUTES : POST_MINUTES,
  summary: state === 'tried' ? `${networkName}: a try` : `${networkName}: ${text.slice(0, 60)}`,
  description: `${profileName} on ${networkName}${format ? `, ${format}` : ''}\n${text}`,
})

/** Planned posts that have a time and are not out yet; those that are out stand there as published. */
const eventsPlanned = (planned: readonly PlannedHead[]): FileEvent[] =>
  planned.flatMap(({ id, at, state, text, heading, postings }) =>
    at === undefined || state === 'published'
      ? []
      : [
          {
            id: `planned-${id}`,
            at,
            minutes: POST_MINUTES,
            summary: `${PLAN_STATE_NAMES[state]}: ${(heading || text).slice(0, 60)}`,
            description: `${postings.map((each) => `${each.profileName} on ${each.networkName}`).join(', ')}\n${text}`,
          },
        ],
  )

/**
 * What a calendar shows as an iCalendar file (RFC 5545), in the client's time zone with its definition. An entry has the
 * same UID each time, so that a calendar that takes it in again changes it instead of having it twice.
 *
 * @param at  when the file was made
 */
export function calendarFile(
  db: ClientDb,
  { entries, planned = [] }: { entries: readonly CalendarEntry[]; planned?: readonly PlannedHead[] },
  at: number,
): string {
  const zone = db.timeZone
  const file = ical({
    name: `${db.name}: posts`,
    prodId: { company: 'Zaffer', product: 'Calendar', language: 'EN' },
    timezone: { name: zone, generator: (name) => zoneBlock(name)[0] ?? null },
  })
  for (const { id, minutes, ...event } of [...entries.map(eventOf), ...eventsPlanned(planned)]) {
    const start = DateTime.fromMillis(event.at, { zone })
    file.createEvent({
      id: `${id}@zaffer`,
      stamp: DateTime.fromMillis(at, { zone: 'utc' }),
      start,
      end: start.plus({ minutes }),
      timezone: zone,
      summary: event.summary,
      description: event.description,
    })
  }
  return file.toString()
}
