import { IANAZone } from 'luxon'
import { weekday, type Day } from '../core/days/day'
import type { DemoProfile } from './profiles'
import { unit } from './random'

const ZONE = IANAZone.create('Europe/London')
const offsets = new Map<Day, number>()
/** How many hours the clocks of the isles are ahead of UTC at noon of a day. */
function aheadOn(day: Day): number {
  let hours = offsets.get(day)
  if (hours === undefined) offsets.set(day, (hours = ZONE.offset(Date.parse(`${day}T12:00Z`)) / 60))
  return hours
}

/** When the gardens like to post, from 07:00 to 20:00 of their own clocks. */
const LIKED = [1, 2, 2, 3, 1, 4, 3, 1, 1, 2, 3, 4, 5, 6]
const ALL_LIKED = LIKED.reduce((sum, times) => sum + times, 0)

/** The hour of UTC in which a profile posts: most at any time of the day, the gardens with habits. */
export function hourOfPost(profile: DemoProfile, day: Day, drawn: number): number {
  if (profile.client !== 'mossgate-gardens' || profile.rival) return 7 + Math.floor(drawn * 14)
  let left = drawn * ALL_LIKED
  const hour = LIKED.findIndex((times) => (left -= times) < 0)
  return 7 + hour - aheadOn(day)
}

const bump = (hour: number, around: number, wide: number) => Math.exp(-0.5 * ((hour - around) / wide) ** 2)

/**
 * How much more is done with a post for when it is published, as a factor of its interactions: the gardens do well on
 * Thursday evenings and Saturday mornings and badly before nine; the magazine when its readers five hours west have
 * their lunch. When a ferry company posts does not matter.
 */
export function timeEffect(profile: DemoProfile, day: Day, hour: number): number {
  if (profile.rival) return 1
  const local = hour + aheadOn(day) + 0.5
  const on = weekday(day)
  switch (profile.client) {
    case 'mossgate-gardens':
      return Math.exp(
        (on === 4 ? 0.42 : on === 2 || on === 3 ? 0.14 : 0.04) * bump(local, 20.3, 1.4) +
          (on === 6 ? 0.34 * bump(local, 10.5, 1.6) : 0) -
          0.24 * bump(local, 7, 1.3),
      )
    case 'orrery-press':
      return Math.exp(0.26 * bump(local, 17.5, 1.4))
    default:
      return 1
  }
}

/** The part of followers who are there in an hour of their own day: another day at the weekend. */
export const there = (hour: number, on: number): number =>
  on >= 6
    ? 0.03 + 0.22 * bump(hour, 10.5, 2.1) + 0.24 * bump(hour, 19.5, 2.4)
    : 0.03 + 0.1 * bump(hour, 8, 1.1) + 0.14 * bump(hour, 12.5, 1.6) + 0.3 * bump(hour, 20.3, 1.8)

/** How a day's audience differs from another's by chance. */
export const byChance = (profile: DemoProfile, day: Day, hour: number): number =>
  0.93 + 0.14 * unit(profile.remoteId, day, 'there', hour)
