import { rhythmOf, silences, usualOfWeek, type PostsOnDay } from '../../../core/calendar/rhythm'
import { spanAround, type Span } from '../../../core/calendar/spans'
import { addDays, weekday, type Day } from '../../../core/days/day'
import { dayAt, lastCompleteDay } from '../../../core/days/lastCompleteDay'
import type { Period } from '../../../core/periods/period'
import { hourClock, localClock } from '../../../core/times/slots'
import type { CalendarEntry, CalendarQuery, CalendarSlot, CalendarView } from '../../../shared/plan/postCalendar'
import type { TimesView } from '../../../shared/read/times'
import { postFilterOf } from '../../../shared/read/postFilter'
import { wherePosts } from '../../figures/questions/wherePosts'
import type { ProfileRow } from '../../figures/questions/profileRows'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { usualTimes } from '../posts/usualTimes'

/** How many posts of a span are shown. */
const MOST_ENTRIES = 2000
const YEAR_DAYS = 364
const DAY_MS = 86_400_000

/**
 * What was published in a month, a week or a day, what is tried in it, the slots that are suggested, and how evenly
 * there were posts.
 *
 * @param at  the beginning of this hour, so that an answer is true for all of it
 */
export async function calendarOf(
  db: ClientDb,
  scope: ResolvedScope,
  query: CalendarQuery,
  at: number,
): Promise<CalendarView> {
  const today = dayAt(at, db.timeZone)
  const lastComplete = lastCompleteDay(at, db.timeZone)
  const span = query.span as Span
  const period = spanAround(query.on || today, span)
  const own = scope.connected
  const ids = own.map(({ profile_id: id }) => id)
  const known = ids.length === 0 ? [] : await postsByDay(db, ids, period, lastComplete)
  const isWanted = (state: string) => query.state === '' || query.state === state
  const published = !isWanted('published') || ids.length === 0 ? [] : await postsOf(db, ids, period, query)
  const isFiltered = query.only !== '' || query.tags !== '' || query.state !== ''
  const tried = !isWanted('tried') || isNarrowed(query) || ids.length === 0 ? [] : await triesOf(db, ids, period)
  // what is suggested rests on the year up to the last complete day, whichever week is looked at
  const times =
    span === 'month' || own.length === 0
      ? undefined
      : await usualTimes(db, { ...scope, period: { from: lastComplete, to: lastComplete } }, at)
  const entries = entriesOf(db, own, [
    ...published.slice(0, MOST_ENTRIES).map((row) => ({ ...row, state: 'published' as const })),
    ...tried.map((row) => ({ ...row, format: '', text: 'A try, to find out', state: 'tried' as const })),
  ])
  const inSpan = known.filter(({ day }) => day >= period.from && day <= period.to)
  const usual =
    span === 'week'
      ? usualOfWeek(
          grouped(known, () => ''),
          period.from,
        )
      : undefined
  const until = period.to < lastComplete ? period.to : lastComplete
  return {
    period,
    today,
    lastComplete,
    profiles: ids,
    entries,
    isCut: published.length > MOST_ENTRIES,
    formats: [...new Set(known.map(({ format }) => format))].sort(),
    ...(!isFiltered && {
      silent:
        until < period.from
          ? []
          : silences(
              known.map(({ day }) => day),
              { from: period.from, to: until },
              1,
            ),
    }),
    posts: inSpan.reduce((sum, { posts }) => sum + posts, 0),
    ...(usual !== undefined && { usual }),
    ...(times?.there && {
      there: {
        slots: times.there.slots.map((slot) => slot?.ofFullest ?? null),
        networks: times.there.networks.map(({ name }) => name),
      },
    }),
    slots: times ? slotsOf(db, times, period, at) : [],
    rhythm: rhythmBy(known, own, lastComplete),
  }
}

/** Whether only some formats or tags are wanted, which tries do not have. */
const isNarrowed = ({ only, tags }: CalendarQuery) => only !== '' || tags !== ''

interface EntryRow {
  profile: number
  id: string
  at: Date
  format: string
  text: string
}

/** The posts of a span that are wanted, in their order; one more than are shown. */
function postsOf(db: ClientDb, ids: readonly number[], period: Period, query: CalendarQuery): Promise<EntryRow[]> {
  const { words, tags } = postFilterOf({ tags: query.tags })
  return db.rows<EntryRow>(sql`
    SELECT   p.profile_id AS profile, p.remote_id AS id, p.published_at AS at, p.format, LEFT(p.text, 120) AS text
    FROM     post p
    WHERE    p.client_id = ${db.client}
    AND      ${wherePosts({ ...words, profiles: ids, ...period, ...(tags && { tags }), ...(query.only && { formats: [query.only] }) })}
    ORDER BY p.published_at, p.profile_id, p.remote_id
    LIMIT    ${MOST_ENTRIES + 1}`)
}

/** The tries of a span. */
const triesOf = (db: ClientDb, ids: readonly number[], { from, to }: Period) => {
  const clock = hourClock(db.timeZone)
  const begins = (day: Day) => new Date(clock(day, 0) ?? Date.parse(day))
  return db.rows<{ profile: number; id: string; at: Date }>(sql`
    SELECT   profile_id AS profile, CAST(try_id AS CHAR) AS id, planned_at AS at
    FROM     slot_try
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${[...ids]})
    AND      removed_at IS NULL
    AND      planned_at >= ${begins(from)}
    AND      planned_at < ${begins(addDays(to, 1))}
    ORDER BY planned_at, try_id`)
}

interface PostsByDay {
  profile: number
  format: string
  day: Day
  posts: number
}

/** Posts by profile, format and day: of the span, and of a year up to the earlier of it and the last complete day. */
function postsByDay(db: ClientDb, ids: readonly number[], { from, to }: Period, last: Day): Promise<PostsByDay[]> {
  const first = addDays(from < last ? from : last, -YEAR_DAYS)
  return db.rows<PostsByDay>(sql`
    SELECT   profile_id AS profile, format, day, COUNT(*) AS posts
    FROM     post
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${[...ids]})
    AND      day BETWEEN ${first} AND ${to > last ? to : last}
    GROUP BY profile_id, format, day`)
}

const grouped = (rows: readonly PostsByDay[], groupOf: (row: PostsByDay) => string): PostsOnDay[] =>
  rows.map((row) => ({ group: groupOf(row), day: row.day, posts: row.posts }))

function rhythmBy(rows: readonly PostsByDay[], profiles: readonly ProfileRow[], last: Day): CalendarView['rhythm'] {
  const of = new Map(profiles.map((profile) => [profile.profile_id, profile]))
  const by = (groupOf: (row: PostsByDay) => string) => rhythmOf(grouped(rows, groupOf), last)
  return {
    networks: by(({ profile }) => of.get(profile)!.networkName),
    formats: by(({ format }) => format),
    profiles: by(({ profile }) => `${of.get(profile)!.name}, ${of.get(profile)!.networkName}`),
  }
}

function entriesOf(
  db: ClientDb,
  profiles: readonly ProfileRow[],
  rows: readonly (EntryRow & Pick<CalendarEntry, 'state'>)[],
): CalendarEntry[] {
  const of = new Map(profiles.map((profile) => [profile.profile_id, profile]))
  const clock = localClock(db.timeZone)
  return rows
    .map(({ at, ...row }) => {
      const local = clock(at.getTime())
      const { name, networkName } = of.get(row.profile)!
      return {
        ...row,
        profileName: name,
        networkName,
        at: at.getTime(),
        day: new Date(local).toISOString().slice(0, 10),
        minutes: Math.floor((local % DAY_MS) / 60_000),
      }
    })
    .sort((a, b) => a.at - b.at || a.profile - b.profile)
}

/** The suggested slots on the days of a span that are still to come. */
function slotsOf(db: ClientDb, { suggestions, lifts }: TimesView, { from, to }: Period, at: number): CalendarSlot[] {
  const clock = hourClock(db.timeZone)
  const found: CalendarSlot[] = []
  for (let day = from; day <= to; day = addDays(day, 1))
    suggestions.forEach(({ slot, by }, index) => {
      const begins = clock(day, slot % 24)
      if (Math.floor(slot / 24) + 1 !== weekday(day) || begins === undefined || begins < at) return
      const { lift } = lifts[slot]!
      found.push({ number: index + 1, day, hour: slot % 24, by, ...(lift && { lift }) })
    })
  return found
}
