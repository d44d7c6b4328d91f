import { readFileSync } from 'node:fs'
import { DuckDBInstance } from '@duckdb/node-api'
import { rollup, sum } from 'd3-array'
import { quantileSorted } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { addDays, weekday } from '../../core/days/day'
import { calculator } from '../../core/figures/working'
import { metricById } from '../../core/metrics/catalogue'
import { FACT_COLUMNS, FLOW_COLUMNS } from '../../core/metrics/storedFigures'
import type { UniqueMetric } from '../../core/metrics/metric'
import { eachDay, period } from '../../core/periods/period'
import { aggregateTable } from '../../core/rollup/aggregateTable'
import { factTable, type ProfileDay } from '../../core/rollup/factTable'
import { figureOf } from '../../core/rollup/figureOf'
import { peopleWindows } from '../../core/reach/cover'
import { reachBounds } from '../../core/reach/reachBounds'
import { randomDuplication } from '../../core/reach/randomDuplication'
import { unit } from '../../demo/random'

describe('roll-up of open data (vega-datasets, seattle-weather.csv: days of 2012 to 2015)', () => {
  const [, ...lines] = readFileSync(
    new URL('../../node_modules/vega-datasets/data/seattle-weather.csv', import.meta.url),
    'utf8',
  )
    .trim()
    .split('\n')
  // tenths of a millimetre of rain stand in for a daily count: whole numbers, many zeros, four years with a leap day
  const rows = lines.map((line) => ({
    day: line.split(',')[0]!.replaceAll('/', '-'),
    rain: Math.round(Number(line.split(',')[1]) * 10),
  }))
  const facts = factTable(rows.map(({ day, rain }) => ({ profile: 1, day, impressions: rain })))
  const total = (from: string, to: string) =>
    figureOf('impressions', aggregateTable(facts, period(from, to), new Map([[1, 'commons']]), ['impressions']), {
      period: period(from, to),
    }).value

  it('has the days that the file should have', () =>
    expect([rows[0]!.day, rows.at(-1)!.day, rows.length]).toEqual(['2012-01-01', '2015-12-31', 1461]))

  it('gives the monthly sums of d3', () => {
    const months = rollup(
      rows,
      (group) => sum(group, ({ rain }) => rain),
      ({ day }) => day.slice(0, 7),
    )
    expect(months.size).toBe(48)
    for (const [month, expected] of months) {
      const days = rows.filter(({ day }) => day.startsWith(month))
      expect(total(days[0]!.day, days.at(-1)!.day)).toBe(expected)
    }
  })

  it('gives the sums by weekday of d3', () => {
    const mine = new Map<number, number>()
    for (const { day } of rows) mine.set(weekday(day), (mine.get(weekday(day)) ?? 0) + total(day, day)!)
    const theirs = rollup(
      rows,
      (group) => sum(group, ({ rain }) => rain),
      ({ day }) => ((new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7) + 1,
    )
    expect(mine).toEqual(new Map(theirs))
  })
})

describe('roll-up, with DuckDB as second opinion', () => {
  const days = eachDay(period('2025-11-01', '2026-10-28'))
  const rows: ProfileDay[] = [1, 2, 3, 4, 5].flatMap((profile) =>
    days
      .filter((day) => unit(profile, day, 'gap') > 0.05)
      .map((day) => ({
        profile,
        day,
        ...Object.fromEntries(
          FACT_COLUMNS.map((column) => [
            column,
            unit(profile, day, column, 'absent') < 0.1 ? null : Math.floor(unit(profile, day, column) * 5000),
          ]),
        ),
      })),
  )

  it('sums and counts the same, gaps and absent cells included', async () => {
    const connection = await (await DuckDBInstance.create(':memory:')).connect()
    await connection.run(
      `CREATE TABLE facts (profile INTEGER, day DATE, ${FLOW_COLUMNS.map((column) => `${column} BIGINT`).join(', ')})`,
    )
    const values = rows.map(
      (row) => `(${row.profile}, '${row.day}', ${FLOW_COLUMNS.map((column) => row[column] ?? 'NULL').join(', ')})`,
    )
    await connection.run(`INSERT INTO facts VALUES ${values.join(',')}`)
    for (const [from, to] of [
      ['2026-10-01', '2026-10-28'],
      ['2025-12-15', '2026-03-02'],
      ['2026-02-28', '2026-02-28'],
    ] as const) {
      const reader = await connection.runAndReadAll(
        `SELECT profile, ${FLOW_COLUMNS.map((column) => `SUM(${column})::DOUBLE, COUNT(${column})::INTEGER`).join(', ')}
          FROM facts WHERE day BETWEEN '${from}' AND '${to}' GROUP BY profile ORDER BY profile`,
      )
      const mine = aggregateTable(factTable(rows), period(from, to), new Map(), FLOW_COLUMNS).filter(
        ({ counts }) => Object.keys(counts).length > 0,
      )
      expect(
        mine.map((aggregate) => [
          aggregate.profile,
          ...FLOW_COLUMNS.flatMap((column) => [aggregate.sums[column] ?? null, aggregate.counts[column] ?? 0]),
        ]),
      ).toEqual(reader.getRows())
    }
    connection.closeSync()
  })
})

describe('reach, against simulated people who can be counted exactly', () => {
  /**
   * People of a universe, each seen by each profile on each day with a chance of their own: heavy and light users, as
   * in life.
   */
  function simulate(seed: string, universe: number, profiles: number, days: number) {
    const seen: Set<number>[][] = Array.from({ length: profiles }, (_, profile) =>
      Array.from({ length: days }, (_, day) => {
        const people = new Set<number>()
        for (let person = 0; person < universe; person++) {
          const habit = 0.25 * unit(seed, person, 'habit') ** 2
          const taste = 0.4 + 1.2 * unit(seed, person, profile, 'taste')
          if (unit(seed, person, profile, day) < habit * taste) people.add(person)
        }
        return people
      }),
    )
    return seen
  }
  const union = (sets: Set<number>[]) => new Set(sets.flatMap((set) => [...set])).size
  const days = 75
  const start = '2026-09-01'
  const dayAt = (index: number) => addDays(start, index)
  const networks = new Map([
    [1, 'commons'],
    [2, 'tintype'],
    [3, 'tintype'],
  ])

  /**
   * What a network would say: windows that end on a day, as far as the days before are there; some days and windows are
   * lost.
   */
  function rowsOf(seed: string, seen: Set<number>[][], lost: number): ProfileDay[] {
    const isLost = (...key: (string | number)[]) => unit(seed, ...key, 'lost') < lost
    return seen.flatMap((perDay, profile) =>
      perDay.flatMap((people, day): ProfileDay[] =>
        isLost(profile, day)
          ? []
          : [
              {
                profile: profile + 1,
                day: dayAt(day),
                impressions: people.size + 40,
                reach_1d: isLost(profile, day, 1) ? null : people.size,
                reach_7d: day >= 6 && !isLost(profile, day, 7) ? union(perDay.slice(day - 6, day + 1)) : null,
                reach_28d:
                  day >= 27 && profile > 0 && !isLost(profile, day, 28) ? union(perDay.slice(day - 27, day + 1)) : null,
              },
            ],
      ),
    )
  }
  const worlds = ['a', 'b', 'c'].flatMap((seed) => [0, 0.25].map((lost) => ({ seed, lost })))
  const widths: number[] = []
  const errors: number[] = []
  const random = (most: number, ...key: (string | number)[]) => Math.floor(unit(...key) * most)

  it.each(worlds)(
    'bounds always hold, over 120 periods and sets of days (world $seed, $lost of the windows lost)',
    ({ seed, lost }) => {
      const seen = simulate(seed, 900, 3, days)
      const table = factTable(rowsOf(seed, seen, lost))
      for (let trial = 0; trial < 120; trial++) {
        const length = [1, 2, 5, 7, 12, 25, 28, 30, 31, 40][trial % 10]!
        const from = random(days - length, seed, trial, 'from')
        const asked = period(dayAt(from), dayAt(from + length - 1))
        const rolled = aggregateTable(table, asked, networks, FACT_COLUMNS)
        // half of the trials leave some days out, as a rate does whose numerator is missing there
        const mask = Uint8Array.from({ length }, (_, index) =>
          trial % 2 === 0 || unit(seed, trial, index, 'mask') < 0.7 ? 1 : 0,
        )
        for (const [index, member] of rolled.entries()) {
          const bounds = reachBounds(
            calculator(false),
            peopleWindows(metricById('reach') as UniqueMetric, member.days!),
            asked,
            mask,
          )
          if (!bounds) continue
          const truth = union(seen[index]!.slice(from, from + length).filter((_, day) => mask[day]))
          expect(bounds.low.value).toBeLessThanOrEqual(truth)
          expect(bounds.high?.value ?? Infinity).toBeGreaterThanOrEqual(truth)
          if (bounds.exact) expect(bounds.exact.value).toBe(truth)
          else if (bounds.high && truth > 0 && length > 1 && lost === 0 && trial % 2 === 0)
            widths.push((bounds.high.value - bounds.low.value) / truth)
        }
        if (trial % 2 === 1) continue
        const truth = union(seen.flatMap((perDay) => perDay.slice(from, from + length)))
        const all = figureOf('reach', rolled, { period: asked, universe: 900 })
        if (all.low === undefined) continue
        expect(all.low).toBeLessThanOrEqual(truth)
        expect(all.high ?? Infinity).toBeGreaterThanOrEqual(truth)
        if (all.value === undefined) continue
        expect(all.value).toBeGreaterThanOrEqual(all.low)
        expect(all.value).toBeLessThanOrEqual(all.high!)
        if (lost === 0) errors.push(Math.abs(all.value - truth) / truth)
      }
    },
  )

  it('reports how wide the bounds are and how far the estimate is off: people with habits overlap more than at random', () => {
    const of = (values: number[]) => [...values].sort((a, b) => a - b)
    const [wide, off] = [of(widths), of(errors)]
    const share = (value: number) => `${(100 * value).toFixed(1)} %`
    console.info(
      `bounds of one profile over ${wide.length} periods: median width ${share(quantileSorted(wide, 0.5))} ` +
        `of the truth; random duplication over ${off.length} periods: median error ` +
        `${share(quantileSorted(off, 0.5))}, largest ${share(off.at(-1)!)}`,
    )
    expect(quantileSorted(off, 0.5)).toBeLessThan(0.3)
    expect(quantileSorted(wide, 0.5)).toBeLessThan(1.2)
  })

  it('tightens: windows that reach over the ends never widen what windows inside the period prove', () => {
    const seen = simulate('tight', 900, 2, days)
    const rows = rowsOf('tight', seen, 0)
    let tighter = 0
    for (let trial = 0; trial < 60; trial++) {
      const length = 8 + (trial % 24)
      const from = 28 + random(days - 28 - length, 'tight', trial)
      const asked = period(dayAt(from), dayAt(from + length - 1))
      const over = (given: ProfileDay[]) =>
        figureOf('reach', aggregateTable(factTable(given), asked, new Map([[2, 'tintype']]), FACT_COLUMNS), {
          period: asked,
        })
      const own = rows.filter(({ profile }) => profile === 2)
      // without what lies outside: no row after the period, and no window that begins before it
      const inside = own
        .filter(({ day }) => day >= asked.from && day <= asked.to)
        .map((row) => ({
          ...row,
          reach_7d: row.day < addDays(asked.from, 6) ? null : row.reach_7d,
          reach_28d: row.day < addDays(asked.from, 27) ? null : row.reach_28d,
        }))
      const [wide, tight] = [over(inside), over(own)]
      if (wide.value !== undefined) continue
      expect(tight.low!).toBeGreaterThanOrEqual(wide.low!)
      expect(tight.high!).toBeLessThanOrEqual(wide.high!)
      if (tight.high! - tight.low! < wide.high! - wide.low!) tighter++
    }
    expect(tighter).toBeGreaterThan(30)
  })

  it('is exact for people who do overlap at random', () => {
    const universe = 20_000
    const shares = [0.4, 0.3, 0.15]
    const sets = shares.map(
      (share, vehicle) =>
        new Set(
          Array.from({ length: universe }, (_, person) => person).filter(
            (person) => unit('random', vehicle, person) < share,
          ),
        ),
    )
    const estimate = randomDuplication(
      universe,
      sets.map(({ size }) => size),
    )
    expect(Math.abs(estimate - union(sets)) / union(sets)).toBeLessThan(0.01)
  })
})
