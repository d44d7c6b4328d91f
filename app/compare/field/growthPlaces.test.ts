import { describe, expect, it } from 'vitest'
import { growthScale, namePlaces, type GrowingMember } from './growthPlaces'

const member = (id: number, followers: number, value: number, reach = 0.001): GrowingMember => ({
  id,
  name: `Member ${id}`,
  isOwn: id === 0,
  networks: [],
  profiles: 1,
  followers,
  growth: { value, low: value - reach, high: value + reach, weeks: 26 },
})

describe('where members of a field stand', () => {
  it('is by their following on a scale of logarithms, and by their growth upwards from the lowest mark', () => {
    const { x, y, marks, sizes } = growthScale([member(0, 10_000, 0.08), member(1, 40_000, -0.02)], 400, 200)
    // 20,000 is half way between 10,000 and 40,000, and both ends have the same margin
    expect(x(20_000)).toBeCloseTo(200, 9)
    expect(x(10_000)).toBeCloseTo(400 - x(40_000), 9)
    expect(sizes).toEqual([10_000, 20_000, 50_000])
    expect(marks[0]).toBeLessThanOrEqual(-2.1)
    expect(marks.at(-1)).toBeGreaterThanOrEqual(8.1)
    expect(marks).toContain(0)
    expect([y(marks[0]! / 100), y(marks.at(-1)! / 100)]).toEqual([expect.closeTo(200, 9), expect.closeTo(0, 9)])
  })

  it('fits one alone, and one that does not grow', () => {
    const { x, y, marks } = growthScale([member(0, 500, 0, 0)], 400, 200)
    expect(x(500)).toBeCloseTo(200, 9)
    expect(Number.isFinite(y(0))).toBe(true)
    expect(marks.length).toBeGreaterThan(1)
  })

  it('has names apart from each other, on the side that has room', () => {
    const members = [member(0, 10_000, 0.0101), member(1, 60_000, 0.01), member(2, 11_000, 0.0099)]
    const places = namePlaces(members, growthScale(members, 400, 200), 400)
    expect(places.map(({ member: { id }, isLeft }) => [id, isLeft])).toEqual([
      [0, false],
      [1, true],
      [2, false],
    ])
    for (const [index, { y }] of places.entries())
      if (index > 0) expect(y - places[index - 1]!.y).toBeGreaterThanOrEqual(14)
  })
})
