import { addDays } from '../core/days/day'
import { FACT_COLUMNS, type FactColumn } from '../core/metrics/storedFigures'
import type { ProfileDay } from '../core/rollup/factTable'
import { unit } from '../demo/random'

/** A large made-up world: every profile has every figure on every day, but for one day in fifty. */
export function* largeWorld(profiles: number, days: number, end: string): Generator<ProfileDay> {
  for (let profile = 1; profile <= profiles; profile++) {
    for (let back = days - 1; back >= 0; back--) {
      if (profile % 4 === 0 && (back + profile) % 50 === 0) continue
      const level = 200 + Math.floor(unit(profile, back) * 4000)
      const of: Partial<Record<FactColumn, number>> = {
        impressions: level * 2,
        views: level >> 1,
        watch_seconds: level * 5,
        completed_views: level >> 3,
        searches: level >> 3,
        listing_views: level >> 2,
        directions: level >> 7,
        calls: level >> 8,
        reactions: level >> 5,
        comments: level >> 8,
        shares: level >> 8,
        saves: level >> 9,
        clicks: level >> 7,
        posts: back % 3 === 0 ? 1 : 0,
        profile_visits: level >> 4,
        new_followers: level >> 8,
        lost_followers: level >> 9,
        followers: 5000 + profile * 10,
        reach_1d: level,
        reach_7d: level * 4,
        reach_28d: level * 9,
        visitors_1d: level >> 5,
        visitors_7d: level >> 3,
        visitors_28d: level >> 2,
        spoken_of: level >> 6,
        speakers_1d: level >> 7,
        speakers_7d: level >> 5,
        speakers_28d: level >> 4,
      }
      yield {
        profile,
        day: addDays(end, -back),
        ...Object.fromEntries(FACT_COLUMNS.map((column) => [column, of[column] ?? level >> 6])),
      }
    }
  }
}
