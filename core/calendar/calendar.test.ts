import { describe, expect, it } from 'vitest'
import { rhythmOf, silences, usualOfWeek } from './rhythm'
import { spanAround, spanStep, weeksAround } from './spans'

describe('spans of a calendar', () => {
  it('are a day, a week from Monday on, or a month', () => {
    expect(spanAround('2026-10-29', 'day')).toEqual({ from: '2026-10-29', to: '2026-10-29' })
    expect(spanAround('2026-11-01', 'week')).toEqual({ from: '2026-10-26', to: '2026-11-01' })
    expect(spanAround('2028-02-10', 'month')).toEqual({ from: '2028-02-01', to: '2028-02-29' })
  })
  it('step over the ends of months and years', () => {
    expect(spanStep('2026-01-31', 'month', 1)).toBe('2026-02-28')
    expect(spanStep('2026-01-15', 'month', -1)).toBe('2025-12-15')
    expect(spanStep('2026-12-28', 'week', 1)).toBe('2027-01-04')
    expect(spanStep('2026-03-01', 'day', -1)).toBe('2026-02-28')
  })
  it('draw a month in whole weeks', () => {
    const weeks = weeksAround('2026-10-29')
    expect([weeks.length, weeks[0]![0], weeks.at(-1)!.at(-1)]).toEqual([5, '2026-09-28', '2026-11-01'])
    expect(weeksAround('2027-02-10')).toHaveLength(4)
  })
})

describe('silences', () => {
  it('are runs of days without a post, both ends included', () => {
    const week = { from: '2026-11-13', to: '2026-11-20' }
    expect(silences(['2026-11-19', '2026-11-13', '2026-11-13'], week, 2)).toEqual([
      { from: '2026-11-14', to: '2026-11-18', days: 5 },
    ])
    expect(silences(['2026-11-19', '2026-11-13'], week, 1)).toHaveLength(2)
    expect(silences([], week, 1)).toEqual([{ ...week, days: 8 }])
    expect(silences(['2026-11-01'], { from: '2026-11-02', to: '2026-11-02' }, 1)).toHaveLength(1)
  })
})

describe('rhythm', () => {
  const days = [
    { group: 'Murmur', day: '2026-10-20', posts: 4 },
    { group: 'Murmur', day: '2026-09-10', posts: 2 },
    { group: 'Tintype', day: '2026-10-28', posts: 8 },
    { group: 'Tintype', day: '2026-10-27', posts: 8 },
    // more than a year ago, and not over yet
    { group: 'Cork', day: '2025-10-01', posts: 8 },
    { group: 'Murmur', day: '2026-10-29', posts: 8 },
  ]
  it('is posts a week, against the weeks before, with the longest silence', () => {
    expect(rhythmOf(days, '2026-10-28')).toEqual([
      { group: 'Tintype', perWeek: 4, before: 0, last: '2026-10-28', silentDays: 0 },
      {
        group: 'Murmur',
        perWeek: 1,
        before: 0.5,
        longest: { from: '2026-09-11', to: '2026-10-19', days: 39 },
        last: '2026-10-20',
        silentDays: 8,
      },
    ])
    expect(rhythmOf([], '2026-10-28')).toEqual([])
  })
  it('is usual by the median of the twelve weeks before', () => {
    const weeks = Array.from({ length: 12 }, (_, index) => ({
      group: 'Tintype',
      day: new Date(Date.parse('2026-08-03') + index * 7 * 86_400_000).toISOString().slice(0, 10),
      posts: index + 1,
    }))
    expect(usualOfWeek(weeks, '2026-10-26')).toBe(6.5)
    expect(usualOfWeek(weeks.slice(6), '2026-10-26')).toBeUndefined()
  })
})
