import { describe, expect, it } from 'vitest'
import { calculator, recompute } from '../figures/working'
import { emptyWindows } from '../rollup/aggregate'
import { aggregateTable } from '../rollup/aggregateTable'
import { factTable, type ProfileDay } from '../rollup/factTable'
import { daysEnding, eachDay } from '../periods/period'
import { randomDuplication } from './randomDuplication'
import { reachBounds } from './reachBounds'

const calc = calculator(true)
const end = '2026-10-28'

/** Daily rows of one profile; `change` edits or removes a day. */
function windowsOf(days: number, daily: number, seven?: number, twentyEight?: number, change: (row: ProfileDay, index: number) => ProfileDay | undefined = (row) => row) {
  const period = daysEnding(end, days)
  const rows = eachDay(period).flatMap((day, index) => change({ profile: 1, day, reach_1d: daily, reach_7d: seven, reach_28d: twentyEight }, index) ?? [])
  return aggregateTable(factTable(rows), period, new Map([[1, 'tintype']]), ['reach_1d', 'reach_7d', 'reach_28d'])[0]!.windows.reach
}
const bounds = (windows: ReturnType<typeof windowsOf>, impressions?: number) => {
  const found = reachBounds(calc, windows, impressions)
  return found && { exact: found.exact?.value, low: found.low.value, high: found.high?.value }
}

describe('reach of one profile', () => {
  it('is exact when a window fits the period', () => {
    expect(bounds(windowsOf(28, 100, 500, 1200))).toEqual({ exact: 1200, low: 1200, high: 1200 })
    expect(bounds(windowsOf(7, 100, 500, 1200))).toEqual({ exact: 500, low: 500, high: 500 })
    expect(bounds(windowsOf(1, 100, 500, 1200))).toEqual({ exact: 100, low: 100, high: 100 })
  })

  it('is bounded by the largest window inside and by the windows that tile the period', () => {
    expect(bounds(windowsOf(28, 100, 500))).toEqual({ exact: undefined, low: 500, high: 2000 })
    expect(bounds(windowsOf(30, 100, 500, 1200))).toEqual({ exact: undefined, low: 1200, high: 1400 })
    expect(bounds(windowsOf(10, 100, 500))).toEqual({ exact: undefined, low: 500, high: 800 })
  })

  it('cannot exceed the impressions', () => {
    expect(bounds(windowsOf(28, 100, 500), 1700)).toMatchObject({ low: 500, high: 1700 })
  })

  it('takes the cheaper tiles, day by day where a week would cost more', () => {
    expect(bounds(windowsOf(14, 80, 500, undefined, (row, index) => ({ ...row, reach_1d: index < 7 ? 60 : 80 })))).toMatchObject({ low: 500, high: 500 + 420 })
  })

  it('uses no window that begins before the period', () => {
    expect(bounds(windowsOf(6, 100, 500))).toEqual({ exact: undefined, low: 100, high: 600 })
  })

  it('has no upper end where a day is missing and no window covers it', () => {
    const gap = windowsOf(10, 100, undefined, undefined, (row, index) => (index === 4 ? undefined : row))
    expect(bounds(gap)).toEqual({ exact: undefined, low: 100, high: undefined })
    expect(bounds(gap, 4000)).toMatchObject({ high: 4000 })
  })

  it('bridges a missing day with a week that covers it', () => {
    expect(bounds(windowsOf(14, 100, 500, undefined, (row, index) => (index === 10 ? undefined : row)))).toMatchObject({ low: 500, high: 1000 })
  })

  it('never lets the upper end lie below the lower, even where a network contradicts itself', () => {
    expect(bounds(windowsOf(10, 10, 500), 90)).toMatchObject({ low: 500, high: 500 })
  })

  it('says nothing without any window', () => {
    expect(reachBounds(calc, emptyWindows(daysEnding(end, 10)), 10)).toBeUndefined()
  })

  it('can be computed again from its working', () => {
    const found = reachBounds(calc, windowsOf(30, 100, 500, 1200), 1300)!
    expect(recompute(found.low)).toBe(found.low.value)
    expect(recompute(found.high!)).toBe(1300)
  })
})

describe('random duplication', () => {
  it('counts nobody twice', () => {
    expect(randomDuplication(100, [40, 30])).toBeCloseTo(58, 10)
    expect(randomDuplication(100, [])).toBe(0)
    expect(randomDuplication(100, [100, 30])).toBe(100)
    expect(randomDuplication(100, [140])).toBe(100)
  })
  it('needs a universe', () => expect(() => randomDuplication(0, [1])).toThrow('above zero'))
})
