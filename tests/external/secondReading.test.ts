import { DateTime } from 'luxon'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '../../core/metrics/catalogue'
import { FACT_COLUMNS } from '../../core/metrics/storedFigures'
import { AGAINST, comparison, comparisonWith, earlierComparisons } from '../../core/periods/comparison'
import type { CalendarUnit } from '../../core/periods/periodKind'
import { aggregateTable } from '../../core/rollup/aggregateTable'
import { compareFigures } from '../../core/rollup/compareFigures'
import { factTable, type ProfileDay } from '../../core/rollup/factTable'
import { unit } from '../../demo/random'
import {
  METRICS,
  NETWORK_GIVES,
  once,
  read,
  readChange,
  type MetricId,
  type Reader,
  type Span,
  type Versus,
} from './support/secondReading'

const LAST = '2026-11-25'
const PAST_DAYS = 830
const NETWORKS = Object.keys(NETWORK_GIVES) as (keyof typeof NETWORK_GIVES)[]
const random = (most: number, ...key: (string | number)[]) => Math.floor(unit(...key) * most)

const FIRST = DateTime.fromISO(LAST, { zone: 'utc' }).minus({ days: PAST_DAYS - 1 })
const dates = new Map<number, DateTime>()
function dateOf(day: number): DateTime {
  const date = dates.get(day) ?? FIRST.plus({ days: day })
  dates.set(day, date)
  return date
}
const iso = (day: number) => dateOf(day).toISODate()!
const numberOf = (date: DateTime) => Math.round(date.diff(FIRST, 'days').days)
const inWords = ({ from, to }: Span) => ({ from: iso(from), to: iso(to) })
const DAYS = Array.from({ length: PAST_DAYS }, (_, day) => iso(day))

/**
 * A profile's past as files have it: it begins some day, days and single cells are missing, and windows of people are
 * more or less true.
 */
function readerOf(world: number, index: number): Reader {
  const network = NETWORKS[random(NETWORKS.length, world, index, 'network')]!
  const key = [world, index] as const
  const begin = unit(...key, 'late') < 0.3 ? random(PAST_DAYS, ...key, 'begin') : 0
  const lossy = unit(...key, 'lossy') < 0.5 ? 0 : 0.06
  const size = 20 ** (1 + unit(...key, 'size'))
  const gap = { from: random(PAST_DAYS, ...key, 'gap'), days: random(12, ...key, 'days') }
  const cell = (column: string, day: number) => {
    if (
      day < begin ||
      (day >= gap.from && day < gap.from + gap.days) ||
      (lossy > 0 && unit(...key, day, column, 'lost') < lossy)
    )
      return undefined
    const much = size * (0.6 + 0.8 * unit(...key, day, column)) * (1 + 0.3 * Math.sin(day / 9))
    if (column === 'followers') return Math.round(size * 10 + day)
    const window = /_(\d+)d$/.exec(column)
    return Math.round(
      window
        ? much * 0.6 * Number(window[1]) ** 0.6
        : column === 'impressions'
          ? much * 3
          : column === 'posts'
            ? unit(...key, day, 'posts') * 3
            : much * 0.2,
    )
  }
  return {
    network,
    known: new Map(),
    cells: Object.fromEntries(
      NETWORK_GIVES[network].split(' ').map((column) => [column, DAYS.map((_, day) => cell(column, day))]),
    ),
  }
}
/** A profile's rows, made once for each place that it has among others. */
function rowsOf(reader: Reader, profile: number): ProfileDay[] {
  return once(reader, `rows ${profile}`, () => {
    const columns = Object.entries(reader.cells)
    return DAYS.flatMap((day, index): ProfileDay[] => {
      const row = Object.fromEntries(columns.map(([column, values]) => [column, values[index] ?? null]))
      return Object.values(row).every((value) => value === null) ? [] : [{ profile, day, ...row }]
    })
  })
}

const years = new Map<number, number | undefined>()
/** The same date a year before; none for 29 February. */
function yearBefore(day: number): number | undefined {
  if (!years.has(day)) {
    const date = dateOf(day)
    years.set(day, date.month === 2 && date.day === 29 ? undefined : numberOf(date.minus({ years: 1 })))
  }
  return years.get(day)
}

/** The same comparisons, found with luxon's calendar. */
function versusOf(span: Span, against: string, running: CalendarUnit | undefined): Versus | undefined {
  const [from, to] = [dateOf(span.from), dateOf(span.to)]
  const days = span.to - span.from + 1
  const spanOf = (other: { from: DateTime; to: DateTime }): Span => ({
    from: numberOf(other.from),
    to: numberOf(other.to),
  })
  const shifted = (other: { from: DateTime; to: DateTime }): Versus => {
    const there = spanOf(other)
    return { span: there, other: (day) => day - span.from + there.from }
  }
  const lastYear = (other: { from: DateTime; to: DateTime }): Versus => ({
    span: spanOf(other),
    other: yearBefore,
  })
  const months = monthsOf(span)
  const isSoFar =
    running !== undefined &&
    (running === 'half'
      ? from.day === 1 && from.month === (to.month > 6 ? 7 : 1) && from.year === to.year
      : to.startOf(running).equals(from))
  const wholeBefore = (by: number) => ({
    from: from.minus({ months: by }),
    to: from.minus({ months: by }).plus({ months }).minus({ days: 1 }),
  })
  if (against === 'same-weekdays-last-year')
    return shifted({ from: from.minus({ days: 364 }), to: to.minus({ days: 364 }) })
  if (against === 'same-dates-last-year' || (against === 'before' && isSoFar && running === 'year'))
    return lastYear(months ? wholeBefore(12) : { from: from.minus({ years: 1 }), to: to.minus({ years: 1 }) })
  if (against === 'before' && isSoFar) {
    const end = from.minus({ days: 1 })
    const start = running === 'half' ? from.minus({ months: 6 }) : end.startOf(running)
    const same = start.plus({ days: days - 1 })
    return shifted({ from: start, to: same < end ? same : end })
  }
  if (against === 'before' && months) return shifted(wholeBefore(months))
  return against === 'none' ? undefined : shifted({ from: from.minus({ days }), to: from.minus({ days: 1 }) })
}

/** How many whole months some days are, or 0. */
function monthsOf({ from, to }: Span): number {
  const [first, after] = [dateOf(from), dateOf(to + 1)]
  return first.day === 1 && after.day === 1 ? Math.round(after.diff(first, 'months').months) : 0
}

/** The same comparison earlier in the past year. */
function pastOf(span: Span, versus: Versus, isDated: boolean): { span: Span; versus: Versus }[] {
  const days = span.to - span.from + 1
  if (days > 92 || versus.span.to - versus.span.from + 1 > 92) return []
  const months = monthsOf(span)
  const byMonth = months > 0 && months === monthsOf(versus.span)
  const found: { span: Span; versus: Versus }[] = []
  for (let step = 0; ; step++) {
    const by = Math.max(7, days) + step * Math.min(28, Math.max(7, days))
    const move = ({ from, to }: Span): Span => {
      if (!byMonth) return { from: from - by, to: to - by }
      const start = dateOf(from).minus({ months: months + step })
      return { from: numberOf(start), to: numberOf(start.plus({ months }).minus({ days: 1 })) }
    }
    const earlier = move(span)
    if (earlier.from < span.from - 365) return found
    const other = move(versus.span)
    found.push({
      span: earlier,
      versus: { span: other, other: isDated ? versus.other : (day) => day - earlier.from + other.from },
    })
  }
}

/** A period of any kind that ends no later than the last complete day. */
function periodOf(scope: number): { span: Span; running?: CalendarUnit } {
  const end = PAST_DAYS - 1 - random(300, scope, 'when')
  const date = dateOf(end)
  const whole = (unit: 'month' | 'quarter', months: number): Span => ({
    from: numberOf(date.minus({ months }).startOf(unit)),
    to: numberOf(date.minus({ months }).endOf(unit).startOf('day')),
  })
  switch (random(8, scope, 'kind')) {
    case 0:
      return { span: whole('month', 1) }
    case 1:
      return { span: whole('quarter', 3) }
    case 2: {
      const running = (['week', 'month', 'quarter', 'half', 'year'] as const)[random(5, scope, 'unit')]!
      const start =
        running === 'half' ? date.startOf('year').plus({ months: date.month > 6 ? 6 : 0 }) : date.startOf(running)
      return { span: { from: numberOf(start), to: end }, running }
    }
    case 3:
      return { span: { from: end - 27, to: end } }
    case 4:
      return { span: { from: end - 6, to: end } }
    default:
      return { span: { from: end - random(45, scope, 'days'), to: end } }
  }
}

const near = (value: number | undefined) => (value === undefined ? undefined : Number(value.toPrecision(9)))
const SCOPES = 300
/**
 * The past year is read for one comparison of each scope, and for so many metrics of it: every earlier comparison is as
 * much work as the change itself.
 */
const METRICS_WITH_PAST = 4
const IDS = Object.keys(METRICS) as MetricId[]

describe('a second reading, straight from the rows', () => {
  it('knows every metric of the catalogue', () => expect([...IDS].sort()).toEqual(CATALOGUE.map(({ id }) => id).sort()))

  it.each(Array.from({ length: 10 }, (_, part) => part))(
    'agrees on value, exactness, range, change, days used and judgement, for every metric and comparison (part %d of 10)',
    (part) => {
      let compared = 0
      for (let scope = part * (SCOPES / 10); scope < (part + 1) * (SCOPES / 10); scope++) {
        const chosen = readersOf(Math.floor(scope / 10)).filter((_, index) => unit(scope, index, 'chosen') < 0.6)
        const { span, running } = periodOf(scope)
        const period = inWords(span)
        const universe = unit(scope, 'universe') < 0.5 ? undefined : random(60_000, scope, 'people') + 1
        const table = factTable(chosen.flatMap(rowsOf))
        const networks = new Map(chosen.map(({ network }, index) => [index, network]))
        const over = (asked: { from: string; to: string }) => aggregateTable(table, asked, networks, FACT_COLUMNS)
        const from = span.from - 200 - random(100, scope, 'own')
        const own = { from, to: from + random(40, scope, 'own days') }
        const all = [...AGAINST, 'own'] as const
        for (const [place, against] of all.entries()) {
          const mine = against === 'own' ? comparisonWith(period, inWords(own)) : comparison(period, against, running)
          const theirs: Versus | undefined =
            against === 'own'
              ? { span: own, other: (day) => day - span.from + own.from }
              : versusOf(span, against, running)
          expect([scope, against, mine?.period]).toEqual([scope, against, theirs && inWords(theirs.span)])
          const hasPast = mine !== undefined && place === scope % all.length
          const past = hasPast ? pastOf(span, theirs!, mine.pairing.kind === 'date') : []
          if (hasPast)
            expect(earlierComparisons(period, mine).map((each) => [each.period, each.comparison.period])).toEqual(
              past.map((each) => [inWords(each.span), inWords(each.versus.span)]),
            )
          const given = {
            current: over(period),
            ...(mine && { earlier: { comparison: mine, aggregates: over(mine.period) } }),
          }
          const rolledPast = hasPast
            ? earlierComparisons(period, mine).map((each) => ({
                period: each.period,
                current: over(each.period),
                earlier: { comparison: each.comparison, aggregates: over(each.comparison.period) },
              }))
            : []
          for (const [index, id] of IDS.entries()) {
            const withPast = hasPast && (index + scope) % Math.floor(IDS.length / METRICS_WITH_PAST) === 0
            const { figure, change } = compareFigures(
              id,
              { ...given, ...(withPast && { past: rolledPast }) },
              { period, ...(universe !== undefined && { universe }) },
            )
            const seen = read(id, chosen, span, universe)
            const where = `${id} of scope ${scope} against ${against}`
            const isThere = (one: { value?: number; low?: number; exactness?: string }) =>
              one.value === undefined && one.low === undefined ? undefined : one.exactness
            expect({
              where,
              value: near(figure.value),
              low: near(figure.low),
              high: near(figure.high),
              present: figure.coverage.present,
              expected: figure.coverage.expected,
              exactness: isThere(figure),
            }).toEqual({
              where,
              value: near(seen.value),
              low: near(seen.low),
              high: near(seen.high),
              present: seen.present,
              expected: seen.expected,
              exactness: isThere(seen),
            })
            if (!theirs) continue
            const moved = readChange(id, chosen, span, theirs, universe, withPast ? past : [])
            const has = change!.reason === undefined
            expect({
              where,
              has,
              from: near(change!.from),
              to: near(change!.to),
              relative: near(change!.relative),
              direction: change!.direction,
              judgement: change!.judgement,
              isUnclear: change!.isUnclear ?? false,
              daysNow: change!.days?.now,
              daysThen: change!.days?.then,
              usualLow: near(change!.usual?.low),
              usualHigh: near(change!.usual?.high),
              ...(has && { small: change!.small }),
            }).toEqual({
              where,
              has: moved.has,
              from: near(moved.from),
              to: near(moved.to),
              relative: near(moved.relative),
              direction: moved.direction,
              judgement: moved.judgement,
              isUnclear: moved.isUnclear,
              daysNow: moved.daysNow,
              daysThen: moved.daysThen,
              usualLow: near(moved.usualLow),
              usualHigh: near(moved.usualHigh),
              ...(moved.has && { small: moved.small }),
            })
            compared++
          }
        }
      }
      expect(compared).toBe((SCOPES / 10) * 5 * CATALOGUE.length)
    },
    300_000,
  )
})

let world: { index: number; readers: Reader[] } | undefined
/** The profiles of a world, made once for the ten scopes that look at it. */
function readersOf(index: number): Reader[] {
  if (world?.index !== index)
    world = { index, readers: Array.from({ length: 5 }, (_, place) => readerOf(index, place)) }
  return world.readers
}
