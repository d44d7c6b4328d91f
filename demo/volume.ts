import { daysBetween, weekday, type Day } from '../core/days/day'
import { TIDES } from './cast'
import { unit, wobble } from './random'

/** What happened on a whole network on a day. */
export interface NetworkVolume {
  day: Day
  posts: number
  interactions: number
  impressions: number
}

const WEEKDAYS = [0.95, 0.94, 0.97, 1, 1.04, 1.08, 1.02]

/**
 * The volume of a whole network on a day, a function of nothing but the network, the day and the end of the world's
 * time.
 *
 * @example volumeOf('commons', '2026-10-28', '2026-10-28').posts
 */
export function volumeOf(network: string, day: Day, anchor: Day): NetworkVolume {
  const before = daysBetween(day, anchor)
  const tide = (TIDES[network] ?? []).reduce(
    (product, { from, factor }) => (before <= from ? product * factor : product),
    1,
  )
  const size = 200_000 + 900_000 * unit(network, 'size')
  const posts = Math.round(size * WEEKDAYS[weekday(day) - 1]! * tide * wobble(0.02, network, day))
  return {
    day,
    posts,
    interactions: Math.round(posts * 21 * wobble(0.03, network, day, 'i')),
    impressions: Math.round(posts * 540 * wobble(0.03, network, day, 'v')),
  }
}
