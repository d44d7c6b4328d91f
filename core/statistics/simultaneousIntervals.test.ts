import { describe, expect, it } from 'vitest'
import { unit } from '../../demo/random'
import { normalQuantile } from './normalQuantile'
import { simultaneousIntervals } from './simultaneousIntervals'
import { wilson } from './wilson'

describe('the normal quantile', () => {
  it('is that of the tables', () => {
    expect(normalQuantile(0.975)).toBeCloseTo(1.959963984540054, 14)
    expect(normalQuantile(0.995)).toBeCloseTo(2.5758293035489004, 13)
    expect(normalQuantile(0.5)).toBe(0)
    expect(normalQuantile(1e-12)).toBeCloseTo(-7.034483825301131, 9)
    expect(normalQuantile(0.2)).toBeCloseTo(-normalQuantile(0.8), 14)
  })
  it('is none outside', () => {
    for (const share of [0, 1, -1, Number.NaN]) expect(() => normalQuantile(share)).toThrow(RangeError)
  })
})

describe('intervals together', () => {
  it('are wider than each by itself, and of one answer the same', () => {
    const [first] = simultaneousIntervals([40, 60], 100)
    expect(first!.low).toBeLessThan(wilson(40, 100).low)
    expect(simultaneousIntervals([40], 100)[0]!.low).toBeCloseTo(wilson(40, 100).low, 9)
  })
  it('hold all proportions of a known world in at least 95 of a hundred polls', () => {
    const SHARES = [0.5, 0.3, 0.15, 0.05]
    let held = 0
    for (let poll = 0; poll < 2000; poll++) {
      const counts = SHARES.map(() => 0)
      for (let person = 0; person < 150; person++) {
        let left = unit('poll', poll, person)
        counts[SHARES.findIndex((share) => (left -= share) < 0)]!++
      }
      const intervals = simultaneousIntervals(counts, 150)
      if (intervals.every(({ low, high }, index) => low <= SHARES[index]! && SHARES[index]! <= high)) held++
    }
    expect(held / 2000).toBeGreaterThan(0.945)
  })
})
