import { describe, expect, it } from 'vitest'
import { countChange } from './countChange'

const month = (count: number, days = 28) => ({ count, days })

describe('the change of a count', () => {
  it('is its difference, and a part of what it was', () =>
    expect(countChange(month(120), month(80))).toEqual({
      chance: expect.closeTo(0.0454, 3) as number,
      from: 80,
      to: 120,
      difference: 40,
      relative: 0.5,
      isPerDay: false,
      isSmall: false,
      isUnclear: false,
    }))
  it('has no percentage without a base, and says where it rests on little', () => {
    expect(countChange(month(2), month(0))).not.toHaveProperty('relative')
    expect(countChange(month(4), month(2))).toMatchObject({ relative: 1, isSmall: true })
  })
  it('goes by the day where one period is longer', () => {
    const { relative, isPerDay, isUnclear } = countChange(month(310, 31), month(280, 28))
    expect(relative).toBeCloseTo(0)
    expect([isPerDay, isUnclear]).toEqual([true, true])
  })
  it('is none that is clear where chance may be all of it', () => {
    expect(countChange(month(101), month(100)).isUnclear).toBe(true)
    expect(countChange(month(400), month(300)).isUnclear).toBe(false)
    expect(countChange(month(5), month(5)).isUnclear).toBe(true)
  })
  it('needs days', () => expect(() => countChange(month(1, 0), month(1))).toThrow(RangeError))
})
