import { DateTime } from 'luxon'
import ical from 'ical-generator'
import { tzlib_get_ical_block as zoneBlock } from 'timezones-ical-library'
import type { CalendarEntry, CalendarView } from '../../../shared/plan/postCalendar'
import type { ClientDb } from '../../platform/database/clientDb'

/** How long an entry lasts in a calendar, in minutes: a post is a moment, a try has its hour. */
const LASTS = { published: 15, tried: 60 } as const

const summaryOf = ({ state, networkName, text }: CalendarEntry) =>
  state === 'tried' ? `${networkName}: a try` : `${networkName}: ${text.slice(0, 60)}`

/**
 * What a calendar shows as an iCalendar file (RFC 5545), in the client's time zone with its definition. An entry has the
 * same UID each time, so that a calendar that takes it in again changes it instead of having it twice.
 *
 * @param at  when the file was made
 */
export function calendarFile(db: ClientDb, { entries }: Pick<CalendarView, 'entries'>, at: number): string {
  const zone = db.timeZone
  const file = ical({
    name: `${db.name}: posts`,
    prodId: { company: 'Zaffer', product: 'Calendar', language: 'EN' },
    timezone: { name: zone, generator: (name) => zoneBlock(name)[0] ?? null },
  })
  for (const entry of entries) {
    const start = DateTime.fromMillis(entry.at, { zone })
    file.createEvent({
      id: `${entry.state}-${entry.profile}-${entry.id}@zaffer`,
      stamp: DateTime.fromMillis(at, { zone: 'utc' }),
      start,
      end: start.plus({ minutes: LASTS[entry.state] }),
      timezone: zone,
      summary: summaryOf(entry),
      description: `${entry.profileName} on ${entry.networkName}${entry.format ? `, ${entry.format}` : ''}\n${entry.text}`,
    })
  }
  return file.toString()
}
