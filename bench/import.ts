import { Readable } from 'node:stream'
import { parse } from 'csv-parse'
import type { Pool } from 'mysql2/promise'
import { addDays } from '../core/days/day'
import { runNextJob } from '../server/jobs'
import { importById, startApply, startCheck } from '../server/gather/imports/store'
import { takeUpload } from '../server/gather/imports/upload'
import type { MappingInput } from '../shared/gather/imports'
import { largeClient } from './database'
import { report, times } from './measure'

const ROWS = 1_000_000
const PROFILES = 200
const COLUMNS = 'impressions, reactions, comments, shares, followers'

function* file(): Generator<Buffer> {
  yield Buffer.from('Page ID,Date,Impressions,Reactions,Comments,Shares,Followers\n')
  let lines: string[] = []
  for (let row = 0; row < ROWS; row++) {
    const profile = Math.floor(row / (ROWS / PROFILES))
    const day = addDays('2013-02-17', row % (ROWS / PROFILES))
    const counts = [row % 9973, row % 97, row % 11, row % 7, 5000 + (row % 400)]
    lines.push(`${10_000_000_000_000_000n + BigInt(profile)},${day},${counts.join(',')}`)
    if (lines.length === 5000) {
      yield Buffer.from(`${lines.join('\n')}\n`)
      lines = []
    }
  }
}

/** A file of a million rows: uploaded, checked and written, beside csv-parse alone with multi-row inserts. */
export async function benchImport(pool: Pool): Promise<void> {
  const db = await largeClient(pool, 'import', PROFILES, 0, '2026-10-28')
  const [added] = await pool.query(
    "INSERT INTO person (agency_id, email, name, role, password_hash) VALUES (1, 'b@b.example', 'Somebody', 'analyst', 'x')",
  )
  const person = (added as { insertId: number }).insertId
  let peak = 0
  const watch = setInterval(() => (peak = Math.max(peak, process.memoryUsage().rss)), 50)
  const id = await takeUpload(db, person, 'million.csv', Readable.from(file()))
  let began = 0
  const step = async (start: () => Promise<unknown>) => {
    began = performance.now()
    await start()
    while (await runNextJob());
    return ROWS / ((performance.now() - began) / 1000)
  }
  const checked = await step(async () => startCheck(db, id, (await importById(db, id)).mapping as MappingInput, person))
  const written = await step(() => startApply(db, id, person))
  clearInterval(watch)
  const [[{ count }]] = (await pool.query('SELECT COUNT(*) AS count FROM profile_day WHERE client_id = ?', [
    db.clientId,
  ])) as unknown as [[{ count: number }]]
  if (count !== ROWS)
    throw new Error(`only ${count} rows were written: ${JSON.stringify((await importById(db, id)).summary)}`)
  await pool.query(
    `CREATE TABLE plain (page VARCHAR(40), day DATE, ${COLUMNS.split(', ')
      .map((column) => `${column} INT UNSIGNED`)
      .join(', ')}, PRIMARY KEY (page, day))`,
  )
  began = performance.now()
  let batch: string[][] = []
  for await (const record of Readable.from(file()).pipe(parse({ from_line: 2 })) as AsyncIterable<string[]>) {
    batch.push(record)
    if (batch.length < 5000) continue
    await pool.query('INSERT INTO plain VALUES ?', [batch])
    batch = []
  }
  const plain = ROWS / ((performance.now() - began) / 1000)
  await pool.query('DROP TABLE plain')

  const rate = (value: number) => `${Math.round(value).toLocaleString('en')} rows/s`
  report(
    'Import of 1,000,000 rows',
    {
      'writing': rate(written),
      'checking': rate(checked),
      'csv-parse and inserts alone': rate(plain),
      'writing ÷ alone': times(written / plain),
      'peak memory': `${Math.round(peak / 1_048_576)} MB`,
    },
    { text: 'a third of the rate alone, under 400 MB', met: written >= plain / 3 && peak < 400 * 1_048_576 },
  )
}
