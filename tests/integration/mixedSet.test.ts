import { beforeAll, describe, expect, it } from 'vitest'
import { daysEnding, eachDay } from '../../core/periods/period'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { overview } from '../../server/read/overview/overview'
import { resolveScope } from '../../server/figures/resolveScope'
import { workings } from '../../server/read/overview/workings'
import { addClient, addDaysOf, addProfile, useDatabase } from './support/database'

useDatabase('mixed_set')
let db: ClientDb
let [page, photos]: number[] = []

/**
 * A mixed set over ten days, with pencil: a page whose network gives no 28-day reach and that lacks the eighth day, and
 * a photo profile that has every day. The comparison, the ten days before, is complete for both.
 */
beforeAll(async () => {
  db = await addClient('mixed', 10_000)
  page = await addProfile(db, 'commons', '1')
  photos = await addProfile(db, 'tintype', '2')
  const now = eachDay(daysEnding('2026-10-28', 10))
  const then = eachDay(daysEnding('2026-10-18', 10))
  const rows = [
    ...then.map((day) => ({
      profile: page!,
      day,
      impressions: 100,
      reactions: 4,
      comments: 1,
      shares: 0,
      reach_1d: 60,
      reach_7d: 300,
    })),
    ...then.map((day) => ({
      profile: photos!,
      day,
      impressions: 200,
      reactions: 10,
      comments: 0,
      shares: 0,
      saves: 0,
      reach_1d: 120,
      reach_7d: 600,
      reach_28d: 1500,
    })),
    ...now
      .filter((_, at) => at !== 7)
      .map((day, at) => ({
        profile: page!,
        day,
        impressions: 110 + at,
        reactions: 5,
        comments: 1,
        shares: 0,
        reach_1d: 60 + at,
        reach_7d: 310,
      })),
    ...now.map((day, at) => ({
      profile: photos!,
      day,
      impressions: 210 + at,
      reactions: 11,
      comments: 0,
      shares: 0,
      saves: 0,
      reach_1d: 130,
      reach_7d: 640,
      reach_28d: 1600,
    })),
  ]
  console.table(rows.filter(({ day }) => day >= now[0]!))
  await addDaysOf(db, rows)
})
const scope = () => resolveScope(db, { who: [], sets: [], period: 'last 10 days', against: 'before' })

describe('a mixed set, with pencil', () => {
  it('adds what can be added, over the days that are there', async () => {
    const { figures } = await overview(db, await scope(), { metric: 'impressions' })
    const impressions = figures.find(({ figure }) => figure.metric === 'impressions')!
    // page: 110 + 111 + … + 118 = 1,026; photos: 210 + … + 219 = 2,145
    expect(impressions.figure).toMatchObject({ value: 1026 + 2145, coverage: { expected: 20, present: 19 } })
    // the page's comparison leaves out the day that belongs to the missing one: 9 × 100, beside 10 × 200
    expect(impressions.change).toMatchObject({
      to: 3171,
      from: 2900,
      basis: 'over the 19 of 20 profile-days with data in both periods',
    })
    const interactions = figures.find(({ figure }) => figure.metric === 'interactions')!
    // 9 × 6 and 10 × 11, against 9 × 5 and 10 × 10
    expect(interactions.change).toMatchObject({ to: 54 + 110, from: 45 + 100 })
  })

  it('bounds the reach of each profile by hand', async () => {
    const { profiles } = await overview(db, await scope(), { metric: 'impressions' })
    const reach = (profile: number) => profiles.find((row) => row.profile === profile)!.figures.reach!.figure
    // page: at least a week of 310. Tiles from the end: the last seven days as a week of 310, and the first three day
    // by day, 60 + 61 + 62. Impressions are no ceiling, since a day is missing.
    expect(reach(page!)).toMatchObject({ exactness: 'bounded', low: 310, high: 310 + 183 })
    // photos: a week of 640, and 3 × 130; its 28-day windows begin before the period and say nothing. Impressions are
    // 2,145.
    expect(reach(photos!)).toMatchObject({ low: 640, high: 640 + 390 })
  })

  it('lets people who follow both be one person', async () => {
    const { figure } = await workings(db, await scope(), 'reach')
    expect(figure).toMatchObject({ low: 640, high: 493 + 1030, exactness: 'estimated' })
    // the middles of the ranges, 401.5 and 835 of 10,000, overlapping at random
    expect(figure.value).toBeCloseTo(10_000 * (1 - (1 - 401.5 / 10_000) * (1 - 835 / 10_000)), 6)
  })

  it('names the day that is missing', async () => {
    const { missing } = await workings(db, await scope(), 'impressions')
    expect(missing).toEqual([
      { profile: page, name: 'Profile 1, Commons', ranges: [{ from: '2026-10-26', to: '2026-10-26' }] },
    ])
  })
})
