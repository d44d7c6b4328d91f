import { addDays, type Day } from '~~/core/days/day'
import { describeDay, describePeriodShort, shortDay } from '~~/core/periods/describePeriod'
import type { Rhythm } from '~~/core/calendar/rhythm'
import type { CalendarView } from '~~/shared/plan/postCalendar'
import type { ShownEntry } from './shownEntries'

/** A time of the day. */
export const clockOf = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`

/** A day with its weekday. */
export const dayWords = (day: Day, locale: string, weekday: 'short' | 'long' = 'short'): string =>
  `${new Date(`${day}T12:00Z`).toLocaleDateString(locale, { weekday, timeZone: 'UTC' })} ${Number(day.slice(8))}`

/** An entry in words, for whoever does not see where it stands. */
export function entryWords({ day, minutes, profileName, networkName, state, text }: ShownEntry): string {
  const when = `${describeDay(day)}, ${clockOf(minutes)}`
  if (state === 'planned') return `${when}, ${profileName}, ${networkName}: ${text}`
  return `${when}, ${profileName} on ${networkName}: ${state === 'tried' ? 'a try' : text}`
}

/** How many silences are named. */
const MOST_RUNS = 6

/** How many posts there were in the span, and where there was none. */
export function silentWords(
  { posts, usual, silent, period, lastComplete }: Omit<CalendarView, 'entries'>,
  locale: string,
): string[] {
  const many = `${posts.toLocaleString(locale)} ${posts === 1 ? 'post' : 'posts'}`
  const isOver = period.to <= lastComplete
  const often = usual?.toLocaleString(locale, { maximumFractionDigits: 1 })
  const said = [`${many}${isOver ? '' : ' so far'}${often === undefined ? '.' : ` (a week usually has ${often}).`}`]
  const runs = (silent ?? []).map((run) => (run.days === 1 ? describeDay(run.from) : describePeriodShort(run)))
  const more = runs.length > MOST_RUNS ? ` and ${runs.length - MOST_RUNS} more` : ''
  if (runs.length > 0) said.push(`Nothing on any network: ${runs.slice(0, MOST_RUNS).join('; ')}${more}.`)
  return said
}
/** From how many days on a silence is told. */
const LONG_DAYS = 3

/** Who is silent now, and how long that has been at the longest. */
export const quietWords = (rhythm: readonly Rhythm[]): string[] =>
  rhythm
    .filter(({ silentDays }) => silentDays >= LONG_DAYS)
    .map(
      ({ group, last, silentDays, longest }) =>
        `${group} has been silent since ${shortDay(addDays(last, 1))}, ${silentDays} days` +
        (longest && longest.days > silentDays
          ? `; its longest pause in a year was ${longest.days}.`
          : ', its longest pause in a year.'),
    )
