import { describe, expect, it } from 'vitest'
import { addDays } from '../days/day'
import { causesOf, isExplained } from './causes'
import type { JudgedDay } from './unusualDays'

const first = '2026-10-01'
const days = (...scores: number[]): JudgedDay[] =>
  scores.map((score, index) => ({ day: addDays(first, index), value: 100, usual: 100, isSmall: false, score }))
const spans = (judged: Record<number, JudgedDay[]>) =>
  causesOf(new Map(Object.entries(judged).map(([profile, list]) => [Number(profile), list]))).map(
    ({ from, to, direction, members }) => [
      from.slice(8),
      to.slice(8),
      direction,
      members.map(({ profile }) => profile),
    ],
  )

describe('one cause', () => {
  it('is one finding for a run of days: those beside an unusual day that lean the same way', () => {
    expect(spans({ 1: days(0, -2.5, -4, -3, -1, 0) })).toEqual([['02', '04', 'down', [1]]])
    expect(spans({ 1: days(0, -4, -1, -2.2, 0, 4) })).toEqual([
      ['02', '04', 'down', [1]],
      ['06', '06', 'up', [1]],
    ])
    expect(spans({ 1: days(0, -3.4, -1, 3, 0) })).toEqual([])
  })

  it('is unusual together where no day is so alone: two days at 3.1 and 2.6 are 4.0', () => {
    expect(spans({ 1: days(0, 3.1, 2.6, 0) })).toEqual([['02', '03', 'up', [1]]])
    expect(spans({ 1: days(0, 2.2, 2.2, 0) })).toEqual([])
  })

  it('is one finding over several profiles, whether or not each is unusual by itself', () => {
    expect(
      spans({ 1: days(0, -4, -4, -4), 2: days(0, -3.6, -3, 0), 3: days(0, -1.5, -1.5, -1.6), 4: days(0, 1, -1, 0) }),
    ).toEqual([['02', '04', 'down', [1, 2, 3]]])
    expect(spans({ 1: days(6, 0), 2: days(-6, 0) })).toEqual([
      ['01', '01', 'up', [1]],
      ['01', '01', 'down', [2]],
    ])
  })

  it('does not take in another profile for a single day that is a little off', () => {
    expect(spans({ 1: days(0, 9, 0), 2: days(0, 2, 0) })).toEqual([['02', '02', 'up', [1]]])
  })

  it('lasts as long as the strongest where others take part, each on a day of its own', () => {
    const own = (place: number) => days(...[0, 1, 2, 3].map((index) => (index === place ? -4 : 0)))
    expect(spans({ 1: days(-6, -6, -6, -6), 2: own(0), 3: own(1), 4: own(2), 5: own(3) })).toEqual([
      ['01', '04', 'down', [1, 2, 3, 4, 5]],
    ])
  })

  it('comes first when more days and profiles speak for it', () => {
    expect(spans({ 1: days(-4, -4, -4, 0, 8), 2: days(-4, -4, -4, 0, 0) })[0]).toEqual(['01', '03', 'down', [1, 2]])
  })

  it('does not bridge days that are missing', () => {
    const gapped = days(-4, -4, -4, -4, -4).filter((_, index) => index !== 1 && index !== 2)
    expect(spans({ 1: gapped })).toHaveLength(2)
  })

  it('is explained by a note that touches it', () => {
    const run = { from: '2026-10-07', to: '2026-10-09' }
    expect(isExplained(run, [{ from: '2026-10-09', to: '2026-10-12' }])).toBe(true)
    expect(isExplained(run, [{ from: '2026-10-10', to: '2026-10-12' }])).toBe(false)
  })
})
