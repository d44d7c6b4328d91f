import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { isDeepStrictEqual } from 'node:util'
import type { RowDataPacket } from 'mysql2/promise'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { connect } from '../../server/platform/database/pool'
import { housekeeping } from '../../server/housekeeping'
import { dump, load } from '../../tools/steps/dump.mjs'
import { freePort } from '../../tools/steps/processes.mjs'
import { root, startApplication, stopApplication, forget } from '../support/application'
import { addClient, tableOf, useDatabase } from './support/database'
import { addDemo } from './support/demo'

const { url, pool } = useDatabase('keeping')
const work = join(root, '.test-data', 'keeping')

beforeAll(() => {
  rmSync(work, { recursive: true, force: true })
  mkdirSync(work, { recursive: true })
})
afterAll(() => rmSync(work, { recursive: true, force: true }))

describe('what has done its work', () => {
  it('is removed once its time is over, and nothing else', async () => {
    const db = await addClient('keeping')
    await pool().query(
      "INSERT INTO person (agency_id, email, name, role, password_hash) VALUES (1, 'k@b.example', 'K', 'analyst', 'x')",
    )
    await pool().query(
      "INSERT INTO profile (client_id, network, handle, name, remote_id) VALUES (?, 'cork', '@a', 'A', '1')",
      [db.clientId],
    )
    const made = (days: number) => new Date(Date.now() - days * 86_400_000)
    const each = async (text: string, ...rows: unknown[][]) => {
      for (const row of rows) await pool().query(text, [db.clientId, ...row])
    }
    await each(
      'INSERT INTO import (client_id, file_name, state, created_at) VALUES (?, ?, ?, ?)',
      ['half old', 'uploading', made(2)],
      ['half new', 'uploading', made(0.5)],
      ['old', 'applied', made(31)],
      ['new', 'applied', made(29)],
      ['very old', 'applied', made(91)],
      ['old, still written', 'applying', made(31)],
    )
    const ids = Object.fromEntries(
      ((await tableOf('import', 'file_name, import_id, 1')) as { file_name: string; import_id: number }[]).map(
        (row) => [row.file_name, row.import_id],
      ),
    )
    for (const id of Object.values(ids)) {
      await pool().query('INSERT INTO import_chunk VALUES (?, ?, 0, "x")', [db.clientId, id])
      await pool().query('INSERT INTO import_bad_row VALUES (?, ?, 1, "x", "[]")', [db.clientId, id])
      await pool().query(
        'INSERT INTO import_record (client_id, import_id, dataset, row_key, existed) VALUES (?, ?, "profile_day", "[1]", 0)',
        [db.clientId, id],
      )
    }
    await each(
      "INSERT INTO job (client_id, kind, subject, state, finished_at) VALUES (?, 'sync', ?, 'done', ?)",
      ['1', made(40)],
      ['1', made(39)],
      ['1', made(3)],
      ['2', made(40)],
    )
    await pool().query(
      "INSERT INTO report (client_id, title, period, against, blocks) VALUES (?, 'R', 'last-28-days', 'before', '[]')",
      [db.clientId],
    )
    await pool().query(
      "INSERT INTO edition (client_id, report_id, number, request_key, content, sha256) VALUES (?, 1, 1, 'k', '{}', 'h')",
      [db.clientId],
    )
    await each(
      'INSERT INTO share_link (client_id, edition_id, token_hash, purpose, ends_at) VALUES (?, 1, ?, ?, ?)',
      [Buffer.alloc(32, 1), 'print', made(2)],
      [Buffer.alloc(32, 2), 'print', made(-1)],
      [Buffer.alloc(32, 3), 'reader', made(400)],
    )
    await pool().query('INSERT INTO throttle (subject, tried_at) VALUES ("old", ?), ("new", ?)', [made(2), made(0.1)])
    for (const [index, days] of [16, 1].entries())
      await pool().query(
        'INSERT INTO session (person_id, token_hash, role, password_mark, address, browser, created_at) VALUES ' +
          "(1, ?, 'analyst', '', '', '', ?)",
        [Buffer.alloc(32, index), made(days)],
      )
    await each(
      'INSERT INTO consent_request (client_id, profile_id, token_hash, ends_at) VALUES (?, 1, ?, ?)',
      [Buffer.alloc(32, 1), made(31)],
      [Buffer.alloc(32, 2), made(29)],
    )

    expect(await housekeeping()).toMatchObject({
      'uploads that were broken off': 1,
      'files of imports': 2,
      'bad rows of imports': 1,
      'finished jobs': 2,
      'tickets for printing': 1,
      'old tries to sign in': 1,
      'ended sessions': 1,
      'used and ended consent links': 1,
    })
    const names = async (table: string) =>
      (
        (await tableOf(`${table} t JOIN import i ON i.import_id = t.import_id`, 'i.file_name AS name, 1, 2')) as {
          name: string
        }[]
      )
        .map(({ name }) => name)
        .sort()
    expect(await names('import_chunk')).toEqual(['half new', 'new', 'old, still written'])
    expect(await names('import_bad_row')).toEqual(['half new', 'new', 'old', 'old, still written'])
    // the way back from an import stays as long as the import
    expect((await names('import_record')).length).toBe(5)
    expect((await tableOf('job', 'subject, job_id, 1')).map((row) => (row as { job_id: number }).job_id)).toEqual([
      3, 4,
    ])
    expect(await tableOf('share_link', 'purpose, 1, 2')).toEqual([
      { purpose: 'reader', 1: 1, 2: 2 },
      { purpose: 'print', 1: 1, 2: 2 },
    ])
    expect(await housekeeping()).toEqual({})
  })
})

/** Every table with its rows, in a fixed order. */
async function everything(at: string): Promise<Record<string, unknown[]>> {
  const connection = connect(at, 1)
  const [tables] = await connection.query<RowDataPacket[]>('SHOW TABLES')
  const found: Record<string, unknown[]> = {}
  for (const row of tables) {
    const table = String(Object.values(row)[0])
    const [[keys]] = await connection.query<RowDataPacket[]>(
      'SELECT GROUP_CONCAT(COLUMN_NAME ORDER BY ORDINAL_POSITION) AS names FROM ' +
        'information_schema.KEY_COLUMN_USAGE WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = ? AND ' +
        "CONSTRAINT_NAME = 'PRIMARY'",
      [table],
    )
    found[table] = (await connection.query<RowDataPacket[]>(`SELECT * FROM ${table} ORDER BY ${keys!.names}`))[0].map(
      (one) => ({ ...one }),
    )
  }
  await connection.end()
  return found
}

describe('a backup', () => {
  it('holds every table as it was at one moment, while others write', async () => {
    await pool().query('DELETE FROM setting')
    await addDemo()
    // two rows that are always changed together: a backup that saw only one of them was not of one moment
    await pool().query("REPLACE INTO setting VALUES ('left', '0'), ('right', '0')")
    let isWriting = true
    const writing = (async () => {
      for (let count = 1; isWriting; count++) {
        const connection = await pool().getConnection()
        await connection.beginTransaction()
        await connection.query("UPDATE setting SET value = ? WHERE name = 'left'", [count])
        await connection.query("UPDATE setting SET value = ? WHERE name = 'right'", [count])
        await connection.query(
          "INSERT INTO note (client_id, from_day, to_day, title) VALUES (1, '2026-10-01', '2026-10-01', 'written meanwhile')",
        )
        await connection.commit()
        connection.release()
      }
    })()
    const file = join(work, 'meanwhile.sql.gz')
    await dump(url(), file)
    isWriting = false
    await writing
    await pool().query('DROP DATABASE IF EXISTS zaffer_brought_back')
    await pool().query('CREATE DATABASE zaffer_brought_back CHARACTER SET utf8mb4')
    const back = url().replace(/[^/]+$/, 'zaffer_brought_back')
    await load(back, file)
    const [now, then] = [await everything(url()), await everything(back)]
    expect(Object.keys(then)).toEqual(Object.keys(now))
    const settings = Object.fromEntries(
      (then.setting as { name: string; value: string }[]).map(({ name, value }) => [name, value]),
    )
    expect(settings.left).toBe(settings.right)
    const known = new Set((then.note as { note_id: number }[]).map(({ note_id: id }) => id))
    for (const table of Object.keys(now)) {
      if (table === 'setting') continue
      // of what is only ever added to, the backup has what was there; everything else is the same to the byte
      const wanted =
        table === 'note' ? now.note!.filter((note) => known.has((note as { note_id: number }).note_id)) : now[table]
      expect(isDeepStrictEqual(then[table], wanted), `${table} is the same`).toBe(true)
    }
    await pool().query('DROP DATABASE zaffer_brought_back')
  })

  it('is made and brought back with one command each', async () => {
    const [first, second] = [join(work, 'first'), join(work, 'second')]
    const run = (tool: string, data: string, ...args: string[]) => {
      const { status, stdout, stderr } = spawnSync(process.execPath, [join(root, 'tools', tool), ...args], {
        cwd: root,
        env: { ...process.env, ZAFFER_DATA: data, ZAFFER_DATABASE_URL: '' },
        encoding: 'utf8',
      })
      return { status, said: stdout + stderr }
    }
    const application = await startApplication(first, {
      ZAFFER_DATABASE_URL: '',
      ZAFFER_PORT: String(await freePort()),
    })
    const secrets = readFileSync(join(first, 'secrets.json'), 'utf8')
    // before the backup: the application goes on fetching days
    const people = await everything(readFileSync(join(first, 'database-url'), 'utf8')).then(
      ({ person, profile_day: days }) => ({ person, days: days!.length }),
    )
    const backup = join(work, 'backup')
    expect(run('backup.mjs', first, backup)).toMatchObject({
      status: 0,
      said: expect.stringContaining(`Backed up into ${backup}`),
    })
    expect(run('backup.mjs', first, backup)).toMatchObject({
      status: 1,
      said: expect.stringContaining('is there already'),
    })
    expect(run('restore.mjs', first, backup, '--replace')).toMatchObject({
      status: 1,
      said: expect.stringContaining('already runs on'),
    })
    await stopApplication(application)

    expect(run('restore.mjs', second, join(work, 'nothing'))).toMatchObject({
      status: 1,
      said: expect.stringContaining('is no backup'),
    })
    expect(run('restore.mjs', second, backup)).toMatchObject({
      status: 0,
      said: expect.stringContaining('Restored the backup'),
    })
    expect(run('restore.mjs', second, backup)).toMatchObject({
      status: 1,
      said: expect.stringContaining('There is data already'),
    })
    const moved = (text: string) => {
      const { seal, session, standins, demo } = JSON.parse(text) as Record<string, string>
      return { seal, session, standins, demo }
    }
    expect(moved(readFileSync(join(second, 'secrets.json'), 'utf8'))).toEqual(moved(secrets))
    const again = await startApplication(second, { ZAFFER_DATABASE_URL: '', ZAFFER_PORT: String(await freePort()) })
    expect(again.output()).not.toContain('Loaded the demo')
    const brought = await everything(readFileSync(join(second, 'database-url'), 'utf8'))
    expect(brought.person).toEqual(people.person)
    expect(brought.profile_day!.length).toBeGreaterThanOrEqual(people.days)
    await stopApplication(again)

    writeFileSync(join(backup, 'database.sql.gz'), 'damaged')
    expect(run('restore.mjs', second, backup, '--replace')).toMatchObject({
      status: 1,
      said: expect.stringContaining('The backup is damaged'),
    })
    for (const data of [first, second]) forget(data)
    expect(existsSync(first)).toBe(false)
  }, 600_000)
})
