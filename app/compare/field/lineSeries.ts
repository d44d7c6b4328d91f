import type { ApexOptions } from 'apexcharts'
import { formatShort } from '~~/core/format/formatValue'
import { formatShare, formatSignedShare, oneDecimal } from '~~/core/format/numbers'
import { metricById } from '~~/core/metrics/catalogue'
import { shortDay } from '~~/core/periods/describePeriod'
import type { FieldLines } from '~~/shared/compare/fieldLines'
import { DARK, LIGHT, SERIES, SERIES_DARK } from '~/theme/tokens'

/** More lines than these cannot be told apart; the others stand in the table. */
export const MOST_LINES = SERIES.length

/**
 * A value of a line as it is read: a count, a change or a share in percent, or an index.
 *
 * @example lineValue({ metric: 'followers', form: 'change' }, 0.021, 'en-GB') // '+2.1 %'
 */
export function lineValue(
  { metric, form }: Pick<FieldLines, 'metric' | 'form'>,
  value: number | undefined,
  locale: string,
): string {
  if (value === undefined) return '—'
  if (form === 'change') return formatSignedShare(value, locale)
  if (form === 'index') return oneDecimal(value, locale)
  if (form === 'share') return formatShare(value, locale)
  return formatShort(value, metricById(metric).unit, locale)
}

/** The lines that are drawn: the client first, then the others as the field has them. */
export const drawnMembers = ({ members }: FieldLines): FieldLines['members'] =>
  members
    .filter(({ values }) => values.some((value) => value !== undefined))
    .sort((a, b) => Number(b.isOwn) - Number(a.isOwn))
    .slice(0, MOST_LINES)

/** The stretches of a line that belong together: it is cut where its profiles are others, and has gaps where it had none. */
export const strokeSeries = (lines: FieldLines) =>
  drawnMembers(lines).flatMap(({ name, values, breaks }, colour) => {
    const cuts = lines.form === 'level' || lines.form === 'share' ? breaks.map(({ week }) => week) : []
    return [0, ...cuts].map((from, index) => {
      const to = cuts[index] ?? values.length
      return {
        name: index === 0 ? name : `${name}, part ${index + 1}`,
        colour,
        data: values.map((value, week) => ({ x: week, y: week >= from && week < to ? (value ?? null) : null })),
      }
    })
  })

/** The options of the chart in the product's look. */
export function fieldLineOptions(
  lines: FieldLines,
  { locale, isDark, font }: { locale: string; isDark: boolean; font: string },
): ApexOptions {
  const tokens = isDark ? DARK : LIGHT
  const colours = isDark ? SERIES_DARK : SERIES
  const series = strokeSeries(lines)
  const name = (week: number) => (lines.weeks[week] ? shortDay(lines.weeks[week]) : '')
  return {
    chart: {
      type: 'line',
      toolbar: { show: false },
      zoom: { enabled: false },
      animations: { enabled: false },
      fontFamily: font,
      foreColor: tokens.ink3,
      background: 'transparent',
      parentHeightOffset: 0,
    },
    theme: { mode: isDark ? 'dark' : 'light' },
    colors: series.map(({ colour }) => colours[colour]!),
    stroke: { width: series.map(({ colour }) => (colour === 0 ? 2.6 : 1.8)), curve: 'straight' },
    markers: { size: 0, hover: { size: 4 } },
    grid: { borderColor: tokens.rule, strokeDashArray: 0, padding: { left: 8, right: 12, top: 4 } },
    legend: { show: false },
    dataLabels: { enabled: false },
    xaxis: {
      type: 'numeric',
      min: 0,
      max: Math.max(1, lines.weeks.length - 1),
      tickAmount: 6,
      axisBorder: { show: false },
      axisTicks: { show: false },
      tooltip: { enabled: false },
      labels: { style: { fontSize: '12.5px' }, formatter: (value) => name(Math.round(Number(value))) },
    },
    yaxis: {
      forceNiceScale: true,
      tickAmount: 4,
      labels: {
        style: { fontSize: '12.5px' },
        formatter: (value) => lineValue(lines, value, locale),
      },
    },
    tooltip: { enabled: false },
    annotations: {
      xaxis: drawnMembers(lines).flatMap(({ breaks }, colour) =>
        breaks.map(({ week }) => ({ x: week, borderColor: colours[colour]!, strokeDashArray: 3 })),
      ),
    },
  }
}
