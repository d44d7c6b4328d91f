import iconv from 'iconv-lite'
import { beforeAll, describe, expect, it } from 'vitest'
import { daysEnding, eachDay } from '../../core/periods/period'
import {
  badRowsOf,
  removeImport,
  importById,
  startApply,
  startCheck,
  startUndo,
} from '../../server/gather/imports/store'
import { takeUpload } from '../../server/gather/imports/upload'
import { sql } from '../../server/platform/database/sql'
import { jobById } from '../../server/platform/jobs/queue'
import type { ClientDb } from '../../server/platform/database/clientDb'
import type { MappingInput } from '../../shared/gather/imports'
import { addClient, addDaysOf, addProfile, runJobs, tableOf, useDatabase } from './support/database'

const { pool } = useDatabase('imports')
const ID = '10220431877650213'
let db: ClientDb
let person: number
let profile: number
let clients = 0

beforeAll(async () => {
  const agency = await addClient('people')
  const [rows] = await pool().query(
    "INSERT INTO person (agency_id, email, name, role, password_hash) VALUES (1, 'a@b.example', 'Somebody', 'analyst', 'x')",
  )
  person = (rows as { insertId: number }).insertId
  expect(agency.clientId).toBeGreaterThan(0)
})

/** A client of its own for a test, with 20 days of figures. */
async function fresh() {
  db = await addClient(`client-${++clients}`)
  profile = await addProfile(db, 'commons', ID)
  await addDaysOf(
    db,
    eachDay(daysEnding('2026-10-28', 20)).map((day, index) => ({
      profile,
      day,
      impressions: 1000 + index,
      reactions: 10,
      followers: 500,
    })),
  )
}

async function* pieces(bytes: Buffer, size = 7): AsyncGenerator<Uint8Array> {
  for (let at = 0; at < bytes.length; at += size) yield bytes.subarray(at, at + size)
}
const upload = (bytes: Buffer, name = 'file.csv') =>
  takeUpload(db, person, name, pieces(bytes, Math.max(7, Math.ceil(bytes.length / 40))))

/** Uploads and checks a file with the matching that was guessed, and what is said besides. */
async function checked(text: string | Buffer, changes: Partial<MappingInput> = {}) {
  const id = await upload(Buffer.isBuffer(text) ? text : Buffer.from(text))
  const { mapping } = await importById(db, id)
  await startCheck(db, id, { ...(mapping as MappingInput), ...changes }, person)
  await runJobs()
  return { id, view: await importById(db, id), bad: await badRowsOf(db, id, 100) }
}
async function applied(text: string, changes: Partial<MappingInput> = {}) {
  const { id } = await checked(text, changes)
  await startApply(db, id, person)
  await runJobs()
  expect((await importById(db, id)).state).toBe('applied')
  return id
}
const facts = () => tableOf(`profile_day WHERE client_id = ${db.clientId}`)
const cell = (day: string) =>
  db.one<{ impressions: number | null; reactions: number | null }>(
    sql`SELECT impressions, reactions FROM profile_day WHERE client_id = ${db.client} AND day = ${day}`,
  )

const COMMA = `Page ID,Date,Impressions,Reactions\n${ID},2026-10-20,"1,250",45\n${ID},2026-10-21,980,41\n`
const RESULT = { good: 2, bad: 0, from: '2026-10-20', to: '2026-10-21', profiles: 1 }

describe('every kind of file', () => {
  it.each<[string, Buffer, Partial<MappingInput>?]>([
    ['commas', Buffer.from(COMMA)],
    ['UTF-8 with a mark', Buffer.from(`\uFEFF${COMMA}`)],
    ['tabs', Buffer.from(COMMA.replace('"1,250"', '1250').replaceAll(',', '\t'))],
    [
      'semicolons, decimal commas and dots between thousands',
      Buffer.from(`Page ID;Date;Impressions;Reactions\n${ID};20.10.2026;1.250;45,0\n${ID};21.10.2026;980;41,0\n`),
    ],
    ['UTF-16, little end', iconv.encode(COMMA, 'utf-16le', { addBOM: true })],
    ['UTF-16, big end', iconv.encode(COMMA, 'utf-16be', { addBOM: true })],
    [
      'Windows-1252',
      iconv.encode(
        `Größe der Seite,${COMMA.split('\n')[0]}\nä,${ID},2026-10-20,1250,45\nö,${ID},2026-10-21,980,41\n`,
        'windows-1252',
      ),
    ],
    ['line ends of another system', Buffer.from(COMMA.replaceAll('\n', '\r\n'))],
    [
      'line breaks within quotes',
      Buffer.from(
        `Page ID,Date,Impressions,Reactions,Remark\n${ID},2026-10-20,1250,45,"a\nb, ""c"""\n${ID},2026-10-21,980,41,\n`,
      ),
    ],
    [
      'a preamble above the headings and totals below',
      Buffer.from(`Export of a page\nmade on,29 Oct 2026\n\n${COMMA}Total,,2230,86\n`),
    ],
  ])('%s', async (_, bytes, changes) => {
    await fresh()
    const { view, bad } = await checked(bytes, changes)
    expect(bad).toEqual([])
    expect(view.summary).toMatchObject(RESULT)
    await startApply(db, view.id, person)
    await runJobs()
    expect([await cell('2026-10-20'), await cell('2026-10-21')]).toEqual([
      { impressions: 1250, reactions: 45 },
      { impressions: 980, reactions: 41 },
    ])
  })

  it.each([
    ['', 'The file is empty.'],
    ['1,2\n3,4\n', 'No row looks like headings'],
    ['\u0001\u0000\u0002\u0000\u0000\u0000\u0003,\n', 'not a text file'],
  ])('refuses what is no table: %j', async (text, sentence) => {
    await fresh()
    await expect(upload(Buffer.from(text))).rejects.toThrow(sentence)
    expect(await tableOf(`import WHERE client_id = ${db.clientId}`)).toEqual([])
  })
})

describe('questions and bad rows', () => {
  it('asks about an ambiguous order of dates, and does not guess', async () => {
    await fresh()
    const id = await upload(Buffer.from(`Page ID,Date,Impressions\n${ID},03/04/2026,5\n${ID},05/04/2026,6\n`))
    const view = await importById(db, id)
    expect(view.layout!.dateOrders[1]).toBe('ambiguous')
    expect(view.mapping!.dateOrder).toBeUndefined()
  })

  it('lists every bad row with line and reason, and writes only the good ones', async () => {
    await fresh()
    const { id, view, bad } = await checked(
      `Page ID,Date,Impressions\n${ID},2026-10-20,5\n1.02204E+16,2026-10-21,5\n` +
        `${ID},2026-10-22,many\n${ID},2026-11-22,5\n${ID},2026-10-20,7\n`,
    )
    expect(view.summary).toMatchObject({ rows: 5, good: 1, bad: 4 })
    expect(bad.map(({ line, reason }) => [line, reason.slice(0, 60)])).toEqual([
      [3, 'Row 3, column "Page ID": "1.02204E+16" is in scientific nota'],
      [4, 'Row 4, column "Impressions": "many" is not a number with a d'],
      [5, 'Row 5, column "Date": 2026-11-22 is not over yet; the last c'],
      [6, 'Row 6, column "Date": 2026-10-20 came already in row 2'],
    ])
    const before = await facts()
    expect(before.length).toBe(20)
    await startApply(db, id, person)
    await runJobs()
    expect((await cell('2026-10-20'))!.impressions).toBe(5)
    expect((await cell('2026-10-22'))!.impressions).toBe(1013)
  })

  it('writes nothing before it is told to', async () => {
    await fresh()
    const before = await facts()
    await checked(COMMA)
    expect(await facts()).toEqual(before)
  })

  it('remembers the matching for the same headings', async () => {
    await fresh()
    await checked(`When,How many\n2026-10-20,5\n2026-10-21,6\n`, {
      targets: ['day', 'impressions'],
      dateOrder: 'year-month-day',
      profile,
    })
    const again = await importById(db, await upload(Buffer.from('When,How many\n2026-10-22,5\n2026-10-23,5\n')))
    expect(again.mapping).toMatchObject({ targets: ['day', 'impressions'], profile })
  })

  it('says why a table with an open quote cannot be read', async () => {
    await fresh()
    const id = await upload(Buffer.from(`${COMMA}${ID},2026-10-22,"5,6\n`))
    const job = await startCheck(db, id, (await importById(db, id)).mapping as MappingInput, person)
    await runJobs()
    expect(await jobById(db, job)).toMatchObject({
      state: 'failed',
      message:
        'The file breaks off: the quotation mark that is opened in row 4 is never closed. Bring the whole file, or close it there.',
    })
    expect((await importById(db, id)).state).toBe('failed')
  })
})

describe('undo', () => {
  it('brings back exactly what was there: changed days, new days, days of other columns', async () => {
    await fresh()
    const before = await facts()
    const id = await applied(
      `Page ID,Date,Impressions,Reactions\n${ID},2026-10-20,1,\n${ID},2026-10-21,2,3\n${ID},2024-02-29,9,9\n${ID},2024-03-01,9,\n`,
    )
    expect(await facts()).not.toEqual(before)
    expect(await cell('2026-10-20')).toEqual({ impressions: 1, reactions: 10 })
    await startUndo(db, id, person)
    await runJobs()
    expect(await facts()).toEqual(before)
    expect((await importById(db, id)).state).toBe('undone')
  })

  it('of a file brought twice takes back nothing: the second time changes nothing', async () => {
    await fresh()
    await applied(COMMA)
    const once = await facts()
    const { view } = await checked(COMMA)
    expect(view.summary).toMatchObject({ added: 0, changed: 0, same: 2 })
    await startApply(db, view.id, person)
    await runJobs()
    expect(await facts()).toEqual(once)
    await startUndo(db, view.id, person)
    await runJobs()
    expect(await facts()).toEqual(once)
  })

  it('goes back through several imports in order, and refuses another order', async () => {
    await fresh()
    const before = await facts()
    const first = await applied(COMMA)
    const second = await applied(COMMA.replace('980', '981'))
    await expect(startUndo(db, first, person)).rejects.toThrow('Undo that import first')
    for (const id of [second, first]) {
      await startUndo(db, id, person)
      await runJobs()
    }
    expect(await facts()).toEqual(before)
  })

  it('keeps what a sync has filled in since', async () => {
    await fresh()
    const id = await applied(`Page ID,Date,Impressions\n${ID},2024-02-29,9\n`)
    await pool().query('UPDATE profile_day SET followers = 77 WHERE client_id = ? AND day = ?', [
      db.clientId,
      '2024-02-29',
    ])
    await startUndo(db, id, person)
    await runJobs()
    const [row] = await tableOf(`profile_day WHERE client_id = ${db.clientId} AND day = '2024-02-29'`)
    expect(row).toMatchObject({ impressions: null, followers: 77, import_id: null })
  })

  it('and every other step is done once, however often it is asked for', async () => {
    await fresh()
    const { id } = await checked(COMMA)
    const jobs = await Promise.all([startApply(db, id, person), startApply(db, id, person)])
    expect(new Set(jobs).size).toBe(1)
    await runJobs()
    await expect(startApply(db, id, person)).rejects.toThrow('Only a file that has been checked')
    await expect(removeImport(db, id)).rejects.toThrow('of which nothing is written')
  })
})
