import { getCountry } from 'countries-and-timezones'
import { IANAZone } from 'luxon'
import type { Day } from '../days/day'
import type { HourThere } from './audienceThere'
import { hourClock } from './slots'

/**
 * The zones of countries that have several of weight, with about how many of their people live in each (values from
 * memory). Of other countries with several zones each is taken to have as many people.
 */
const PEOPLE_BY_ZONE: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  US: {
    'America/New_York': 0.48,
    'America/Chicago': 0.29,
    'America/Denver': 0.06,
    'America/Phoenix': 0.02,
    'America/Los_Angeles': 0.15,
  },
  CA: {
    'America/Toronto': 0.62,
    'America/Vancouver': 0.13,
    'America/Edmonton': 0.12,
    'America/Winnipeg': 0.04,
    'America/Regina': 0.03,
    'America/Halifax': 0.06,
  },
  AU: { 'Australia/Sydney': 0.61, 'Australia/Brisbane': 0.2, 'Australia/Perth': 0.11, 'Australia/Adelaide': 0.08 },
  BR: { 'America/Sao_Paulo': 0.93, 'America/Manaus': 0.07 },
  MX: { 'America/Mexico_City': 0.93, 'America/Tijuana': 0.07 },
  RU: { 'Europe/Moscow': 0.68, 'Asia/Yekaterinburg': 0.18, 'Asia/Novosibirsk': 0.14 },
  ID: { 'Asia/Jakarta': 0.81, 'Asia/Makassar': 0.17, 'Asia/Jayapura': 0.02 },
  NZ: { 'Pacific/Auckland': 1 },
  ES: { 'Europe/Madrid': 0.95, 'Atlantic/Canary': 0.05 },
  PT: { 'Europe/Lisbon': 1 },
  FR: { 'Europe/Paris': 1 },
  GB: { 'Europe/London': 1 },
  CN: { 'Asia/Shanghai': 1 },
}

/**
 * The time zones of a country, the one of most people first, with the share of its people who live there.
 *
 * @param country  ISO 3166-1, two letters
 * @returns        none where there is no such country
 * @example        zonesOfCountry('IE') // [{ zone: 'Europe/Dublin', share: 1 }]
 */
export function zonesOfCountry(country: string): { zone: string; share: number }[] {
  const known = PEOPLE_BY_ZONE[country]
  if (known)
    return Object.entries(known)
      .map(([zone, share]) => ({ zone, share }))
      .sort((a, b) => b.share - a.share)
  const zones = (getCountry(country)?.timezones ?? []).filter((zone) => IANAZone.isValidZone(zone))
  return zones.map((zone) => ({ zone, share: 1 / zones.length }))
}

/** People who were there in an hour of their own day, wherever they live. */
export interface OwnHour {
  day: Day
  hour: number
  people: number
  followers: number
}

/**
 * When an audience was there, where a network tells only in which hour of their own day people came, and in which
 * countries they live: everybody is taken to keep the same hours of their own day, and each country counts with its
 * share. Hours of which some countries are not known (at both ends of the days) are left out, and so are countries
 * whose zone is not known.
 *
 * @param countries  people by country, ISO 3166-1
 * @example          fromOwnHours([{ day: '2026-10-29', hour: 20, people: 90, followers: 300 }, …], { GB: 2, US: 1 })
 */
export function fromOwnHours(own: readonly OwnHour[], countries: Readonly<Record<string, number>>): HourThere[] {
  const zones = new Map<string, number>()
  for (const [country, people] of Object.entries(countries))
    for (const { zone, share } of zonesOfCountry(country)) zones.set(zone, (zones.get(zone) ?? 0) + people * share)
  const all = [...zones.values()].reduce((sum, people) => sum + people, 0)
  if (all <= 0) return []
  const hours = new Map<number, { people: number; followers: number; known: number }>()
  for (const [zone, people] of zones) {
    const clock = hourClock(zone)
    for (const each of own) {
      const begins = clock(each.day, each.hour)
      // the clocks there leave this hour out
      if (begins === undefined) continue
      const at = Math.floor(begins / 3_600_000) * 3_600_000
      const sum = hours.get(at) ?? { people: 0, followers: 0, known: 0 }
      sum.people += (each.people * people) / all
      sum.followers += (each.followers * people) / all
      sum.known += people / all
      hours.set(at, sum)
    }
  }
  return [...hours]
    .filter(([, { known }]) => known > 0.999 && known < 1.001)
    .map(([at, { people, followers }]) => ({ at, people, followers }))
    .sort((a, b) => a.at - b.at)
}
