import { beforeAll, describe, expect, it } from 'vitest'
import type { ClientDb } from '../../server/platform/database/clientDb'
import {
  badRowsOf,
  removeImport,
  importById,
  importsOf,
  startApply,
  startCheck,
  startUndo,
} from '../../server/gather/imports/store'
import { takeUpload } from '../../server/gather/imports/upload'
import { jobById } from '../../server/platform/jobs/queue'
import { runNextJob } from '../../server/jobs'
import type { MappingInput } from '../../shared/gather/imports'
import { addClient, addDaysOf, addProfile, runJobs, tableOf, useDatabase } from './support/database'

const { pool } = useDatabase('import_limits')
const MB = 1024 * 1024
let db: ClientDb
let person: number
let profile: number

beforeAll(async () => {
  db = await addClient('limits')
  profile = await addProfile(db, 'commons', '10220431877650213')
  await addDaysOf(db, [{ profile, day: '2026-10-20', impressions: 1 }])
  const [added] = await pool().query(
    "INSERT INTO person (agency_id, email, name, role, password_hash) VALUES (1, 'l@b.example', 'Somebody', 'analyst', 'x')",
  )
  person = (added as { insertId: number }).insertId
})

/** A file that is never whole in memory: its parts, some of them many times. */
async function* parts(...given: (string | [string, number])[]): AsyncGenerator<Uint8Array> {
  for (const part of given) {
    if (typeof part === 'string') yield Buffer.from(part)
    else for (let count = 0; count < part[1]; count++) yield Buffer.from(part[0])
  }
}
const mapping: MappingInput = {
  targets: ['day', 'impressions'],
  dateOrder: 'year-month-day',
  decimal: 'point',
  profile: null,
  site: null,
  dataset: 'profile_day',
}
const upload = (stream: AsyncIterable<Uint8Array>, name = 'file.csv') => takeUpload(db, person, name, stream)

/** Uploads and checks, and tells how far memory rose meanwhile, beyond what was in use before. */
async function checked(stream: AsyncIterable<Uint8Array>, given: Partial<MappingInput> = {}) {
  const id = await upload(stream)
  const job = await startCheck(db, id, { ...mapping, profile, ...given }, person)
  let highest = 0
  const before = process.memoryUsage().rss
  const watch = setInterval(() => (highest = Math.max(highest, process.memoryUsage().rss - before)), 20)
  await runJobs()
  clearInterval(watch)
  return {
    id,
    job: (await jobById(db, job))!,
    view: await importById(db, id),
    bad: await badRowsOf(db, id, 10),
    rose: highest / MB,
  }
}

const HEAD = 'Date,Impressions\n2026-10-20,5\n'
const LONG = 'x'.repeat(MB)

describe('one file', () => {
  it('with a row of 20 MB is refused with the row named, and memory stays flat', async () => {
    const { job, view, rose } = await checked(parts(HEAD, '2026-10-21,"', [LONG, 20], '"\n2026-10-22,6\n'))
    expect(job).toMatchObject({
      state: 'failed',
      message: expect.stringContaining('Row 3 is longer than 1,000,000 letters.'),
    })
    expect(view.state).toBe('failed')
    expect(rose).toBeLessThan(150)
    await removeImport(db, view.id)
  })

  it('with a cell of 70 MB does not end the process that reads it, and others go on', async () => {
    const { job } = await checked(parts(HEAD, '2026-10-21,', [LONG, 70], '\n'))
    expect(job).toMatchObject({ state: 'failed', message: expect.stringContaining('is longer than 1,000,000 letters') })
    expect((await checked(parts(HEAD))).job.state).toBe('done')
  })

  it('with a cell that is too long has one bad row, with row and column named', async () => {
    const { view, bad } = await checked(parts(HEAD, `2026-10-21,${'7'.repeat(50_000)}\n2026-10-22,6\n`))
    expect(view.summary).toMatchObject({ rows: 3, good: 2, bad: 1 })
    expect(bad[0]).toMatchObject({
      line: 3,
      reason: 'Row 3, column "Impressions": the cell has 50,000 letters; 10,000 are the most',
    })
    expect(JSON.stringify(bad).length).toBeLessThan(1000)
  })

  it.each([
    ['of one line', parts([LONG, 5]), 'The first line of the file is longer than 256 kB.'],
    [
      'of ten thousand columns',
      parts(`${Array.from({ length: 10_000 }, (_, index) => `Column${index}`).join(',')}\n1,2\n`),
      'The file has 10,000 columns; 500 are the most.',
    ],
  ])('%s is refused while it is taken, with a sentence', async (_, stream, sentence) => {
    const before = await tableOf('import', 'import_id, state, 1')
    await expect(upload(stream)).rejects.toThrow(sentence)
    expect(await tableOf('import', 'import_id, state, 1')).toEqual(before)
  })

  it('of long bad rows keeps no more of them than there is room for', async () => {
    const { view } = await checked(parts(HEAD, [`2026-10-21,"${'y'.repeat(9000)}"\n`, 3000]))
    expect(view.summary).toMatchObject({ good: 1, bad: 3000 })
    const [[row]] = (await pool().query(
      'SELECT SUM(LENGTH(cells)) AS size, COUNT(*) AS count FROM import_bad_row WHERE import_id = ?',
      [view.id],
    )) as unknown as [[{ size: number; count: number }]]
    expect(row.size).toBeLessThan(21_000_000)
    expect(row.count).toBeGreaterThan(1000)
  })
})

describe('a file that was cut off', () => {
  it('within its last row has that row named as a bad one', async () => {
    const { view, bad } = await checked(parts('Date,Impressions,Reactions\n2026-10-20,5,1\n2026-10-21,12'), {
      targets: ['day', 'impressions', 'reactions'],
    })
    expect(view.summary).toMatchObject({ good: 1, bad: 1, openLine: null })
    expect(bad[0]!.reason).toBe('Row 3: the file breaks off in this row, after 2 of 3 cells')
  })

  it('within its last cell is good, but the line is named: nobody can know', async () => {
    expect((await checked(parts('Date,Impressions\n2026-10-20,5\n2026-10-21,12'))).view.summary).toMatchObject({
      good: 2,
      openLine: 3,
    })
    expect((await checked(parts(HEAD))).view.summary).toMatchObject({ openLine: null })
  })
})

describe('rows of totals', () => {
  it('are those with which the file ends; one above is a bad row', async () => {
    const { view, bad } = await checked(
      parts('Date,Impressions\nTotal,11\n2026-10-20,5\n2026-10-21,6\nTotal,11\nGrand total,11\n'),
    )
    expect(view.summary).toMatchObject({ good: 2, bad: 1, totals: 2 })
    expect(bad.map(({ line, reason }) => [line, reason])).toEqual([[2, 'Row 2 says "Total", but other rows follow it']])
  })

  it('with a day have to be the sums', async () => {
    const given: Partial<MappingInput> = { targets: ['', 'day', 'impressions'] }
    expect(
      (await checked(parts('What,Date,Impressions\nA,2026-10-20,5\nB,2026-10-21,6\nTotal,2026-10-22,11\n'), given)).view
        .summary,
    ).toMatchObject({ good: 2, totals: 1 })
    expect(
      (await checked(parts('What,Date,Impressions\nA,2026-10-20,5\nB,2026-10-21,6\nTotal,2026-10-22,12\n'), given)).view
        .summary,
    ).toMatchObject({ good: 3, totals: 0 })
  })
})

describe('a matching', () => {
  const bring = () => upload(parts('When it was,How many\n2026-10-20,5\n'))
  it.each<[string, Partial<MappingInput>, string]>([
    ['without a date', { targets: ['', 'impressions'] }, 'which column holds the date'],
    ['without figures', { targets: ['day', ''] }, 'which columns hold figures'],
    ['without a profile', { profile: null }, 'which profile the file belongs to'],
    ['of a profile that is not there', { profile: 999_999 }, 'not one of this client’s'],
    ['of another number of columns', { targets: ['day', 'impressions', ''] }, 'another number of columns'],
    ['that names a column twice', { targets: ['day', 'day'] }, 'hold figures'],
  ])('%s is refused at the check, and is not remembered', async (_, given, sentence) => {
    const id = await bring()
    await expect(startCheck(db, id, { ...mapping, profile, ...given }, person)).rejects.toThrow(sentence)
    expect((await importById(db, id)).state).toBe('uploaded')
    expect(await tableOf("job WHERE state = 'queued'", 'job_id, 1, 2')).toEqual([])
    await removeImport(db, id)
    const again = await bring()
    expect((await importById(db, again)).mapping!.targets).toEqual(['day', ''])
    await removeImport(db, again)
  })

  it('under which no row can be read is not remembered either', async () => {
    const id = await bring()
    await startCheck(db, id, { ...mapping, targets: ['impressions', 'day'], profile }, person)
    await runJobs()
    expect((await importById(db, id)).summary).toMatchObject({ good: 0, bad: 1 })
    expect((await importById(db, await bring())).mapping!.targets).toEqual(['day', ''])
  })
})

describe('a writing that fails', () => {
  /** Lets the database refuse one day, as a full disk or a fault of ours would. */
  const refuse = (day: string) =>
    pool().query(
      `CREATE TRIGGER refuse BEFORE INSERT ON profile_day FOR EACH ROW BEGIN IF NEW.day = '${day}' THEN ` +
        `SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'secret words of the database'; END IF; END`,
    )
  const allow = () => pool().query('DROP TRIGGER refuse')
  /** Tries a job until it has failed for good. */
  async function untilFailed(job: number) {
    for (let tries = 0; tries < 10; tries++) {
      await pool().query("UPDATE job SET run_after = NOW(3) WHERE state = 'queued'")
      await runNextJob()
    }
    return (await jobById(db, job))!
  }
  const rows = Array.from(
    { length: 6000 },
    (_, index) => `${new Date(Date.UTC(2004, 0, 1 + index)).toISOString().slice(0, 10)},${index}`,
  )
  const facts = () => tableOf(`profile_day WHERE client_id = ${db.clientId}`)

  it('in the middle can be undone, written on, and shows nothing of the database’s own words', async () => {
    const before = await facts()
    const id = (await checked(parts(`Date,Impressions\n${rows.join('\n')}\n`))).id
    await refuse(rows[5500]!.slice(0, 10))
    const failed = await untilFailed(await startApply(db, id, person))
    await allow()
    expect(failed.state).toBe('failed')
    expect(failed.message).toMatch(
      /^It did not work after 6 tries\. Something went wrong here; the log has it under job \d+\.$/,
    )
    expect(await importById(db, id)).toMatchObject({ state: 'failed', hasWritten: true, appliedRows: 5000 })
    await expect(removeImport(db, id)).rejects.toThrow('of which nothing is written')
    await expect(startCheck(db, id, { ...mapping, profile }, person)).rejects.toThrow('written already')
    // written on
    await startApply(db, id, person)
    await runJobs()
    expect(await importById(db, id)).toMatchObject({ state: 'applied' })
    expect((await facts()).length).toBe(before.length + 6000)
    await startUndo(db, id, person)
    await runJobs()
    expect(await facts()).toEqual(before)
    await removeImport(db, id)
  })

  it('in the middle, undone, leaves everything as it was', async () => {
    const before = await facts()
    const id = (await checked(parts(`Date,Impressions\n${rows.join('\n')}\n`))).id
    await refuse(rows[5500]!.slice(0, 10))
    await untilFailed(await startApply(db, id, person))
    await allow()
    await startUndo(db, id, person)
    await runJobs()
    expect(await facts()).toEqual(before)
    expect(await importById(db, id)).toMatchObject({ state: 'undone', hasWritten: false })
  })
})

describe('uploads', () => {
  it('that broke off are shown, and can be removed', async () => {
    const [added] = await pool().query(
      "INSERT INTO import (client_id, file_name, state) VALUES (?, 'half.csv', 'uploading')",
      [db.clientId],
    )
    const { insertId: id } = added as { insertId: number }
    expect((await importsOf(db)).find((item) => item.id === id)).toMatchObject({
      fileName: 'half.csv',
      state: 'uploading',
    })
    await removeImport(db, id)
  })

  it('that their sender broke off leave nothing behind', async () => {
    const before = await tableOf('import_chunk', 'import_id, chunk, 1')
    await expect(
      upload(
        (async function* () {
          yield Buffer.alloc(3 * MB, 'x')
          throw new Error('aborted')
        })(),
      ),
    ).rejects.toThrow('aborted')
    expect(await tableOf('import_chunk', 'import_id, chunk, 1')).toEqual(before)
  })

  it('have their room: for a client, for a person, and on the disk', async () => {
    const twenty = () => parts(HEAD, [`2026-10-21,"${LONG}"\n`, 20])
    await expect(takeUpload(db, person, 'a.csv', twenty(), { client: 10 * MB, person: 900 * MB })).rejects.toThrow(
      'The files that are kept of this client would have more than 10 MB together.',
    )
    await expect(takeUpload(db, person, 'a.csv', twenty(), { client: 900 * MB, person: 10 * MB })).rejects.toThrow(
      'You have brought more than 10 MB of files within a day.',
    )
    process.env.ZAFFER_DATABASE_FOLDER = '/proc'
    await expect(takeUpload(db, person, 'a.csv', twenty())).rejects.toThrow(
      'The disk of the application is nearly full',
    )
    delete process.env.ZAFFER_DATABASE_FOLDER
    expect((await importsOf(db)).some(({ fileName }) => fileName === 'a.csv')).toBe(false)
  })
})
