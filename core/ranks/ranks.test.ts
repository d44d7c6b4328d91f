import { describe, expect, it } from 'vitest'
import { bearing, distanceKm, pointFrom, windOf } from './greatCircle'
import { leadsUpTo } from './leadsUpTo'
import { areaOfPoint, gridPoints, gridSize, middleOf, MOST_RINGS } from './rankGrid'
import { byRank, inFirst, medianRank, moveOf, type Rank } from './rankFigures'
import { rankSum } from './rankSum'
import { checksUntil, nextCheck, runsOutOn, type Due } from './rankRhythm'
import { usualDifference, usualMove } from './wobble'

const MIDDLE = { lat: 49.6641, lon: -8.0287 }

describe('the median of ranks', () => {
  it.each<[ranks: Rank[], low: Rank, high: Rank]>([
    [[4], 4, 4],
    [[null], null, null],
    [[1, 2], 1.5, 1.5],
    [[1, 4, null], 4, 4],
    [[1, 4, null, null], 4, null],
    [[null, null, 3], null, null],
    [[20, null, 1, 2], 11, 11],
    [[20, 20], 20, 20],
    [[2, 10, 1], 2, 2],
  ])('of %j lies from %j to %j', (ranks, low, high) => expect(medianRank(ranks)).toEqual({ low, high }))

  it('of none is none, and one beyond is never a number', () => {
    expect(medianRank([])).toBeUndefined()
    // whichever number anybody put in its place, the median of the known ones does not move
    for (const place of [21, 50, 1000]) expect(medianRank([3, 5, place])).toEqual(medianRank([3, 5, null]))
  })

  it('counts the first three, orders and moves', () => {
    expect(inFirst([1, 3, 4, null, 3])).toBe(3)
    expect([null, 3, 1, null, 20].sort(byRank)).toEqual([1, 3, 20, null, null])
    expect([moveOf(7, 3), moveOf(3, null), moveOf(null, 20), moveOf(null, null)]).toEqual([
      { places: 4, isAtLeast: false },
      { places: -18, isAtLeast: true },
      { places: 1, isAtLeast: true },
      undefined,
    ])
  })
})

describe('a grid', () => {
  it.each([
    ['point', 0, 1],
    ['square', 1, 9],
    ['square', 6, 169],
    ['hexagon', 1, 7],
    ['hexagon', 3, 37],
    ['hexagon', 7, 169],
  ] as const)('of %s with %i rings has %i points, the place in their middle', (shape, rings, count) => {
    const points = gridPoints(MIDDLE, { shape, rings, spacing: 600 })
    expect([points.length, gridSize({ shape, rings })]).toEqual([count, count])
    expect(points.map(({ number }) => number)).toEqual(points.map((_, index) => index + 1))
    expect(distanceKm(points[middleOf({ shape, rings })]!, MIDDLE)).toBeLessThan(1e-9)
    expect(points[0]!.lat).toBeGreaterThanOrEqual(points.at(-1)!.lat)
  })

  it.each(['square', 'hexagon'] as const)('of %s has each point one step from its nearest', (shape) => {
    const points = gridPoints(MIDDLE, { shape, rings: 4, spacing: 800 })
    for (const point of points) {
      const nearest = Math.min(...points.filter((other) => other !== point).map((other) => distanceKm(point, other)))
      expect(nearest).toBeCloseTo(0.8, 3)
    }
    // six neighbours of a hexagon's point, four of a square's
    const near = points.filter((other) => Math.abs(distanceKm(MIDDLE, other) - 0.8) < 0.001)
    expect(near).toHaveLength(shape === 'hexagon' ? 6 : 4)
  })

  it('covers what its points stand for, and refuses what cannot be drawn', () => {
    expect(areaOfPoint({ shape: 'square', spacing: 500, rings: 3 })).toBe(0.25)
    expect(areaOfPoint({ shape: 'hexagon', spacing: 1000, rings: 3 })).toBeCloseTo(0.866, 3)
    expect(() => gridPoints(MIDDLE, { shape: 'square', spacing: 0, rings: 1 })).toThrow(/no step/)
    for (const rings of [-1, 1.5, MOST_RINGS + 1])
      expect(() => gridPoints(MIDDLE, { shape: 'square', spacing: 500, rings })).toThrow(/cannot be drawn/)
  })

  it('goes round the date line, and says where something lies', () => {
    const east = pointFrom({ lat: 10, lon: 179.9 }, 90, 50)
    expect(east.lon).toBeCloseTo(-179.643, 2)
    expect(windOf(bearing({ lat: 10, lon: 179.9 }, east))).toBe('east')
    expect([0, 44, 137, 359, 225, 337].map(windOf)).toEqual([
      'north',
      'north-east',
      'south-east',
      'north',
      'south-west',
      'north-west',
    ])
  })
})

describe('how far a place leads', () => {
  const at = (...ranks: Rank[]) => ranks.map((rank, index) => ({ km: index * 0.5, rank }))

  it('is where the fewest points are on the wrong side', () => {
    expect(leadsUpTo(at(1, 2, 3, 8, null))).toEqual({ km: 1.25, isBeyond: false, otherwise: 0 })
    expect(leadsUpTo(at(1, 9, 3, 3, 8, 2, 9, 9))).toEqual({ km: 1.75, isBeyond: false, otherwise: 2 })
    expect(leadsUpTo(at(9, 9, 9))).toEqual({ km: 0, isBeyond: false, otherwise: 0 })
    expect(leadsUpTo(at(1, 2, 1))).toEqual({ km: 1, isBeyond: true, otherwise: 0 })
    // of two that part them alike, the nearer
    expect(leadsUpTo(at(1, 9, 1, 9))).toEqual({ km: 0.25, isBeyond: false, otherwise: 1 })
    expect(leadsUpTo(at(1))).toBeUndefined()
  })

  it('keeps points that are as far away on one side', () => {
    const ring = [1, 9, 2, 9].map((rank) => ({ km: 1, rank }))
    expect(leadsUpTo([{ km: 0, rank: 1 }, ...ring])).toEqual({ km: 0.5, isBeyond: false, otherwise: 2 })
  })

  it('is as a look at every cut has it, over 300 grids', () => {
    let seed = 7
    const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647
    for (let round = 0; round < 300; round++) {
      const points = Array.from({ length: 2 + Math.floor(random() * 40) }, () => ({
        km: Math.round(random() * 30) / 10,
        rank: random() < 0.2 ? null : 1 + Math.floor(random() * 8),
      }))
      const isIn = (rank: Rank) => rank !== null && rank <= 3
      const wrongAt = (km: number) => points.filter((each) => isIn(each.rank) !== each.km <= km).length
      const cuts = [-1, ...points.map(({ km }) => km)]
      const lead = leadsUpTo(points)!
      expect(lead.otherwise).toBe(Math.min(...cuts.map(wrongAt)))
      if (lead.km > 0) expect(wrongAt(lead.km)).toBe(lead.otherwise)
    }
  })
})

describe('the rank-sum test', () => {
  /** Every way to choose, one after the other. */
  function byEnumeration(before: Rank[], now: Rank[]): number {
    const all = [...before, ...now]
    const place = (rank: Rank) => rank ?? 99
    const midrank = (rank: Rank) =>
      all.filter((other) => place(other) < place(rank)).length +
      (all.filter((other) => place(other) === place(rank)).length + 1) / 2
    const ranks = all.map(midrank)
    const middle = (before.length * (all.length + 1)) / 2
    const far = Math.abs(ranks.slice(0, before.length).reduce((sum, rank) => sum + rank, 0) - middle)
    let [beyond, ways] = [0, 0]
    for (let mask = 0; mask < 2 ** all.length; mask++) {
      const chosen = ranks.filter((_, index) => mask & (1 << index))
      if (chosen.length !== before.length) continue
      ways++
      if (Math.abs(chosen.reduce((sum, rank) => sum + rank, 0) - middle) >= far - 1e-9) beyond++
    }
    return beyond / ways
  }

  it.each<[Rank[], Rank[]]>([
    [
      [1, 2, 3, 4],
      [5, 6, 7, null],
    ],
    [
      [1, 1, 2, 2],
      [2, 2, 3, 3, 3],
    ],
    [
      [null, null, 3, 4, 5],
      [null, 1, 1, 2, 20, 6],
    ],
    [
      [4, 4, 4, 4],
      [4, 4, 4, 4],
    ],
  ])('of %j and %j is that of every way to share them out', (before, now) =>
    expect(rankSum(before, now)).toBeCloseTo(byEnumeration(before, now), 9),
  )

  it('needs four on either side, and says the same from either side', () => {
    expect(rankSum([1, 2, 3], [1, 2, 3, 4])).toBeUndefined()
    const [a, b] = [
      [1, 3, 5, null, 2],
      [4, null, 8, 9],
    ]
    expect(rankSum(a, b)).toBeCloseTo(rankSum(b, a)!, 12)
  })

  it('of what chance alone parts, calls one in twenty clear at the most', () => {
    let seed = 11
    const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647
    const draw = (): Rank => {
      const rank = 1 + Math.floor(random() * 26)
      return rank > 20 ? null : rank
    }
    const rounds = 1000
    let clear = 0
    for (let round = 0; round < rounds; round++) {
      const [before, now] = [Array.from({ length: 8 }, draw), Array.from({ length: 9 }, draw)]
      if (rankSum(before, now)! < 0.05) clear++
    }
    expect(clear / rounds).toBeLessThan(0.07)
    expect(clear / rounds).toBeGreaterThan(0.02)
  })
})

describe('what is usual from one check to the next', () => {
  it('is as far as four of five moves', () => {
    // 25 moves: twenty of one place, five of four
    const steady = Array.from({ length: 26 }, (_, index): Rank[] => [index % 2 === 0 ? 3 : index % 10 === 5 ? 7 : 4])
    expect(usualMove(steady)).toBeLessThanOrEqual(4)
    expect(usualMove(steady)).toBeGreaterThanOrEqual(1)
    expect(usualMove([[1, 2, 3]])).toBeUndefined()
    // where nothing is known nothing has moved
    expect(usualMove(Array.from({ length: 40 }, () => [null]))).toBeUndefined()
  })

  it('of the first three needs four differences', () => {
    const checks: Rank[][] = [
      [1, 1, 9],
      [1, 9, 9],
      [1, 2, 9],
      [1, 2, 9],
      [1, 9, null],
    ]
    expect(usualDifference(checks)).toBe(1)
    expect(usualDifference(checks.slice(1))).toBeUndefined()
  })
})

describe('a rhythm', () => {
  it.each([
    ['week', '2026-10-20', '2026-10-22', '2026-10-27'],
    ['week', '2026-10-01', '2026-10-22', '2026-10-22'],
    ['two-days', undefined, '2026-10-22', '2026-10-22'],
    ['by-hand', '2026-10-01', '2026-10-22', undefined],
  ] as const)('%s after %s is on %s due on %s', (id, last, today, next) =>
    expect(nextCheck(id, last, today)).toBe(next),
  )

  it('has as many checks to come as days are counted, over a whole month', () => {
    for (const [id, days] of [
      ['two-days', 2],
      ['week', 7],
      ['two-weeks', 14],
    ] as const)
      for (let day = 1; day <= 31; day++) {
        const today = `2026-10-${String(day).padStart(2, '0')}`
        let count = 0
        for (let due = day; due <= 31; due += days) count++
        expect(checksUntil(id, undefined, today, '2026-10-31')).toBe(count)
      }
    // and those of all together run out on the day on which a count of day by day has them run out
    const due: Due[] = [
      { rhythm: 'week', last: '2026-10-03', points: 37 },
      { rhythm: 'two-days', last: undefined, points: 1 },
      { rhythm: 'two-weeks', last: '2026-09-29', points: 49 },
      { rhythm: 'by-hand', last: '2026-10-01', points: 169 },
    ]
    for (const left of [0, 1, 40, 87, 88, 200, 500]) {
      let [used, found]: [number, string | undefined] = [0, undefined]
      for (let day = 5; day <= 31 && !found; day++) {
        if (day === 10 || day === 17 || day === 24 || day === 31) used += 37
        if ((day - 5) % 2 === 0) used += 1
        if (day === 13 || day === 27) used += 49
        if (used > left) found = `2026-10-${String(day).padStart(2, '0')}`
      }
      expect(runsOutOn(due, left, '2026-10-05', '2026-10-31'), String(left)).toBe(found)
    }
    expect(checksUntil('by-hand', undefined, '2026-10-01', '2026-10-31')).toBe(0)
    expect(checksUntil('week', '2026-10-28', '2026-10-29', '2026-10-31')).toBe(0)
  })
})
