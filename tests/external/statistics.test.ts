import { describe, expect, it } from 'vitest'
import { randomDuplication } from '../../core/reach/randomDuplication'
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
