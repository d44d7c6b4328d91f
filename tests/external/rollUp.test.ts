import { readFileSync } from 'node:fs'
import { DuckDBInstance } from '@duckdb/node-api'
import { rollup, sum } from 'd3-array'
import { quantileSorted } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { addDays, weekday } from '../../core/days/day'
import { FACT_COLUMNS, FLOW_COLUMNS } from '../../core/metrics/metric'
import { eachDay, period } from '../../core/periods/period'
import { aggregateTable } from '../../core/rollup/aggregateTable'
import { factTable, type ProfileDay } from '../../core/rollup/factTable'
import { figureOf } from '../../core/rollup/figureOf'
import { randomDuplication } from '../../core/reach/randomDuplication'
import { unit } from '../../demo/random'

describe('roll-up of open data (vega-datasets, seattle-weather.csv: days of 2012 to 2015)', () => {
  const [, ...lines] = readFileSync(new URL('../../node_modules/vega-datasets/data/seattle-weather.csv', import.meta.url), 'utf8').trim().split('\n')
  // tenths of a millimetre of rain stand in for a daily count: whole numbers, many zeros, four years with a leap day
  const rows = lines.map((line) => ({ day: line.split(',')[0]!.replaceAll('/', '-'), rain: Math.round(Number(line.split(',')[1]) * 10) }))
  const facts = factTable(rows.map(({ day, rain }) => ({ profile: 1, day, impressions: rain })))
  const total = (from: string, to: string) => figureOf('impressions', aggregateTable(facts, period(from, to), new Map([[1, 'commons']]), ['impressions']), { period: period(from, to) }).value

  it('has the days that the file should have', () => expect([rows[0]!.day, rows.at(-1)!.day, rows.length]).toEqual(['2012-01-01', '2015-12-31', 1461]))

  it('gives the monthly sums of d3', () => {
    const months = rollup(rows, (group) => sum(group, ({ rain }) => rain), ({ day }) => day.slice(0, 7))
    expect(months.size).toBe(48)
    for (const [month, expected] of months) {
      const days = rows.filter(({ day }) => day.startsWith(month))
      expect(total(days[0]!.day, days.at(-1)!.day)).toBe(expected)
    }
  })

  it('gives the sums by weekday of d3', () => {
    const mine = new Map<number, number>()
    for (const { day } of rows) mine.set(weekday(day), (mine.get(weekday(day)) ?? 0) + total(day, day)!)
    const theirs = rollup(rows, (group) => sum(group, ({ rain }) => rain), ({ day }) => ((new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7) + 1)
    expect(mine).toEqual(new Map(theirs))
  })
})

describe('roll-up, with DuckDB as second opinion', () => {
  const days = eachDay(period('2025-11-01', '2026-10-28'))
  const rows: ProfileDay[] = [1, 2, 3, 4, 5].flatMap((profile) => days.filter((day) => unit(profile, day, 'gap') > 0.05).map((day) => ({
    profile, day, ...Object.fromEntries(FACT_COLUMNS.map((column) => [column, unit(profile, day, column, 'absent') < 0.1 ? null : Math.floor(unit(profile, day, column) * 5000)])),
  })))

  it('sums and counts the same, gaps and absent cells included', async () => {
    const connection = await (await DuckDBInstance.create(':memory:')).connect()
    await connection.run(`CREATE TABLE facts (profile INTEGER, day DATE, ${FLOW_COLUMNS.map((column) => `${column} BIGINT`).join(', ')})`)
    const values = rows.map((row) => `(${row.profile}, '${row.day}', ${FLOW_COLUMNS.map((column) => row[column] ?? 'NULL').join(', ')})`)
    await connection.run(`INSERT INTO facts VALUES ${values.join(',')}`)
    for (const [from, to] of [['2026-10-01', '2026-10-28'], ['2025-12-15', '2026-03-02'], ['2026-02-28', '2026-02-28']] as const) {
      const reader = await connection.runAndReadAll(`SELECT profile, ${FLOW_COLUMNS.map((column) => `SUM(${column})::DOUBLE, COUNT(${column})::INTEGER`).join(', ')} FROM facts WHERE day BETWEEN '${from}' AND '${to}' GROUP BY profile ORDER BY profile`)
      const mine = aggregateTable(factTable(rows), period(from, to), new Map(), FLOW_COLUMNS).filter(({ counts }) => Object.keys(counts).length > 0)
      expect(mine.map((aggregate) => [aggregate.profile, ...FLOW_COLUMNS.flatMap((column) => [aggregate.sums[column] ?? null, aggregate.counts[column] ?? 0])])).toEqual(reader.getRows())
    }
    connection.closeSync()
  })
})

describe('reach, against simulated people who can be counted exactly', () => {
  /** People of a universe, each seen by each profile on each day with a chance of their own: heavy and light users, as in life. */
  function simulate(seed: string, universe: number, profiles: number, days: number) {
    const seen: Set<number>[][] = Array.from({ length: profiles }, (_, profile) => Array.from({ length: days }, (_, day) => {
      const people = new Set<number>()
      for (let person = 0; person < universe; person++) {
        const habit = 0.25 * unit(seed, person, 'habit') ** 2
        const taste = 0.4 + 1.2 * unit(seed, person, profile, 'taste')
        if (unit(seed, person, profile, day) < habit * taste) people.add(person)
      }
      return people
    }))
    return seen
  }
  const union = (sets: Set<number>[]) => new Set(sets.flatMap((set) => [...set])).size

  const days = 31
  const end = '2026-10-31'
  const whole = period(addDays(end, 1 - days), end)
  const errors: number[] = []

  it.each(['a', 'b', 'c'])('bounds always hold (world %s)', (seed) => {
    const seen = simulate(seed, 1500, 3, days)
    const rows = seen.flatMap((perDay, profile) => perDay.map((people, day) => ({
      profile: profile + 1, day: addDays(whole.from, day), impressions: people.size + 40, reach_1d: people.size,
      ...(day >= 6 && { reach_7d: union(perDay.slice(day - 6, day + 1)) }), ...(day >= 27 && profile > 0 && { reach_28d: union(perDay.slice(day - 27, day + 1)) }),
    })))
    const networks = new Map([[1, 'commons'], [2, 'tintype'], [3, 'tintype']])
    for (const length of [1, 2, 7, 12, 28, 31]) {
      const asked = period(addDays(end, 1 - length), end)
      const rolled = aggregateTable(factTable(rows), asked, networks, FACT_COLUMNS)
      for (const only of [0, 1, 2]) {
        const truth = union(seen[only]!.slice(days - length))
        const { value, low = value!, high = value! } = figureOf('reach', [rolled[only]!], { period: asked })
        expect(low).toBeLessThanOrEqual(truth)
        expect(high).toBeGreaterThanOrEqual(truth)
      }
      const truth = union(seen.flatMap((perDay) => perDay.slice(days - length)))
      const all = figureOf('reach', rolled, { period: asked, universe: 1500 })
      expect(all.low!).toBeLessThanOrEqual(truth)
      expect(all.high!).toBeGreaterThanOrEqual(truth)
      errors.push(Math.abs(all.value! - truth) / truth)
    }
  })

  it('reports how far the estimate is off: people with habits overlap more than at random', () => {
    const sorted = [...errors].sort((a, b) => a - b)
    console.info(`random duplication over ${errors.length} periods: median error ${(100 * quantileSorted(sorted, 0.5)).toFixed(1)} %, largest ${(100 * sorted.at(-1)!).toFixed(1)} %`)
    expect(quantileSorted(sorted, 0.5)).toBeLessThan(0.35)
  })

  it('is exact for people who do overlap at random', () => {
    const universe = 20_000
    const shares = [0.4, 0.3, 0.15]
    const sets = shares.map((share, vehicle) => new Set(Array.from({ length: universe }, (_, person) => person).filter((person) => unit('random', vehicle, person) < share)))
    const estimate = randomDuplication(universe, sets.map(({ size }) => size))
    expect(Math.abs(estimate - union(sets)) / union(sets)).toBeLessThan(0.01)
  })
})
