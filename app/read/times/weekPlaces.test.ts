import { describe, expect, it } from 'vitest'
import { dayLine, dayY, hourX, markRadius, slotAt, slotByKey, WEEK } from './weekPlaces'

describe('the drawing of a week', () => {
  it('finds the slot of a place, and the place of a slot', () => {
    for (const slot of [0, 23, 24, 92, 167])
      expect(slotAt(hourX((slot % 24) + 0.5), dayY(Math.floor(slot / 24)) - WEEK.tall / 2)).toBe(slot)
    expect([slotAt(-50, -50), slotAt(9000, 9000)]).toEqual([0, 167])
  })
  it('goes by keys hour by hour and day by day, around the week', () => {
    expect([slotByKey(0, 'ArrowLeft'), slotByKey(167, 'ArrowRight')]).toEqual([167, 0])
    expect([slotByKey(5, 'ArrowUp'), slotByKey(160, 'ArrowDown')]).toEqual([149, 16])
    expect([slotByKey(92, 'Home'), slotByKey(92, 'End'), slotByKey(92, 'a')]).toEqual([72, 95, undefined])
  })
  it('draws a step for each hour and a gap where nothing is known', () => {
    const values = Array.from({ length: 168 }, (_, slot) => (slot === 30 ? null : 0.5))
    expect(dayLine(values, 0, 1)).toHaveLength(1)
    expect(dayLine(values, 1, 1)).toHaveLength(2)
    expect(dayLine([], 0, 0)).toEqual([])
    expect(dayLine(values, 0, 1)[0]!.line.startsWith(`M0.0 ${dayY(0) - WEEK.tall / 2}`)).toBe(true)
  })
  it('draws posts by their area, none of them out of bounds', () => {
    expect(markRadius(0.5) ** 2 / markRadius(-0.25) ** 2).toBeCloseTo(2, 9)
    expect([markRadius(-1), markRadius(90)]).toEqual([1.6, 6.5])
  })
})
