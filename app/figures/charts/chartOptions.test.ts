import { describe, expect, it } from 'vitest'
import { addDays } from '../../../core/days/day'
import type { DayPoint } from '../../../core/series/dailyPoints'
import { drawn, GAP_OPACITY, gaps, lineOptions, notePlaces, without } from './chartOptions'

const points: DayPoint[] = Array.from({ length: 10 }, (_, index) => ({
  day: addDays('2026-10-01', index),
  value: 10 + index,
  present: index === 3 || index === 4 || index === 8 ? 1 : 2,
}))

describe('what a chart draws', () => {
  it('is the value, or the lower bound where that is all there is, or nothing', () => {
    expect(drawn({ day: '2026-10-01', value: 0, present: 1 })).toBe(0)
    expect(drawn({ day: '2026-10-01', low: 4, high: 9, present: 2 })).toBe(4)
    expect(drawn({ day: '2026-10-01', present: 0 })).toBeNull()
    expect(drawn(undefined)).toBeNull()
  })

  it('shades the days on which a profile is missing', () => {
    expect(gaps(points, 2)).toEqual([
      { from: 4, to: 5 },
      { from: 9, to: 9 },
    ])
    expect(gaps(points, 1)).toEqual([])
  })

  it('puts notes at their days, and those that begin earlier or end later at the edges', () => {
    const notes = [
      { from: '2026-09-20', to: '2026-10-02', title: 'before' },
      { from: '2026-10-05', to: '2026-10-05', title: 'in' },
      { from: '2026-10-09', to: '2026-11-01', title: 'after' },
    ]
    expect(notePlaces(points, notes)).toEqual([
      { number: 1, from: 1, to: 2, title: 'before' },
      { number: 2, from: 5, to: 5, title: 'in' },
      { number: 3, from: 9, to: 10, title: 'after' },
    ])
    expect(notePlaces([], notes)).toEqual([])
  })
})

describe('the options of a line', () => {
  const given = {
    metric: 'impressions',
    current: points,
    expected: 2,
    notes: [{ from: '2026-10-05', to: '2026-10-06', title: 'x' }],
    locale: 'en-GB',
    isDark: false,
    font: 'sans-serif',
  }
  const options = lineOptions(given)

  it('begin at zero for what is counted, and fit the line of a level', () => {
    expect(
      lineOptions({ ...given, second: 'followers', values: { first: [1], second: [1000, 1020] } }).yaxis,
    ).toMatchObject([{ min: 0 }, { min: 1000, max: 1020 }])
  })

  it('shade the days with data missing as the legend does, and those of a note beside them', () => {
    const bands = (options.annotations!.xaxis as { x: number; x2?: number; opacity?: number }[]).filter(
      ({ x2 }) => x2 !== undefined,
    )
    expect(bands.map(({ x, x2, opacity }) => [x, x2, opacity])).toEqual([
      [3.5, 5.5, GAP_OPACITY],
      [8.5, 9.5, GAP_OPACITY],
      [5.5, 6.5, 0.3],
    ])
    expect(without({ from: 1, to: 5 }, [{ from: 2, to: 3 }])).toEqual([
      { from: 1, to: 1 },
      { from: 4, to: 5 },
    ])
    expect(without({ from: 2, to: 3 }, [{ from: 1, to: 9 }])).toEqual([])
  })

  it('never begin above zero, and do not move', () => {
    expect(options.yaxis).toMatchObject([{ min: 0 }])
    expect(options.chart).toMatchObject({ animations: { enabled: false }, toolbar: { show: false } })
  })

  it('name the days on the axis', () => {
    const label = options.xaxis!.labels!.formatter! as (value: string) => string
    expect([label('1'), label('10'), label('11')]).toEqual(['1 Oct', '10 Oct', ''])
  })

  it('write the axis in the unit of the metric', () => {
    const label = (metric: string, value: number) =>
      (lineOptions({ ...given, metric }).yaxis as { labels: { formatter: (value: number) => string } }[])[0]!.labels
        .formatter(value)
        .replaceAll('\u202F', ' ')
    expect([
      label('impressions', 12_000),
      label('engagement_by_reach', 0.05),
      label('frequency', 1.5),
      label('watch_time', 7200),
    ]).toEqual(['12.0 k', '5.0 %', '1.5', '2 h 0 min'])
  })

  it('draw the comparison thin and dashed', () =>
    expect(options.stroke).toMatchObject({ width: [2.2, 1.6], dashArray: [0, 4] }))

  it('give a second metric an axis of its own on the right, and none to an index', () => {
    const axes = (part: object) =>
      lineOptions({ ...given, second: 'engagement_by_reach', hasEarlier: true, ...part }).yaxis as {
        opposite?: boolean
        seriesName: unknown
        labels: { formatter: (value: number) => string }
      }[]
    expect(axes({}).map(({ opposite, seriesName }) => [opposite, seriesName])).toEqual([
      [undefined, ['Period', 'Comparison']],
      [true, 'Second'],
    ])
    expect(axes({})[1]!.labels.formatter(0.05).replaceAll('\u202F', ' ')).toBe('5.0 %')
    expect(axes({ isIndex: true })).toHaveLength(1)
    expect(axes({ isIndex: true })[0]!.labels.formatter(112.4)).toBe('112')
    expect(lineOptions({ ...given, second: 'posts', hasEarlier: false }).stroke).toMatchObject({ dashArray: [0, 0] })
  })

  it('can draw a single day', () => {
    const single = lineOptions({ ...given, current: points.slice(0, 1) })
    expect(single.markers!.size).toBe(4)
    expect(single.xaxis!.max).toBeGreaterThan(single.xaxis!.min!)
  })
})
