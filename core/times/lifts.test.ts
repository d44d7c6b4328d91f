import { describe, expect, it } from 'vitest'
import { besideUsual, type RespondedPost } from './besideUsual'
import { beyondChance } from './chance'
import { liftsOfPosts } from './liftsOfPosts'
import { goodSlots } from './goodSlots'
import { planTries } from './planTries'
import { responseOf } from './responses'
import { seeded } from './seeded'
import { halfWidth, slotLifts } from './slotLifts'
import { slotsApart } from './slots'
import { suggestSlots } from './suggestSlots'

const DAY = 86_400_000
const START = Date.parse('2026-01-05T00:00Z')
const normal = (random: () => number) => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())

/** Posts at random hours of a year; those of Thursday evenings bring so much more. */
function posts(many: number, more = 0, seed = 1, format: (index: number) => string = () => 'photo'): RespondedPost[] {
  const random = seeded(seed)
  return Array.from({ length: many }, (_, index) => {
    const [day, hour] = [Math.floor(random() * 364), 7 + Math.floor(random() * 14)]
    const isThere = day % 7 === 3 && hour >= 18
    const base = 2000 + Math.floor(random() * 500)
    return {
      at: START + day * DAY + hour * 3_600_000 + 600_000,
      profile: index % 2,
      format: format(index),
      response: Math.round(base * 0.05 * Math.exp((isThere ? more : 0) + 0.25 * normal(random))),
      base,
    }
  })
}

describe('responseOf', () => {
  it('is what is known of the response, over the base', () => {
    const post = { reactions: 8, comments: 2, saves: null, reach: 300, views: 0 }
    expect(responseOf(post, 'interactions', 'reach')).toEqual({ response: 10, base: 300 })
    expect(responseOf(post, 'comments', 'post')).toEqual({ response: 2 })
    expect(responseOf(post, 'clicks', 'reach')).toBeUndefined()
    expect(responseOf(post, 'interactions', 'views')).toBeUndefined()
  })
})

describe('besideUsual', () => {
  it('takes away what is usual for a profile, also where that grows', () => {
    const grown = posts(400).map((post) => ({
      ...post,
      response: Math.round(post.response * Math.exp((post.at - START) / DAY / 100) * (post.profile + 1)),
    }))
    const residuals = besideUsual(grown)
    const meanOf = (isIn: (post: RespondedPost) => boolean) => {
      const own = [...residuals].filter((_, index) => isIn(grown[index]!))
      return own.reduce((sum, value) => sum + value, 0) / own.length
    }
    expect(Math.abs(meanOf(({ at }) => at < START + 100 * DAY))).toBeLessThan(0.1)
    expect(Math.abs(meanOf(({ at }) => at > START + 264 * DAY))).toBeLessThan(0.1)
    expect(Math.abs(meanOf(({ profile }) => profile === 1))).toBeLessThan(0.05)
    expect(meanOf(() => true)).toBeCloseTo(0, 9)
  })
  it('takes away what a format does', () => {
    const mixed = posts(400, 0, 2, (index) => (index % 3 === 0 ? 'clip' : 'photo')).map((post) => ({
      ...post,
      response: post.format === 'clip' ? post.response * 3 : post.response,
    }))
    const residuals = besideUsual(mixed)
    const clips = [...residuals].filter((_, index) => mixed[index]!.format === 'clip')
    expect(Math.abs(clips.reduce((sum, value) => sum + value, 0) / clips.length)).toBeLessThan(0.08)
  })
  it('lets no single post decide', () => {
    const some = posts(60)
    some[7] = { ...some[7]!, response: 900_000 }
    expect(Math.max(...besideUsual(some))).toBeLessThan(1.2)
  })
  it('bears no post, one post and posts that are all alike', () => {
    expect(besideUsual([])).toHaveLength(0)
    expect([...besideUsual(posts(1))]).toEqual([0])
    const alike = posts(30).map((post) => ({ ...post, response: 100, base: 2000 }))
    expect([...besideUsual(alike)].every((value) => Math.abs(value) < 1e-9)).toBe(true)
  })
})

describe('slotLifts', () => {
  it('has a lift from three posts on, and says how many are missing', () => {
    const { slots } = slotLifts([5, 5, 5, 40, 40, 100], [0.3, 0.2, 0.4, -0.1, -0.2, -0.6])
    expect(slots[5]).toMatchObject({ posts: 3, missing: 0 })
    expect(slots[5]!.lift!.low).toBeLessThan(slots[5]!.lift!.value)
    expect(slots[40]).toMatchObject({ posts: 2, missing: 1 })
    expect(slots[40]!.lift).toBeUndefined()
    expect(slots[3]).toMatchObject({ posts: 0, missing: 3 })
    expect(slots[3]!.raw).toBeUndefined()
    expect(slots[5]!.raw).toBeCloseTo(Math.expm1(0.3), 12)
  })
  it('draws towards the neighbours, and less the more posts there are', () => {
    const lifted = (many: number) => {
      const random = seeded(9)
      const slots = [
        ...Array.from({ length: 300 }, () => Math.floor(random() * 168)),
        ...Array.from({ length: many }, () => 92),
      ]
      return slotLifts(
        slots,
        slots.map((slot) => (slot === 92 ? 0.5 : 0) + 0.4 * normal(random)),
      ).slots[92]!
    }
    const [few, lots] = [lifted(4), lifted(80)]
    expect(lots.lift!.high - lots.lift!.low).toBeLessThan(few.lift!.high - few.lift!.low)
    expect(Math.abs(Math.log1p(lots.lift!.value) - Math.log1p(lots.raw!))).toBeLessThan(0.05)
    expect(lots.lift!.value).toBeGreaterThan(0.4)
  })
  it('knows nothing without posts', () => {
    const { slots } = slotLifts([], [])
    expect(slots.every(({ lift, mean }) => lift === undefined && mean === 0)).toBe(true)
  })
})

describe('beyondChance', () => {
  it('sees an effect, and none where there is none', () => {
    const seen = liftsOfPosts(posts(500, 0.5), 'UTC')
    expect(seen.chance!.isBeyond).toBe(true)
    expect(liftsOfPosts(posts(500, 0), 'UTC').chance!.isBeyond).toBe(false)
    expect(seen.lifts.slots[92]!.lift!.low).toBeGreaterThan(0)
  })
  it('says nothing of fewer than twenty posts', () => {
    expect(liftsOfPosts(posts(19, 0.5), 'UTC').chance).toBeUndefined()
  })
  it('is the same each time', () => {
    const { slots, residuals } = liftsOfPosts(posts(200, 0.2), 'UTC')
    expect(beyondChance(slots, residuals)).toEqual(beyondChance(slots, residuals))
  })
})

describe('goodSlots', () => {
  const slot = (place: number, z: number) => ({
    slot: place,
    posts: 5,
    missing: 0,
    mean: z * 0.1,
    spread: 0.1,
    lift: { value: z * 0.1, low: z * 0.1 - 0.128, high: z * 0.1 + 0.128 },
  })
  it('asks the more of each the more are looked at', () => {
    // chances of 0.001, 0.02, 0.04 and 0.3: of four, each may have a tenth of its rank's quarter
    const some = [slot(1, 3.09), slot(2, 2.054), slot(3, 1.751), slot(4, 0.524)]
    expect(goodSlots(some, true).map(({ slot: at }) => at)).toEqual([1, 2, 3])
    const many = [...some, ...Array.from({ length: 60 }, (_, index) => slot(10 + index, 0))]
    expect(goodSlots(many, true).map(({ slot: at }) => at)).toEqual([1])
    expect(goodSlots(some, false)).toEqual([])
  })
})

describe('suggestSlots', () => {
  const { lifts, chance } = liftsOfPosts(posts(500, 0.5), 'UTC')
  const there = Array.from({ length: 168 }, (_, slot) => (slot % 24 === 12 ? 0.3 + slot / 1000 : 0.1))
  // a Thursday
  const from = Date.parse('2026-10-29T06:00Z')
  const base = { lifts: lifts.slots, isBeyond: chance!.isBeyond, wanted: 5, apartHours: 12, from, zone: 'UTC' }
  it('ranks by the near end of the lift, then by the audience', () => {
    const found = suggestSlots({ ...base, there })
    expect(found[0]!.by).toBe('posts')
    expect(found.at(-1)!.by).toBe('audience')
    const ends = found.filter(({ by }) => by === 'posts').map(({ slot }) => lifts.slots[slot]!.lift!.low)
    expect(ends).toEqual([...ends].sort((a, b) => b - a))
  })
  it('keeps apart from each other and from what is taken', () => {
    const taken = [{ profile: 1, at: Date.parse('2026-10-29T22:00Z') }]
    const found = suggestSlots({ ...base, there, wanted: 10, taken, profiles: [1] })
    for (const { slot, isTaken } of found)
      for (const other of [...found.map((each) => each.slot).filter((each) => each !== slot), ...(isTaken ? [] : [94])])
        expect(slotsApart(slot, other)).toBeGreaterThanOrEqual(12)
    expect(found.filter(({ isTaken }) => isTaken)).toEqual([{ slot: 91, by: 'posts', near: [0], isTaken: true }])
    expect(found.filter(({ isTaken }) => !isTaken)).toHaveLength(10)
  })
  it('leaves a slot to the profiles that do not post then, and to the weeks in which nobody does', () => {
    const [best] = suggestSlots(base)
    expect(best).toEqual({ slot: 91, by: 'posts' })
    const first = (at: string, profiles: number[]) =>
      suggestSlots({ ...base, taken: [{ profile: 1, at: Date.parse(at) }], profiles })[0]
    // one of two posts then: it is free for the other
    expect(first('2026-10-29T12:30Z', [1, 2])).toEqual({ slot: 91, by: 'posts', near: [0] })
    // one that is not asked about
    expect(first('2026-10-29T12:30Z', [2])).toEqual(best)
    // a week later
    expect(first('2026-11-05T19:00Z', [1])).toEqual(best)
  })
  it('takes the audience alone where nothing stands out, and nothing where that is not known', () => {
    expect(suggestSlots({ ...base, isBeyond: false, there }).every(({ by }) => by === 'audience')).toBe(true)
    expect(suggestSlots({ ...base, isBeyond: false })).toEqual([])
  })
  it('does not send anybody where posts did worse', () => {
    const worse = liftsOfPosts(posts(500, -0.8), 'UTC')
    const [bad] = worse.lifts.slots.filter(({ lift }) => lift && lift.high < 0)
    const full = Array.from({ length: 168 }, (_, slot) => (slot === bad!.slot ? 0.9 : 0.1))
    expect(
      suggestSlots({ ...base, lifts: worse.lifts.slots, isBeyond: true, there: full }).map(({ slot }) => slot),
    ).not.toContain(bad!.slot)
  })
})

describe('planTries', () => {
  const { lifts } = liftsOfPosts(posts(300), 'Europe/London')
  const from = Date.parse('2026-10-29T06:00Z')
  const base = { lifts, wanted: 6, apartHours: 12, from, zone: 'Europe/London' }
  it('spreads over weekdays, ahead, apart and in order', () => {
    const tries = planTries(base)
    expect(tries).toHaveLength(6)
    expect(new Set(tries.map(({ slot }) => Math.floor(slot / 24))).size).toBe(6)
    tries.forEach(({ at }, index) => {
      expect(at).toBeGreaterThan(from)
      if (index > 0) expect(at - tries[index - 1]!.at).toBeGreaterThanOrEqual(12 * 3_600_000)
    })
  })
  it('goes where the audience is and least is known, and says how much surer it makes', () => {
    const there = Array.from({ length: 168 }, (_, slot) => (slot % 24 >= 18 && slot % 24 < 22 ? 1 : 0.2))
    for (const { slot, now, after } of planTries({ ...base, there, wanted: 20 })) {
      expect(slot % 24).toBeGreaterThanOrEqual(18)
      expect(after).toBeLessThan(now)
    }
  })
  it('keeps away from what is planned', () => {
    const [first] = planTries(base)
    const others = planTries({ ...base, takenAt: [first!.at] })
    for (const { at } of others) expect(Math.abs(at - first!.at)).toBeGreaterThanOrEqual(12 * 3_600_000)
  })
  it('plans fewer where there is no room', () => {
    const there = Array.from({ length: 168 }, (_, slot) => (slot === 92 ? 1 : 0))
    expect(planTries({ ...base, there, wanted: 20 })).toHaveLength(8)
    expect(planTries({ ...base, there: there.map(() => 0) })).toEqual([])
  })
  it('narrows as the root of what is known', () => {
    expect(halfWidth(0.2, 0.4)).toBeCloseTo(Math.expm1(1.2815515655446008 * 0.2), 12)
    expect(halfWidth(0.2, 0.4, 4)).toBeCloseTo(Math.expm1(1.2815515655446008 / Math.sqrt(25 + 25)), 12)
  })
})
