import { DuckDBInstance } from '@duckdb/node-api'
import { CATALOGUE } from '../core/metrics/catalogue'
import { FACT_COLUMNS, FLOW_COLUMNS } from '../core/metrics/storedFigures'
import { UNIQUE_FAMILIES, windowColumns } from '../core/metrics/metric'
import { daysEnding } from '../core/periods/period'
import { aggregateTable } from '../core/rollup/aggregateTable'
import { factTable } from '../core/rollup/factTable'
import { figureOf } from '../core/rollup/figureOf'
import { median, ms, report, times } from './measure'
import { largeWorld } from './world'

const END = '2026-10-28'
const DAYS = 3 * 365

/**
 * 200 profiles × 3 years × every metric of the catalogue: in memory, by DuckDB on one thread, and as one plain pass.
 */
export async function benchRollUp(): Promise<void> {
  const rows = [...largeWorld(200, DAYS, END)]
  const table = factTable(rows)
  const period = daysEnding(END, DAYS)
  const networks = new Map(table.ranges.map(({ profile }) => [profile, profile % 2 ? 'tintype' : 'commons']))
  const core = await median(15, () => aggregateTable(table, period, networks, FACT_COLUMNS))
  const withFigures = await median(5, () => {
    const aggregates = aggregateTable(table, period, networks, FACT_COLUMNS)
    return CATALOGUE.map(({ id }) => figureOf(id, aggregates, { period, universe: 5_000_000 }))
  })
  const plain = await median(15, () =>
    FACT_COLUMNS.map((column) => {
      const values = table.columns[column]
      let sum = 0
      for (let row = 0; row < values.length; row++) sum += values[row]!
      return sum
    }),
  )

  const connection = await (await DuckDBInstance.create(':memory:', { threads: '1' })).connect()
  await connection.run(
    `CREATE TABLE facts (profile INTEGER, day DATE, ${FACT_COLUMNS.map((column) => `${column} DOUBLE`).join(', ')})`,
  )
  const appender = await connection.createAppender('facts')
  for (const row of rows) {
    appender.appendInteger(row.profile)
    appender.appendDate({ days: Date.parse(row.day) / 86_400_000 } as never)
    for (const column of FACT_COLUMNS) appender.appendDouble(row[column]!)
    appender.endRow()
  }
  appender.closeSync()
  const sums = FLOW_COLUMNS.map((column) => `SUM(${column}), COUNT(${column})`).join(', ')
  const questions = [
    `SELECT profile, ${sums} FROM facts WHERE day BETWEEN '${period.from}' AND '${period.to}' GROUP BY profile`,
    `SELECT profile, ARG_MAX(followers, day) FROM facts WHERE day BETWEEN DATE '${period.to}' - 7 AND '${period.to}' GROUP BY profile`,
    ...UNIQUE_FAMILIES.map((family) => {
      const { 1: daily, 7: week, 28: month } = windowColumns(family)
      return `SELECT profile, date_diff('day', day, DATE '${period.to}') // 7 AS block, SUM(${daily}),
                 COUNT(${daily}), MAX(${daily}), MAX(${week}), MAX(${month})
        FROM facts WHERE day BETWEEN '${period.from}' AND '${period.to}' GROUP BY profile, block`
    }),
  ]
  const duck = await median(9, async () => {
    for (const question of questions) await connection.runAndReadAll(question)
  })
  connection.closeSync()
  report(
    `Roll-up of 200 profiles × 3 years × ${CATALOGUE.length} metrics`,
    {
      'core': ms(core),
      'with every figure': ms(withFigures),
      'DuckDB, one thread': ms(duck),
      'one plain pass': ms(plain),
      'core ÷ DuckDB': times(core / duck),
      'core ÷ plain': times(core / plain),
    },
    { text: 'no slower than DuckDB, within 4× of a plain pass', met: core <= duck && core <= 4 * plain },
  )
}
