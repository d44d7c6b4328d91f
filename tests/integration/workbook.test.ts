import { Readable } from 'node:stream'
import { buffer } from 'node:stream/consumers'
import { zipSync } from 'fflate'
import writeWorkbook from 'write-excel-file/node'
import { beforeAll, describe, expect, it } from 'vitest'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { toXlsx } from '../../server/platform/tables/toXlsx'
import { badRowsOf, removeImport, importById, startApply, startCheck } from '../../server/gather/imports/store'
import { takeUpload } from '../../server/gather/imports/upload'
import type { MappingInput } from '../../shared/gather/imports'
import { addClient, addDaysOf, addProfile, runJobs, tableOf, useDatabase } from './support/database'

const { pool } = useDatabase('workbook')
const ID = '10220431877650213'
let db: ClientDb
let person: number
let profile: number

beforeAll(async () => {
  db = await addClient('workbooks')
  profile = await addProfile(db, 'commons', ID)
  await addDaysOf(db, [{ profile, day: '2026-10-20', impressions: 1 }])
  const [added] = await pool().query(
    "INSERT INTO person (agency_id, email, name, role, password_hash) VALUES (1, 'w@b.example', 'Somebody', 'analyst', 'x')",
  )
  person = (added as { insertId: number }).insertId
})

async function open(content: Uint8Array, name = 'export.xlsx') {
  const id = await takeUpload(db, person, name, Readable.from([content]))
  expect(await importById(db, id)).toMatchObject({ state: 'opening', layout: null })
  await runJobs()
  return await importById(db, id)
}
async function check(id: number, mapping: Partial<MappingInput>) {
  await startCheck(
    db,
    id,
    {
      targets: ['day', 'profile_id', 'impressions'],
      dateOrder: 'year-month-day',
      decimal: 'point',
      profile: null,
      ...mapping,
    },
    person,
  )
  await runJobs()
  return { view: await importById(db, id), bad: await badRowsOf(db, id, 10) }
}
/** Rows as a workbook: what a cell is in JavaScript, it is in the sheet. */
const book = async (...sheets: unknown[][][]) =>
  await writeWorkbook(
    sheets.map((rows, index) => ({
      sheet: `Sheet ${index + 1}`,
      data: rows.map((row) =>
        row.map((value) =>
          value === null
            ? null
            : { value, type: (value as object).constructor, ...(value instanceof Date && { format: 'yyyy-mm-dd' }) },
        ),
      ),
    })) as never,
  ).toBuffer()
const day = (text: string) => new Date(`${text}T00:00:00Z`)

describe('a workbook brought as an import', () => {
  it('that Zaffer has written itself is matched by its headings, with ids whole and dates as days, and written', async () => {
    const content = await buffer(
      toXlsx([
        {
          name: 'Days',
          columns: [
            { title: 'Date', kind: 'day' },
            { title: 'Profile id', kind: 'text' },
            { title: 'Impressions', kind: 'count' },
          ],
          rows: [
            ['2026-10-20', ID, 1204],
            ['2026-10-21', ID, 987],
          ],
        },
      ]),
    )
    const { id, mapping, layout } = await open(content)
    expect(mapping).toMatchObject({
      targets: ['day', 'profile_id', 'impressions'],
      dateOrder: 'year-month-day',
      decimal: 'point',
    })
    expect(layout).toMatchObject({
      headings: ['Date', 'Profile id', 'Impressions'],
      contents: ['dates', 'ids', 'counts'],
      sheet: { name: 'Days', of: 1 },
    })
    expect((await check(id, {})).view.summary).toMatchObject({ rows: 2, good: 2, bad: 0, added: 1, changed: 1 })
    await startApply(db, id, person)
    await runJobs()
    expect(await tableOf(`profile_day WHERE profile_id = ${profile}`, 'day, impressions, reactions')).toEqual([
      { day: '2026-10-20', impressions: 1204, reactions: null },
      { day: '2026-10-21', impressions: 987, reactions: null },
    ])
  })

  it('with an id that was typed as a number is refused row by row: its last digits are lost', async () => {
    const { id } = await open(
      await book([
        ['Date', 'Profile id', 'Impressions'],
        [day('2026-10-22'), Number(ID), 5],
      ]),
    )
    const { view, bad } = await check(id, {})
    expect(view.summary).toMatchObject({ good: 0, bad: 1 })
    expect(bad).toEqual([
      {
        line: 2,
        reason: expect.stringContaining('scientific notation'),
        cells: ['2026-10-22', '1.0220431877650212e+16', '5'],
      },
    ])
  })

  it('of several sheets is read by the one with the most rows, and names rows as the sheet does', async () => {
    const { id, layout } = await open(
      await book(
        [['What this is'], ['An export']],
        [
          ['Export of October'],
          [null],
          ['Date', 'Profile id', 'Impressions'],
          [day('2026-10-23'), ID, 7],
          [null],
          ['no day', ID, 8],
        ],
      ),
    )
    expect(layout).toMatchObject({ sheet: { name: 'Sheet 2', of: 2 }, headerLine: 3 })
    expect(await check(id, {})).toMatchObject({
      view: { summary: { good: 1, bad: 1 } },
      bad: [{ line: 6, reason: expect.stringContaining('"no day" is not a date') }],
    })
  })

  it.each([
    [
      'damaged',
      async () =>
        (
          await book([
            ['Date', 'Impressions'],
            [day('2026-10-22'), 5],
          ])
        ).subarray(0, 700),
      'This is a damaged archive, not a workbook.',
    ],
    [
      'no workbook',
      async () => Buffer.from(zipSync({ 'readme.txt': Buffer.from('not a workbook') })),
      'This is an archive or a damaged workbook.',
    ],
    [
      'without headings',
      async () =>
        await book([
          [1, 2],
          [3, 4],
        ]),
      'No row looks like headings.',
    ],
    [
      'far larger unpacked',
      async () => Buffer.from(zipSync({ 'xl/worksheets/sheet1.xml': Buffer.alloc(90 * 1024 * 1024, 32) })),
      'The workbook is larger than 80 MB when it is unpacked. Save the sheet as CSV',
    ],
  ])('that is %s says so in a sentence, and can be removed', async (_what, content, sentence) => {
    const view = await open(await content())
    expect(view.state).toBe('failed')
    expect(
      await tableOf(`job WHERE subject = '${view.id}' AND kind = 'import.open'`, 'state, attempts, message'),
    ).toEqual([{ state: 'failed', attempts: 1, message: expect.stringContaining(sentence) }])
    await expect(
      startCheck(
        db,
        view.id,
        { targets: ['day', 'impressions'], dateOrder: 'year-month-day', decimal: 'point', profile },
        person,
      ),
    ).rejects.toThrow('has not been opened')
    await removeImport(db, view.id)
  })

  it('that is too large is not taken', async () => {
    const zeros = Buffer.alloc(1024 * 1024)
    async function* parts() {
      yield Buffer.from('PK\u0003\u0004', 'latin1')
      for (let count = 0; count < 20; count++) yield zeros
    }
    await expect(takeUpload(db, person, 'large.xlsx', parts())).rejects.toThrow(
      'A workbook can have 20 MB at the most.',
    )
  })
})
