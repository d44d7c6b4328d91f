import type { ApexOptions } from 'apexcharts'
import { formatShort } from '~~/core/format/formatValue'
import { metricById } from '~~/core/metrics/catalogue'
import { shortDay } from '~~/core/periods/describePeriod'
import { daysBetween } from '~~/core/days/day'
import type { DayPoint } from '~~/core/series/dailyPoints'
import { axisOf } from './lineDrawing'
import { DARK, LIGHT, SERIES, SERIES_DARK } from '~/theme/tokens'

/** A note as far as a chart needs it. */
export interface ChartNote {
  from: string
  to: string
  title: string
}

/** What a chart draws for a day: its value, or the lower bound where that is all there is. */
export const drawn = (point: DayPoint | undefined): number | null => point?.value ?? point?.low ?? null

/** The runs of days on which fewer profiles have data than could have, as places on the axis from 1. */
export function gaps(points: readonly DayPoint[], expected: number): { from: number; to: number }[] {
  const runs: { from: number; to: number }[] = []
  points.forEach(({ present }, index) => {
    if (present >= expected) return
    const last = runs.at(-1)
    if (last && last.to === index) last.to = index + 1
    else runs.push({ from: index + 1, to: index + 1 })
  })
  return runs
}

/** The notes as places on the axis: where each begins and ends within the days shown. */
export function notePlaces(
  points: readonly DayPoint[],
  notes: readonly ChartNote[],
): { number: number; from: number; to: number; title: string }[] {
  const first = points[0]?.day
  if (!first) return []
  const place = (day: string) => Math.min(points.length, Math.max(1, daysBetween(first, day) + 1))
  return notes.map((note, index) => ({
    number: index + 1,
    from: place(note.from),
    to: place(note.to),
    title: note.title,
  }))
}

/** How strongly the days with data missing are shaded; the legend shades its sample the same. */
export const GAP_OPACITY = 0.3

/**
 * A run of days without those of other runs: where two shades would lie over each other, the colour would be neither.
 *
 * @example without({ from: 1, to: 5 }, [{ from: 2, to: 3 }]) // [{ from: 1, to: 1 }, { from: 4, to: 5 }]
 */
export function without(
  run: { from: number; to: number },
  others: readonly { from: number; to: number }[],
): { from: number; to: number }[] {
  const rest: { from: number; to: number }[] = []
  for (let place = run.from; place <= run.to; place++) {
    if (others.some(({ from, to }) => place >= from && place <= to)) continue
    const last = rest.at(-1)
    if (last && last.to === place - 1) last.to = place
    else rest.push({ from: place, to: place })
  }
  return rest
}

/** What a chart of a line over time shows. */
export interface LineOptions {
  metric: string
  current: readonly DayPoint[]
  expected: number
  notes: readonly ChartNote[]
  locale: string
  isDark: boolean
  /** The faces of its letters, as a style has them. */
  font: string
  hasEarlier?: boolean
  /** A second metric with an axis of its own on the right. */
  second?: string
  /** What the first line and its comparison, and the second line, go through. */
  values?: { first: readonly (number | null)[]; second: readonly (number | null)[] }
  /** Every line on the scale of its own first day, which is 100. */
  isIndex?: boolean
}

/** Where an axis begins and ends: at zero for what is counted, around the line for a level. */
function ends(metric: string, values: readonly (number | null)[]) {
  const { least, most, marks } = axisOf(values, metricById(metric).kind === 'stock')
  return { min: least, max: most, tickAmount: marks.length - 1 }
}

/** The axes: the period and its comparison share one; a second metric has its own, unless everything is an index. */
function axes({ metric, second, isIndex, hasEarlier, locale, values }: LineOptions): ApexYAxis[] {
  const style = { fontSize: '12.5px' }
  const axis = (id: string, through: readonly (number | null)[] = []): ApexYAxis => ({
    ...ends(id, through),
    labels: { style, formatter: (value) => formatShort(value, metricById(id).unit, locale) },
  })
  if (isIndex) {
    const index: ApexYAxis = {
      forceNiceScale: true,
      tickAmount: 4,
      labels: { style, formatter: (value) => String(Math.round(value)) },
    }
    return [{ ...index, seriesName: ['Period', ...(hasEarlier ? ['Comparison'] : []), ...(second ? ['Second'] : [])] }]
  }
  return [
    { ...axis(metric, values?.first), seriesName: ['Period', ...(hasEarlier ? ['Comparison'] : [])] },
    ...(second ? [{ ...axis(second, values?.second), seriesName: 'Second', opposite: true }] : []),
  ]
}

/**
 * The options of a line over time in the product's look: no frame, light horizontal lines, the comparison grey and
 * dashed.
 */
export function lineOptions(given: LineOptions): ApexOptions {
  const tokens = given.isDark ? DARK : LIGHT
  const series = given.isDark ? SERIES_DARK : SERIES
  const days = given.current.length
  const lines = [
    { colour: series[0]!, width: 2.2, dash: 0 },
    ...(given.hasEarlier === false ? [] : [{ colour: tokens.earlier, width: 1.6, dash: 4 }]),
    ...(given.second ? [{ colour: series[1]!, width: 2.2, dash: 0 }] : []),
  ]
  const places = notePlaces(given.current, given.notes)
  const missing = gaps(given.current, given.expected)
  const band = (from: number, to: number) => ({
    x: Math.max(1, from - 0.5),
    x2: Math.min(days, to + 0.5) + (from === to && days === 1 ? 0.01 : 0),
    fillColor: tokens.rule2,
    opacity: GAP_OPACITY,
    borderColor: 'transparent',
  })
  return {
    chart: {
      type: 'line',
      toolbar: { show: false },
      zoom: { enabled: false },
      animations: { enabled: false },
      fontFamily: given.font,
      foreColor: tokens.ink3,
      background: 'transparent',
      parentHeightOffset: 0,
    },
    theme: { mode: given.isDark ? 'dark' : 'light' },
    colors: lines.map(({ colour }) => colour),
    stroke: { width: lines.map(({ width }) => width), dashArray: lines.map(({ dash }) => dash), curve: 'straight' },
    markers: { size: days === 1 ? 4 : 0, hover: { size: 4 } },
    grid: { borderColor: tokens.rule, strokeDashArray: 0, padding: { left: 8, right: 12, top: 4 } },
    legend: { show: false },
    dataLabels: { enabled: false },
    xaxis: {
      type: 'numeric',
      min: 1,
      max: Math.max(days, 1.01),
      tickAmount: Math.min(days - 1, 4) || undefined,
      axisBorder: { show: false },
      axisTicks: { show: false },
      tooltip: { enabled: false },
      labels: {
        style: { fontSize: '12.5px' },
        formatter: (value) => {
          const point = given.current[Math.round(Number(value)) - 1]
          return point ? shortDay(point.day) : ''
        },
      },
    },
    yaxis: axes(given),
    tooltip: { enabled: false },
    annotations: {
      xaxis: [
        ...missing.map(({ from, to }) => band(from, to)),
        ...places
          .filter(({ from, to }) => to > from)
          .flatMap((place) => without(place, missing))
          .map(({ from, to }) => ({ ...band(from, to), fillColor: tokens.range, opacity: 0.3 })),
        ...places.map(({ number, from, to }) => ({
          x: (from + to) / 2,
          borderColor: tokens.zaffer,
          strokeDashArray: 0,
          label: {
            text: String(number),
            orientation: 'horizontal',
            offsetY: -2,
            borderColor: tokens.zaffer,
            borderRadius: 9,
            style: {
              background: tokens.zaffer,
              color: tokens.onZaffer,
              fontSize: '12.5px',
              fontWeight: '600',
              padding: { left: 6, right: 6, top: 2, bottom: 3 },
            },
          },
        })),
      ],
    },
  }
}
