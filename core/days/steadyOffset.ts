import { Info, type Zone } from 'luxon'

const DAY_MS = 86_400_000
const MINUTE_MS = 60_000
/** How many days are remembered of a zone, and of how many zones. */
const MOST_DAYS = 20_000
const MOST_ZONES = 100
interface KnownZone {
  zone: Zone
  offsets: Map<number, number | undefined>
}
const known = new Map<string, KnownZone>()

function zoneOf(name: string): KnownZone {
  const found = known.get(name)
  if (found) return found
  const zone = Info.normalizeZone(name)
  if (!zone.isValid) throw new RangeError(`"${name}" is not a time zone`)
  if (known.size >= MOST_ZONES) known.clear()
  const made = { zone, offsets: new Map<number, number | undefined>() }
  known.set(name, made)
  return made
}

/**
 * How far the clocks of a zone are ahead of UTC around a moment, where that is the same all of the day before, of the
 * day and of the day after: then it holds also for a time on these clocks that is taken for one in UTC. It is remembered
 * by days, since finding it out takes long.
 *
 * @param at    milliseconds since 1970 UTC
 * @param name  an IANA time zone
 * @returns     milliseconds, or undefined where the clocks are changed on one of these days
 * @throws      RangeError when the zone is unknown
 * @example     steadyOffset(Date.parse('2026-07-01T12:00:00Z'), 'Europe/London') // 3600000
 */
export function steadyOffset(at: number, name: string): number | undefined {
  const { zone, offsets } = zoneOf(name)
  const day = Math.floor(at / DAY_MS)
  if (offsets.has(day)) return offsets.get(day)
  const [first, ...others] = [-1, 0, 1, 2].map((days) => zone.offset((day + days) * DAY_MS) * MINUTE_MS)
  const steady = others.every((offset) => offset === first) ? first : undefined
  if (offsets.size >= MOST_DAYS) offsets.clear()
  offsets.set(day, steady)
  return steady
}
