import { describe, expect, it } from 'vitest'
import { randomDuplication } from '../../core/reach/randomDuplication'
import { simultaneousIntervals } from '../../core/statistics/simultaneousIntervals'
import { wilson } from '../../core/statistics/wilson'

describe('Wilson interval', () => {
  // Newcombe RG (1998), Statistics in Medicine 17:857–872, table I, method 3 (score method without continuity
  // correction)
  it.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])('of %d in %d', (count, total, low, high) => {
    const interval = wilson(count, total)
    expect(interval.low).toBeCloseTo(low, 4)
    expect(interval.high).toBeCloseTo(high, 4)
  })
  it('is for proportions only', () => {
    expect(() => wilson(3, 2)).toThrow('no proportion')
    expect(() => wilson(0, 0)).toThrow('no proportion')
    expect(wilson(20, 20)).toEqual({ low: expect.closeTo(0.8389, 4), high: 1 })
  })
})

describe('intervals for several proportions (Goodman 1965)', () => {
  // Sison CP & Glaz J (1995), JASA 90:366–369, their example of seven cells and 467 observations, with the intervals
  // by Goodman's method to three digits (values from memory)
  it('of seven cells are the published ones', () => {
    const intervals = simultaneousIntervals([56, 72, 73, 59, 62, 87, 58], 467)
    const published = [
      [0.085, 0.166],
      [0.115, 0.204],
      [0.116, 0.207],
      [0.091, 0.173],
      [0.096, 0.181],
      [0.143, 0.239],
      [0.089, 0.171],
    ]
    for (const [index, [low, high]] of published.entries()) {
      expect(Math.abs(intervals[index]!.low - low!), `low end of cell ${index + 1}`).toBeLessThan(0.001)
      expect(Math.abs(intervals[index]!.high - high!), `high end of cell ${index + 1}`).toBeLessThan(0.001)
    }
  })
})

describe('random duplication (Sainsbury)', () => {
  // The example of media-planning handbooks: two vehicles that reach 40 % and 30 % reach 58 % together (value from
  // memory)
  it('of 40 % and 30 % is 58 %', () => expect(randomDuplication(100, [40, 30])).toBeCloseTo(58, 12))
  // 1 − (1 − p)^n for n equal vehicles: the binomial chance of at least one contact (common practice)
  it('of n equal vehicles is the binomial chance of at least one contact', () => {
    for (const [share, vehicles] of [
      [0.2, 3],
      [0.05, 10],
    ] as const) {
      expect(
        randomDuplication(
          1_000_000,
          Array.from({ length: vehicles }, () => share * 1_000_000),
        ),
      ).toBeCloseTo(1_000_000 * (1 - (1 - share) ** vehicles), 4)
    }
  })
})
