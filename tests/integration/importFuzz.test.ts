import { randomBytes } from 'node:crypto'
import { stringify } from 'csv-stringify/sync'
import fc from 'fast-check'
import iconv from 'iconv-lite'
import { beforeAll, describe, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { badRowsOf, importById, startApply, startCheck, startUndo } from '../../server/gather/imports/store'
import { layoutOf, takeUpload } from '../../server/gather/imports/upload'
import { Problem } from '../../server/platform/problems/problem'
import type { MappingInput } from '../../shared/gather/imports'
import { addClient, addProfile, runJobs, tableOf, useDatabase } from './support/database'

const { pool } = useDatabase('import_fuzz')
let db: ClientDb
let profile: number
let person: number

beforeAll(async () => {
  db = await addClient('fuzz')
  profile = await addProfile(db, 'commons', '10220431877650213')
  const [added] = await pool().query(
    "INSERT INTO person (agency_id, email, name, role, password_hash) VALUES (1, 'f@b.example', 'Somebody', 'analyst', 'x')",
  )
  person = (added as { insertId: number }).insertId
})

const upload = (bytes: Buffer) =>
  takeUpload(
    db,
    person,
    'fuzz.csv',
    (async function* () {
      yield bytes
    })(),
  )
const facts = () =>
  tableOf(`profile_day WHERE client_id = ${db.clientId}`, 'day, impressions, reactions, import_id') as Promise<
    { day: string; impressions: number | null; reactions: number | null }[]
  >

/** One way in which an export can be written. */
const dialect = fc.record({
  delimiter: fc.constantFrom(',', ';', '\t', '|'),
  order: fc.constantFrom('year-month-day', 'day-month-year', 'month-day-year'),
  separator: fc.constantFrom('-', '/', '.'),
  group: fc.constantFrom('', '.', ',', ' ', "'"),
  encoding: fc.constantFrom('utf-8', 'utf-16le', 'utf-16be', 'windows-1252'),
  mark: fc.boolean(),
  ends: fc.constantFrom('\n', '\r\n'),
  preamble: fc.integer({ min: 0, max: 3 }),
  totals: fc.boolean(),
  remark: fc.boolean(),
  quoted: fc.boolean(),
})
const rows = fc.uniqueArray(
  fc.record({
    at: fc.integer({ min: 0, max: 3000 }),
    impressions: fc.option(fc.integer({ min: 0, max: 9_999_999 }), { nil: null }),
    reactions: fc.integer({ min: 0, max: 5000 }),
  }),
  { minLength: 3, maxLength: 40, selector: ({ at }) => at },
)

type Dialect = typeof dialect extends fc.Arbitrary<infer D> ? D : never

function write(given: { at: number; impressions: number | null; reactions: number }[], how: Dialect): Buffer {
  const day = (at: number) => {
    const [year, month, date] = addDays('2017-01-01', at).split('-')
    const parts = {
      'year-month-day': [year, month, date],
      'day-month-year': [date, month, year],
      'month-day-year': [month, date, year],
    }[how.order as 'year-month-day']
    return parts.join(how.separator)
  }
  const number = (value: number | null) =>
    value === null ? '' : how.group ? String(value).replace(/\B(?=(\d{3})+(?!\d))/g, how.group) : String(value)
  const table = [
    ['Date', 'Impressions', 'Reactions', ...(how.remark ? ['Bemerkung für Größe'] : [])],
    ...given.map(({ at, impressions, reactions }) => [
      day(at),
      number(impressions),
      number(reactions),
      ...(how.remark ? ['Zeile eins\nZeile "zwei", ä'] : []),
    ]),
    ...(how.totals ? [['Total', '1', '1', ...(how.remark ? [''] : [])]] : []),
  ]
  const text = stringify(table, { delimiter: how.delimiter, quoted: how.quoted, record_delimiter: how.ends })
  const above = Array.from({ length: how.preamble }, (_, index) => `Export number ${index} of the page`).join(how.ends)
  const hasMark = how.encoding.startsWith('utf-16') || (how.mark && how.encoding === 'utf-8')
  return iconv.encode((above ? above + how.ends : '') + text, how.encoding, { addBOM: hasMark })
}

describe('any table, in any dialect', () => {
  it('is known for what it is: its delimiter, its letters, its headings', () => {
    fc.assert(
      fc.property(rows, dialect, (given, how) => {
        const layout = layoutOf(write(given, how), false)
        expect(layout.delimiter).toBe(how.delimiter)
        expect(layout.headings.slice(0, 3)).toEqual(['Date', 'Impressions', 'Reactions'])
        expect(layout.headings.at(-1)).toBe(how.remark ? 'Bemerkung für Größe' : 'Reactions')
        expect([how.order, 'ambiguous']).toContain(layout.dateOrders[0])
      }),
      { numRuns: 400 },
    )
  })

  it('comes in as it was written, and goes out without a trace', { timeout: 180_000 }, async () => {
    await fc.assert(
      fc.asyncProperty(rows, dialect, async (given, how) => {
        const before = await facts()
        const id = await upload(write(given, how))
        const { layout, mapping } = await importById(db, id)
        expect(layout!.headings.slice(0, 3)).toEqual(['Date', 'Impressions', 'Reactions'])
        // what the dates themselves leave open, a person says; numbers that could be read two ways are whole in one of
        // them
        const decimal = how.group === '.' ? 'comma' : how.group === ',' ? 'point' : layout!.decimal
        expect([how.order, 'ambiguous']).toContain(layout!.dateOrders[0])
        await startCheck(
          db,
          id,
          { ...(mapping as MappingInput), dateOrder: how.order as 'year-month-day', decimal, profile },
          person,
        )
        await runJobs()
        const { summary } = await importById(db, id)
        expect(await badRowsOf(db, id, 5)).toEqual([])
        expect(summary).toMatchObject({ good: given.length, totals: how.totals ? 1 : 0 })
        await startApply(db, id, person)
        await runJobs()
        const after = await facts()
        for (const { at, impressions, reactions } of given) {
          const row = after.find(({ day }) => day === addDays('2017-01-01', at))
          expect(row).toMatchObject({ impressions, reactions })
        }
        await startUndo(db, id, person)
        await runJobs()
        expect(await facts()).toEqual(before)
      }),
      { numRuns: 25 },
    )
  })
})

describe('any bytes at all', () => {
  it('are taken as a table or refused with a sentence, and never break anything', () => {
    const lines = fc
      .array(fc.string({ unit: fc.constantFrom('a', '1', ',', ';', '"', '\n', '\t', ' ', 'ä', '.', '-', '\r') }), {
        maxLength: 30,
      })
      .map((parts) => Buffer.from(parts.join('')))
    const bytes = fc.oneof(
      fc.uint8Array({ maxLength: 400 }).map((array) => Buffer.from(array)),
      lines,
    )
    fc.assert(
      fc.property(bytes, fc.boolean(), (sample, isCut) => {
        try {
          const layout = layoutOf(sample, isCut)
          expect(layout.headings.length).toBeGreaterThan(1)
        } catch (error) {
          expect(error instanceof Problem || error instanceof RangeError, String(error)).toBe(true)
          expect((error as Error).message).toMatch(/\.$/)
        }
      }),
      { numRuns: 400 },
    )
  })

  it('leave nothing behind when they are refused', async () => {
    for (let round = 0; round < 10; round++)
      await expect(upload(Buffer.concat([randomBytes(2000), Buffer.from([0, 0])]))).rejects.toThrow()
    expect(await tableOf("import WHERE state = 'uploading'", 'import_id, state, bytes')).toEqual([])
  })
})
