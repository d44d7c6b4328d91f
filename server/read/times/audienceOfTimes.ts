import { breakdownById, partName } from '../../../core/breakdowns/breakdowns'
import { addDays, type Day } from '../../../core/days/day'
import { describeDay } from '../../../core/periods/describePeriod'
import { audienceThere, hoursTogether, type HourThere } from '../../../core/times/audienceThere'
import { fromOwnHours, type OwnHour } from '../../../core/times/fromOwnHours'
import { hourClock } from '../../../core/times/slots'
import type { TimesThere } from '../../../shared/read/times'
import type { ProfileRow } from '../../figures/questions/profileRows'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** The hours of so many days are looked at: as many as networks remember. */
const HOUR_DAYS = 35
/** A profile of which fewer days are known is left out: it would narrow those of the others to its own. */
const LEAST_DAYS = 14
/** How old the newest count of countries may be, in days. */
const COUNTRY_DAYS = 35
/** So many countries can be chosen. */
const MOST_COUNTRIES = 12
const BY_HOUR = breakdownById('followers_by_hour')
const BY_OWN_HOUR = breakdownById('followers_by_own_hour')
const BY_COUNTRY = breakdownById('followers_by_country')

/** When followers of profiles were there, hour by hour, with how many followed on that day. */
const hoursOf = (db: ClientDb, profiles: readonly number[], to: Day) =>
  db.rows<{ profile: number; code: number; day: Day; hour: string; people: number; followers: number | null }>(sql`
    SELECT   b.profile_id AS profile, b.breakdown AS code, b.day, n.part AS hour, b.value AS people, d.followers
    FROM     profile_day_breakdown b
    JOIN     breakdown_part n ON n.client_id = b.client_id AND n.part_id = b.part_id
    LEFT JOIN profile_day d ON d.client_id = b.client_id AND d.profile_id = b.profile_id AND d.day = b.day
    WHERE    b.client_id = ${db.client}
    AND      b.profile_id IN (${[...profiles]})
    AND      b.breakdown IN (${[BY_HOUR.code, BY_OWN_HOUR.code]})
    AND      b.day BETWEEN ${addDays(to, 1 - HOUR_DAYS)} AND ${to}
    ORDER BY b.profile_id, b.day, b.part_id`)

/** In which countries followers live, as it was counted last. */
const countriesOf = (db: ClientDb, profiles: readonly number[], to: Day) =>
  db.rows<{ profile: number; country: string; people: number }>(sql`
    SELECT   b.profile_id AS profile, n.part AS country, b.value AS people
    FROM     profile_day_breakdown b
    JOIN     (SELECT   profile_id, MAX(day) AS day
              FROM     profile_day_breakdown
              WHERE    client_id = ${db.client}
              AND      profile_id IN (${[...profiles]})
              AND      breakdown = ${BY_COUNTRY.code}
              AND      day BETWEEN ${addDays(to, 1 - COUNTRY_DAYS)} AND ${to}
              GROUP BY profile_id) l ON l.profile_id = b.profile_id AND l.day = b.day
    JOIN     breakdown_part n ON n.client_id = b.client_id AND n.part_id = b.part_id
    WHERE    b.client_id = ${db.client}
    AND      b.breakdown = ${BY_COUNTRY.code}
    ORDER BY b.profile_id, n.part`)

/** When the audience of one profile was there, hour by hour, and how that is known. */
export interface ProfileThere {
  profile: ProfileRow
  hours: HourThere[]
  isConverted: boolean
  followers: number
  days: number
}

/** What is known of when the followers of some profiles are there. */
export interface KnownThere {
  profiles: ProfileThere[]
  /** People by country, over the profiles. */
  countries: { id: string; name: string }[]
}

/**
 * When the followers of profiles are there, each profile by itself: as its network tells it, or converted from the hours
 * of people's own day and the countries in which they live.
 */
export async function knownThere(db: ClientDb, profiles: readonly ProfileRow[], to: Day): Promise<KnownThere> {
  const ids = profiles.map(({ profile_id: id }) => id)
  if (ids.length === 0) return { profiles: [], countries: [] }
  const hours = await hoursOf(db, ids, to)
  const countries = await countriesOf(db, ids, to)
  const clock = hourClock(db.timeZone)
  const known = profiles.flatMap((profile): ProfileThere[] => {
    const own = hours.filter((row) => row.profile === profile.profile_id && row.followers)
    const told = own.filter(({ code }) => code === BY_HOUR.code)
    const shares = countries.filter((row) => row.profile === profile.profile_id)
    const isConverted = told.length === 0
    const found: HourThere[] = isConverted
      ? fromOwnHours(
          own.map(
            ({ day, hour, people, followers }): OwnHour => ({
              day,
              hour: Number(hour),
              people,
              followers: followers!,
            }),
          ),
          Object.fromEntries(shares.map(({ country, people }) => [country, people])),
        )
      : told.flatMap(({ day, hour, people, followers }) => {
          const at = clock(day, Number(hour))
          return at === undefined ? [] : [{ at, people, followers: followers! }]
        })
    const days = new Set(own.map(({ day }) => day)).size
    if (found.length === 0 || days < LEAST_DAYS) return []
    return [
      {
        profile,
        hours: found,
        isConverted,
        followers: own.at(-1)!.followers!,
        days,
      },
    ]
  })
  return { profiles: known, countries: mostOf(countries) }
}

/** The countries of most people, by name. */
function mostOf(rows: readonly { country: string; people: number }[]): { id: string; name: string }[] {
  const people = new Map<string, number>()
  for (const { country, people: many } of rows)
    if (/^[A-Z]{2}$/.test(country)) people.set(country, (people.get(country) ?? 0) + many)
  return [...people]
    .sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
    .slice(0, MOST_COUNTRIES)
    .map(([id]) => ({ id, name: partName(BY_COUNTRY, id) }))
}

/** Why it is not known when the followers of profiles are there. */
export function whyNotThere(profiles: readonly ProfileRow[], to: Day): string {
  if (profiles.length === 0) return 'There is no profile.'
  const telling = profiles.filter(({ network }) => network in BY_HOUR.networks || network in BY_OWN_HOUR.networks)
  return telling.length === 0
    ? 'No network of these profiles tells when followers are there.'
    : `Too little was told of the ${HOUR_DAYS} days up to ${describeDay(to)}: networks tell it with the owner’s consent, from ` +
        `${BY_HOUR.networks.tintype!.minimum!.people} followers on, and ${LEAST_DAYS} days are needed.`
}

/**
 * The audience of several profiles as one, as it is shown.
 *
 * @param zone  in whose week
 */
export function shownThere(known: readonly ProfileThere[], to: Day, zone: string): TimesThere | undefined {
  if (known.length === 0) return undefined
  const networks = new Map(known.map(({ profile, isConverted }) => [profile.networkName, isConverted]))
  return {
    slots: audienceThere(hoursTogether(known.map(({ hours }) => hours)), zone).map((slot) => slot ?? null),
    followers: known.reduce((sum, { followers }) => sum + followers, 0),
    profiles: known.length,
    networks: [...networks].map(([name, isConverted]) => ({ name, isConverted })),
    to,
    days: Math.min(...known.map(({ days }) => days)),
  }
}
