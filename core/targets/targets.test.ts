import { describe, expect, it } from 'vitest'
import { addDays, weekday } from '../days/day'
import { daysEnding, eachDay } from '../periods/period'
import { forecastSum } from './forecast'
import { holdOut } from './holdOut'
import { daysAhead, targetProgress, type TargetInput } from './target'

const from = '2026-10-29'
const past = (days: number, value: (index: number, day: string) => number) => eachDay(daysEnding('2026-10-28', days)).map((day, index) => ({ day, value: value(index, day) }))
const LEVELS = [10, 10, 12, 14, 20, 40, 30]

describe('where a figure is heading', () => {
  it('is its weekday pattern, exactly, where it follows one without fail', () => {
    const forecast = forecastSum(past(84, (_, day) => LEVELS[weekday(day) - 1]!), from, 14)!
    expect(forecast.value).toBeCloseTo(2 * LEVELS.reduce((sum, level) => sum + level, 0), 6)
    expect(forecast.high - forecast.low).toBeLessThan(0.001)
  })
  it('carries a straight line on', () => {
    // 100, 101, … 183 in the past; the next seven days are 184 to 190
    expect(forecastSum(past(84, (index) => 100 + index), from, 7)!.value).toBeCloseTo(187 * 7, 4)
  })
  it('does not carry a line on that is not asked for', () => {
    const forecast = forecastSum(past(84, (index) => 100 + index), from, 7, false)!
    expect(forecast.value).toBeCloseTo(141.5 * 7, 4)
  })
  it('keeps to the level where the line is no larger than its own error', () => {
    const noisy = past(84, (index) => 100 + (index * 7919) % 41 + 0.001 * index)
    expect(Math.abs(forecastSum(noisy, from, 28)!.value / 28 - 120)).toBeLessThan(3)
  })
  it('is the less sure the further it goes', () => {
    const noisy = past(84, (index) => 100 + (index * 7919) % 41)
    const width = (days: number) => { const { low, high } = forecastSum(noisy, from, days)!; return high - low }
    expect(width(28)).toBeGreaterThan(width(7))
  })
  it('needs four weeks, and every weekday', () => {
    expect(forecastSum(past(27, () => 5), from, 7)).toBeUndefined()
    expect(forecastSum(past(84, () => 5).filter(({ day }) => weekday(day) !== 7), from, 7)).toBeUndefined()
  })
  it('leaves days without data out, and does not look ahead', () => {
    const gapped = [...past(84, () => 5).filter((_, index) => index % 9 !== 0), { day: addDays(from, 1), value: 1e9 }]
    expect(forecastSum(gapped, from, 10)!.value).toBeCloseTo(50, 6)
  })
  it('of no days is nothing', () => expect(forecastSum(past(84, () => 5), from, 0)).toEqual({ value: 0, low: 0, high: 0 }))
})

describe('the hold-out', () => {
  it('tries every earlier week for which the past reaches back far enough', () => {
    // 140 days of past: origins 10, 17, … days back need 84 days before them, so up to 56 days back
    const tried = holdOut(past(140, (_, day) => LEVELS[weekday(day) - 1]!), from, 10)
    expect(tried.tried).toBe(7)
    expect(tried.typicalError).toBeCloseTo(0, 9)
  })
  it('says when outcomes lie outside', () => {
    const jumped = past(200, (index) => (index < 180 ? 10 + (index % 3) : 500))
    const { tried, within } = holdOut(jumped, from, 20)
    expect(within).toBeLessThan(tried)
  })
  it('tries nothing when the past is short', () => expect(holdOut(past(60, () => 1), from, 28)).toEqual({ tried: 0, within: 0 }))
})

describe('a target', () => {
  const base: TargetInput = { kind: 'flow', wanted: 300, isCeiling: false, from: '2026-10-01', by: '2026-10-30', last: '2026-10-10', now: 80 }
  it('tells the way done, the pace and the pace needed', () => {
    expect(targetProgress(base)).toMatchObject({ done: 80 / 300, elapsed: 1 / 3, daysLeft: 20, pace: 8, paceNeeded: 11, standing: 'unknown' })
  })
  it('of a level counts the way from where it began', () => {
    expect(targetProgress({ ...base, kind: 'stock', wanted: 1200, start: 1000, now: 1050 })).toMatchObject({ done: 0.25, pace: 5, paceNeeded: 7.5 })
  })
  it.each([[310, 350, 'on course'], [280, 320, 'open'], [250, 290, 'in danger']] as const)('heading for %d to %d is %s', (low, high, standing) => {
    expect(targetProgress({ ...base, heading: { value: (low + high) / 2, low, high } }).standing).toBe(standing)
  })
  it('not to be exceeded is read the other way round', () => {
    const ceiling = { ...base, isCeiling: true }
    expect(targetProgress({ ...ceiling, heading: { value: 280, low: 250, high: 290 } }).standing).toBe('on course')
    expect(targetProgress({ ...ceiling, heading: { value: 350, low: 310, high: 390 } }).standing).toBe('in danger')
    expect(targetProgress({ ...ceiling, now: 301 }).standing).toBe('missed')
  })
  it('that is over was reached or missed, and a sum stays reached', () => {
    expect(targetProgress({ ...base, last: '2026-11-05', now: 300 }).standing).toBe('reached')
    expect(targetProgress({ ...base, last: '2026-11-05', now: 299 })).toMatchObject({ standing: 'missed', daysLeft: 0, elapsed: 1 })
    expect(targetProgress({ ...base, now: 300 }).standing).toBe('reached')
    expect(targetProgress({ ...base, kind: 'stock', start: 0, now: 300, heading: { value: 290, low: 280, high: 310 } }).standing).toBe('open')
  })
  it('of a rate has a pace but no way', () => {
    const rate = targetProgress({ ...base, kind: 'ratio', wanted: 0.05, now: 0.04, neededRate: 0.055 })
    expect(rate).toMatchObject({ pace: 0.04, paceNeeded: 0.055 })
    expect(rate).not.toHaveProperty('done')
  })
  it('says nothing of what has no figure, and refuses to end before it begins', () => {
    expect(targetProgress({ ...base, now: undefined })).toEqual({ standing: 'unknown', elapsed: 1 / 3, daysLeft: 20 })
    expect(() => targetProgress({ ...base, by: '2026-09-30' })).toThrow('ends (2026-09-30) before it begins')
  })
  it('counts the days ahead', () => expect([daysAhead('2026-10-28', '2026-10-30'), daysAhead('2026-10-28', '2026-10-28'), daysAhead('2026-10-28', '2026-10-01')]).toEqual([2, 0, 0]))
})
