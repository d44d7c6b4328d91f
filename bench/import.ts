import { Readable } from 'node:stream'
import { parse } from 'csv-parse'
import type { Pool } from 'mysql2/promise'
import { addDays } from '../core/days/day'
import { runNextJob } from '../server/jobs'
import { importById, startApply, startCheck } from '../server/gather/imports/store'
import { takeUpload } from '../server/gather/imports/upload'
import type { MappingInput } from '../shared/gather/imports'
import type { ClientDb } from '../server/platform/database/clientDb'
import { largeClient } from './database'
import { report, times } from './measure'

const ROWS = 1_000_000
const PROFILES = 200
/** A kind of file: its lines, and a plain table that holds the same. */
interface Kind {
  table: string
  heading: string
  line: (profile: bigint, of: number, row: number) => string
  plain: string
}
const KINDS: readonly Kind[] = [
  {
    table: 'profile_day',
    heading: 'Page ID,Date,Impressions,Reactions,Comments,Shares,Followers',
    line: (profile, of, row) =>
      `${profile},${addDays('2013-02-17', of)},${row % 9973},${row % 97},${row % 11},${row % 7},${5000 + (row % 400)}`,
    plain:
      'page VARCHAR(40), day DATE, impressions INT, reactions INT, comments INT, shares INT, followers INT, PRIMARY KEY (page, day)',
  },
  {
    table: 'post',
    heading: 'Post ID,Published,Page ID,Type,Text,Impressions,Reactions,Comments,Shares',
    line: (profile, of, row) =>
      `p${row},${addDays('2013-02-17', of)} ${String(6 + (row % 16)).padStart(2, '0')}:30,${profile},` +
      `${row % 3 ? 'photo' : 'clip'},"What we saw before the gates open, number ${row}. #moss",` +
      `${row % 9973},${row % 97},${row % 11},${row % 7}`,
    plain:
      'post VARCHAR(40) PRIMARY KEY, published DATETIME, page VARCHAR(40), type VARCHAR(20), text TEXT, impressions INT, ' +
      'reactions INT, comments INT, shares INT, KEY (page, published)',
  },
]

function* file({ heading, line }: Kind): Generator<Buffer> {
  yield Buffer.from(`${heading}\n`)
  let lines: string[] = []
  for (let row = 0; row < ROWS; row++) {
    const profile = 10_000_000_000_000_000n + BigInt(Math.floor(row / (ROWS / PROFILES)))
    lines.push(line(profile, row % (ROWS / PROFILES), row))
    if (lines.length === 5000) {
      yield Buffer.from(`${lines.join('\n')}\n`)
      lines = []
    }
  }
}

/** Files of a million rows: uploaded, checked and written, beside csv-parse alone with multi-row inserts. */
export async function benchImport(pool: Pool): Promise<void> {
  const db = await largeClient(pool, 'import', PROFILES, 0, '2026-10-28')
  const [added] = await pool.query(
    "INSERT INTO person (agency_id, email, name, role, password_hash) VALUES (1, 'b@b.example', 'Somebody', 'analyst', 'x')",
  )
  for (const kind of KINDS) await importOf(pool, db, (added as { insertId: number }).insertId, kind)
}

async function importOf(pool: Pool, db: ClientDb, person: number, kind: Kind): Promise<void> {
  let peak = 0
  const watch = setInterval(() => (peak = Math.max(peak, process.memoryUsage().rss)), 50)
  const id = await takeUpload(db, person, 'million.csv', Readable.from(file(kind)))
  let began = 0
  const step = async (start: () => Promise<unknown>) => {
    began = performance.now()
    await start()
    while (await runNextJob());
    return ROWS / ((performance.now() - began) / 1000)
  }
  const mapping = { ...(await importById(db, id)).mapping, dateOrder: 'year-month-day' } as MappingInput
  const checked = await step(() => startCheck(db, id, mapping, person))
  const written = await step(() => startApply(db, id, person))
  clearInterval(watch)
  const [[{ count }]] = (await pool.query(`SELECT COUNT(*) AS count FROM ${kind.table} WHERE client_id = ?`, [
    db.clientId,
  ])) as unknown as [[{ count: number }]]
  if (count !== ROWS)
    throw new Error(`only ${count} rows were written: ${JSON.stringify((await importById(db, id)).summary)}`)
  await pool.query(`CREATE TABLE plain (${kind.plain})`)
  began = performance.now()
  let batch: string[][] = []
  for await (const record of Readable.from(file(kind)).pipe(parse({ from_line: 2 })) as AsyncIterable<string[]>) {
    batch.push(record)
    if (batch.length < 5000) continue
    await pool.query('INSERT INTO plain VALUES ?', [batch])
    batch = []
  }
  const plain = ROWS / ((performance.now() - began) / 1000)
  await pool.query('DROP TABLE plain')

  const rate = (value: number) => `${Math.round(value).toLocaleString('en')} rows/s`
  report(
    `Import of 1,000,000 rows into ${kind.table}`,
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
