import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Pool, RowDataPacket } from 'mysql2/promise'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { again, inTransaction } from '../../server/platform/database/clientDb'
import { breakdownById } from '../../core/breakdowns/breakdowns'
import { rowKey } from '../../core/datasets/dataset'
import { FACT_COLUMNS } from '../../core/metrics/storedFigures'
import { migrate } from '../../server/platform/database/migrate'
import { connect } from '../../server/platform/database/pool'
import { root } from '../support/application'
import { rowsOf } from './support/database'

const FOLDER = join(root, 'server/platform/database/migrations')
const VERSIONS = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.sql'))
  .sort()
const newest = Number(VERSIONS.at(-1)!.slice(0, 3))
let server: Pool

beforeAll(() => {
  server = connect(`${inject('databaseServer')}/`, 2, true)
})
afterAll(() => server.end())

async function fresh(name: string, options = 'CHARACTER SET utf8mb4'): Promise<string> {
  await server.query(`DROP DATABASE IF EXISTS zaffer_${name}; CREATE DATABASE zaffer_${name} ${options}`)
  return `${inject('databaseServer')}/zaffer_${name}`
}
/** What the tables are, without the numbers that they will give next. */
async function schemaOf(url: string): Promise<string[]> {
  const pool = connect(url, 1, true)
  try {
    const [rows] = await pool.query<RowDataPacket[]>('SHOW TABLES')
    const tables = rows.map((row) => String(Object.values(row)[0])).filter((name) => name !== 'schema_version')
    const [made] = await pool.query<RowDataPacket[][]>(
      tables
        .sort()
        .map((table) => `SHOW CREATE TABLE ${table}`)
        .join(';'),
    )
    return made.map(([row]) => String(row!['Create Table']).replace(/ AUTO_INCREMENT=\d+/, ''))
  } finally {
    await pool.end()
  }
}
/** What somebody has written is not a name of ours. */
const SAYS_PARTS = 'the "kind":"parts" of it'
const REACHED = { profile_id: 1, connector: 'commons', isOpen: 0 }
/** Puts data into a database of an earlier version, in the columns that it had. */
async function fill(url: string, version: number): Promise<void> {
  const pool = connect(url, 1, true)
  await pool.query(`
    INSERT INTO agency (name) VALUES ('Agency');
    INSERT INTO client (agency_id, slug, name, time_zone) VALUES (1, 'a', 'Café A', 'Europe/London');
    INSERT INTO person (agency_id, email, name, role, password_hash) VALUES (1, 'a@b.example', 'Zoë', 'analyst', 'x');
    INSERT INTO profile (client_id, network, handle, name, remote_id)
    VALUES (1, 'commons', '@a', 'A', '10220431877650213'), (1, 'cork', '@b', 'B', '2');
    INSERT INTO import (client_id, file_name, state) VALUES (1, 'x.csv', 'applied');
    INSERT INTO profile_day (client_id, profile_id, day, impressions, reactions, import_id)
    VALUES (1, 1, '2026-10-01', 5, 6, 1), (1, 1, '2026-10-02', 7, NULL, NULL);
    INSERT INTO report (client_id, title, period, against, blocks) VALUES (1, 'R', 'last-28-days', 'before', '[]');
    INSERT INTO edition (client_id, report_id, number, request_key, content, sha256, issued_by)
    VALUES (1, 1, 1, 'k', '{"title":"R","periodWords":"October","period":{"from":"2026-10-01","to":"2026-10-28"}}', 'h', 1);
    INSERT INTO edition_pdf (client_id, edition_id, content) VALUES (1, 1, 'PDF');
    INSERT INTO note (client_id, from_day, to_day, title) VALUES (1, '2026-10-01', '2026-10-01', '雨');
    INSERT INTO job (client_id, kind, subject, state) VALUES (1, 'sync', '1', 'done')`)
  if (version < 11)
    await pool.query(`
      UPDATE profile SET synced_to = '2026-10-28';
      UPDATE profile SET tokens = 'sealed' WHERE profile_id = 1;
      INSERT INTO import_before (client_id, import_id, profile_id, day, existed, impressions) VALUES (1, 1, 1, '2026-10-01', 1, 4)`)
  if (version >= 3 && version < 11)
    await pool.query(`
      UPDATE profile SET posts_to = synced_to, parts_to = '2026-10-27';
      INSERT INTO profile_day_part (client_id, profile_id, split, day, part, value)
      VALUES (1, 1, 'reach_by_source', '2026-10-27', 'paid', 7), (1, 1, 'visits_by_site', '2026-10-27', 'Café.example', 8)`)
  if (version < 11)
    await pool.query('UPDATE report SET blocks = ?', [JSON.stringify([{ kind: 'parts', title: SAYS_PARTS }])])
  if (version >= 5) {
    // as the application of then wrote them
    await pool.query(`
      UPDATE profile_day SET imported = 3 WHERE import_id IS NOT NULL;
      UPDATE edition SET title = 'R', period_words = 'October', period_to = '2026-10-28', issued_by_name = 'Zoë';
      UPDATE edition_pdf SET sha256 = SHA2(content, 256);
      INSERT INTO target (client_id, metric, who, wanted, from_day, by_day)
      VALUES (1, 'posts', 'some', 5, '2026-10-01', '2026-11-01'), (1, 'posts', 'all', 6, '2026-10-01', '2026-11-01');
      INSERT INTO target_member (client_id, target_id, is_set, member_id) VALUES (1, 1, 0, 1), (1, 1, 0, 2), (1, 1, 1, 3);
      INSERT INTO profile_set (client_id, set_id, name) VALUES (1, 3, 'S')`)
  } else if (version >= 3) {
    await pool.query(`
      INSERT INTO target (client_id, metric, who, wanted, from_day, by_day)
      VALUES (1, 'posts', '2,1,s3', 5, '2026-10-01', '2026-11-01'), (1, 'posts', 'all', 6, '2026-10-01', '2026-11-01');
      INSERT INTO profile_set (client_id, set_id, name) VALUES (1, 3, 'S')`)
  }
  await pool.end()
}

/** Figures that no version before this way of keeping what stood there had. */
const CAME_LATER: readonly string[] = [
  ...['spoken_of', 'speakers_1d', 'speakers_7d', 'speakers_28d'],
  ...['messages', 'bookings', 'picture_views', 'site_clicks'],
]

describe('an upgrade', () => {
  let ofNew: string[]
  beforeAll(async () => {
    const clean = await fresh('clean')
    await migrate(clean)
    ofNew = await schemaOf(clean)
  })

  it.each(VERSIONS.slice(0, -1).map((name) => Number(name.slice(0, 3))))(
    'from version %i, with data, ends where a new database begins, and loses nothing',
    async (version) => {
      const url = await fresh('upgrade')
      expect(await migrate(url, String(version).padStart(3, '0'))).toBe(version)
      await fill(url, version)
      expect(await migrate(url)).toBe(newest - version)
      expect(await schemaOf(url)).toEqual(ofNew)
      expect(await rowsOf(url, 'SELECT c.name, p.name AS person, n.title FROM client c, person p, note n')).toEqual([
        { name: 'Café A', person: 'Zoë', title: '雨' },
      ])
      expect(
        await rowsOf(
          url,
          'SELECT day, impressions, reactions, imported > 0 AS isImported FROM profile_day ORDER BY day',
        ),
      ).toEqual([
        { day: '2026-10-01', impressions: 5, reactions: 6, isImported: 1 },
        { day: '2026-10-02', impressions: 7, reactions: null, isImported: 0 },
      ])
      expect(
        await rowsOf(
          url,
          "SELECT e.title, e.period_words, e.period_to, e.issued_by_name, f.sha256 = SHA2('PDF', 256) AS fits " +
            'FROM edition e JOIN edition_pdf f USING (client_id, edition_id)',
        ),
      ).toEqual([{ title: 'R', period_words: 'October', period_to: '2026-10-28', issued_by_name: 'Zoë', fits: 1 }])
      if (version < 11) {
        const [record] = await rowsOf(url, 'SELECT dataset, row_key, existed, previous FROM import_record')
        expect(record).toMatchObject({ dataset: 'profile_day', row_key: rowKey([1, '2026-10-01']), existed: 1 })
        const previous = JSON.parse(record!.previous as string) as Record<string, unknown>
        expect(previous).toMatchObject({ impressions: 4, reactions: null })
        const known = FACT_COLUMNS.filter((column) => !CAME_LATER.includes(column))
        expect(Object.keys(previous).sort()).toEqual([...known, 'changed_at', 'imported'].sort())
        expect(Number.isNaN(Date.parse(previous.changed_at as string))).toBe(false)
        expect(
          await rowsOf(
            url,
            'SELECT c.profile_id, c.connector, c.credentials IS NULL AS isOpen, s.stream, s.through FROM connection c ' +
              'JOIN sync_cursor s USING (client_id, connection_id) WHERE c.profile_id = 1 ORDER BY s.stream',
          ),
        ).toEqual([
          ...(version >= 3 ? [{ ...REACHED, stream: 'breakdowns', through: '2026-10-27' }] : []),
          { ...REACHED, stream: 'figures', through: '2026-10-28' },
          { ...REACHED, stream: 'posts', through: '2026-10-28' },
        ])
      }
      if (version < 3) return
      if (version < 11) {
        expect(
          await rowsOf(
            url,
            'SELECT b.breakdown, b.day, n.part, b.value FROM profile_day_breakdown b ' +
              'JOIN breakdown_part n USING (client_id, part_id) ORDER BY b.breakdown',
          ),
        ).toEqual([
          { breakdown: breakdownById('reach_by_source').code, day: '2026-10-27', part: 'paid', value: 7 },
          { breakdown: breakdownById('visits_by_site').code, day: '2026-10-27', part: 'Café.example', value: 8 },
        ])
        expect(await rowsOf(url, 'SELECT blocks FROM report')).toEqual([
          { blocks: JSON.stringify([{ kind: 'breakdown', title: SAYS_PARTS }]) },
        ])
      }
      expect(await rowsOf(url, 'SELECT target_id, who FROM target ORDER BY target_id')).toEqual([
        { target_id: 1, who: 'some' },
        { target_id: 2, who: 'all' },
      ])
      expect(
        await rowsOf(url, 'SELECT target_id, is_set, member_id FROM target_member ORDER BY is_set, member_id'),
      ).toEqual([
        { target_id: 1, is_set: 0, member_id: 1 },
        { target_id: 1, is_set: 0, member_id: 2 },
        { target_id: 1, is_set: 1, member_id: 3 },
      ])
    },
  )

  it('that was broken off anywhere goes on at the next start', async () => {
    // after a third of its statements, after two thirds, and after all of them: each version of one database in turn,
    // beside another that nothing breaks off
    for (const part of [1 / 3, 2 / 3, 1]) {
      const [clean, url] = [await fresh('clean'), await fresh('half')]
      for (const name of VERSIONS) {
        const version = name.slice(0, 3)
        const statements = readFileSync(join(FOLDER, name), 'utf8')
          .split(/;\s*$/m)
          .map((text) => text.trim())
          .filter(Boolean)
        const pool = connect(url, 1, true)
        for (const text of statements.slice(0, Math.floor(statements.length * part))) await pool.query(text)
        await pool.end()
        await migrate(url, version)
        await migrate(clean, version)
        expect(await schemaOf(url), name).toEqual(await schemaOf(clean))
      }
    }
  })

  it('does not run twice at once', async () => {
    const url = await fresh('twice')
    const counts = await Promise.all(Array.from({ length: 4 }, () => migrate(url)))
    expect(counts.sort()).toEqual([0, 0, 0, newest])
  })
})

describe('work that stands in another’s way', () => {
  it('gives its connection back before it tries again, also when a cluster refuses the commit', async () => {
    const url = await fresh('way')
    await migrate(url)
    // with one connection, whoever kept it while trying again would wait for itself for ever
    const pool = connect(url, 1)
    let tries = 0
    const result = await inTransaction(pool, async (connection) => {
      await connection.query("INSERT INTO setting (name, value) VALUES ('way', 'x')")
      tries++
      if (tries < 4)
        throw Object.assign(new Error('Deadlock found when trying to get lock'), { errno: tries === 2 ? 1180 : 1213 })
      return tries
    })
    expect([result, await rowsOf(url, 'SELECT COUNT(*) AS count FROM setting')]).toEqual([4, [{ count: 1 }]])
    await expect(again(() => Promise.reject(Object.assign(new Error('for ever'), { errno: 1213 })))).rejects.toThrow(
      'for ever',
    )
    let once = 0
    await expect(again(() => Promise.reject(new Error(`number ${++once}`)))).rejects.toThrow('number 1')
    await pool.end()
  })

  it('comes to its end when two want the same rows in turn', async () => {
    const url = await fresh('way')
    await migrate(url)
    const pool = connect(url, 4)
    await pool.query("INSERT INTO setting (name, value) VALUES ('a', '0'), ('b', '0')")
    const both = (first: string, second: string) =>
      inTransaction(pool, async (connection) => {
        for (const name of [first, second]) {
          await connection.query('UPDATE setting SET value = value + 1 WHERE name = ?', [name])
          await new Promise((resolve) => setTimeout(resolve, 20))
        }
      })
    await Promise.all([both('a', 'b'), both('b', 'a'), both('a', 'b'), both('b', 'a')])
    expect(await rowsOf(url, 'SELECT value FROM setting ORDER BY name')).toEqual([{ value: '4' }, { value: '4' }])
    await pool.end()
  })
})
