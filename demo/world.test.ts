import { describe, expect, it } from 'vitest'
import { addDays } from '../core/days/day'
import { daysEnding, eachDay } from '../core/periods/period'
import { FACT_COLUMNS } from '../core/metrics/storedFigures'
import { networkById } from '../core/networks/networks'
import { PROFILES } from './profiles'
import { unit } from './random'
import { world } from './world'

const anchor = '2026-10-28'
const profile = PROFILES[1]!

describe('the invented world', () => {
  it('is the same whenever and in whatever order it is made', () => {
    const forwards = eachDay(daysEnding(anchor, 20)).map((day) => world(anchor).profileDay(profile, day, anchor))
    const one = world(anchor)
    const backwards = eachDay(daysEnding(anchor, 20))
      .reverse()
      .map((day) => one.profileDay(profile, day, anchor))
      .reverse()
    expect(backwards).toEqual(forwards)
  })

  it('says the same whether all figures of a day are asked for or some', () => {
    const { profileDay, partOfDay } = world(anchor)
    for (const someone of PROFILES)
      for (const day of [anchor, '2026-09-01', addDays(anchor, -17)]) {
        const whole = profileDay(someone, day, anchor)
        expect(partOfDay(someone, day, anchor, FACT_COLUMNS)).toEqual(whole)
        const reactions = whole && { day, ...('reactions' in whole && { reactions: whole.reactions }) }
        expect(partOfDay(someone, day, anchor, ['reactions'])).toEqual(reactions)
      }
  })

  it('gives only what the network reports, and reach that can be true', () => {
    const { profileDay } = world(anchor)
    for (const someone of PROFILES) {
      expect(profileDay(someone, '2026-09-01', anchor)!.visitors_1d ?? 0).toBeLessThanOrEqual(
        profileDay(someone, '2026-09-01', anchor)!.profile_visits ?? 0,
      )
      const days = eachDay(daysEnding(addDays(anchor, -40), 28)).flatMap(
        (day) => profileDay(someone, day, anchor) ?? [],
      )
      const last = days.at(-1)!
      expect(
        Object.keys(last)
          .filter((key) => key !== 'day')
          .sort(),
      ).toEqual([...networkById(someone.network).reports].sort())
      if (last.reach_7d === undefined) continue
      const week = days.slice(-7)
      expect(last.reach_7d!).toBeGreaterThanOrEqual(Math.max(...week.map(({ reach_1d: reach }) => reach!)))
      expect(last.reach_7d!).toBeLessThanOrEqual(week.reduce((sum, { reach_1d: reach }) => sum + reach!, 0))
      expect(days.every((day) => day.reach_1d! <= day.impressions!)).toBe(true)
    }
  })

  it('wins and loses followers as its count says', () => {
    const { profileDay } = world(anchor)
    const [before, now] = [profileDay(profile, '2026-06-01', anchor)!, profileDay(profile, '2026-06-02', anchor)!]
    expect(now.new_followers! - now.lost_followers!).toBe(now.followers! - before.followers!)
  })

  it('has a gap, a provisional end and nothing of tomorrow', () => {
    const { profileDay } = world(anchor)
    expect(profileDay(PROFILES[2]!, addDays(anchor, -17), anchor)).toBeUndefined()
    expect(profileDay(profile, addDays(anchor, 1), anchor)).toBeUndefined()
    expect(profileDay(profile, anchor, anchor)!.impressions!).toBeLessThan(
      profileDay(profile, anchor, addDays(anchor, 5))!.impressions!,
    )
  })

  it('draws evenly', () => {
    const draws = Array.from({ length: 4000 }, (_, index) => unit('even', index))
    for (let part = 0; part < 4; part++)
      expect(draws.filter((draw) => Math.floor(draw * 4) === part).length / 4000).toBeCloseTo(0.25, 1)
  })
})
