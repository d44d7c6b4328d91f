import ExcelJS from 'exceljs'
import { parse } from 'csv-parse/sync'
import { describe, expect, it } from 'vitest'
import { neutral, type Table } from './table'
import { tableOf } from './tableOf'
import { toCsv } from './toCsv'
import { toXlsx } from './toXlsx'

const ID = '10220431877650213'
const table: Table = {
  name: 'By profile: [all]', columns: [{ title: 'Id', kind: 'text' }, { title: '=Text', kind: 'text' }, { title: 'Count', kind: 'count' }, { title: 'Share', kind: 'share' }, { title: 'Day', kind: 'day' }],
  rows: [[ID, '=HYPERLINK("https://elsewhere.example")', -5, 0.0512, '2026-10-28'], ['007', 'a, "quoted"\nline', null, undefined, '']],
}

describe('a table that is taken away', () => {
  it.each([['=1+1', "'=1+1"], ['+44', "'+44"], ['-x', "'-x"], ['@name', "'@name"], ['\tx', "'\tx"], ['plain', 'plain'], ['', '']])('neutralises %j', (text, safe) => expect(neutral(text)).toBe(safe))

  it('is CSV that reads back as it was, with negative numbers as numbers', () => {
    const text = toCsv(table)
    expect(text.startsWith('\uFEFF')).toBe(true)
    expect(parse(text, { bom: true })).toEqual([['Id', "'=Text", 'Count', 'Share', 'Day'], [ID, "'=HYPERLINK(\"https://elsewhere.example\")", '-5', '0.0512', '2026-10-28'], ['007', 'a, "quoted"\nline', '', '', '']])
    expect(text).toContain(`"${ID}"`)
  })

  it('is a workbook with ids as text, numbers as numbers and no formula', async () => {
    const book = new ExcelJS.Workbook()
    await book.xlsx.load((await toXlsx([table, table])) as never)
    expect(book.worksheets.map(({ name }) => name)).toEqual(['By profile all', 'By profile all 2'])
    const row = book.worksheets[0]!.getRow(2)
    expect(row.getCell(1).value).toBe(ID)
    expect(row.getCell(1).numFmt).toBe('@')
    expect([row.getCell(2).value, row.getCell(3).value, row.getCell(4).value]).toEqual(["'=HYPERLINK(\"https://elsewhere.example\")", -5, 0.0512])
    expect([row.getCell(4).numFmt, row.getCell(5).value]).toEqual(['0.0%', '2026-10-28'])
    book.worksheets[0]!.eachRow((each) => each.eachCell((cell) => expect(cell.formula).toBeUndefined()))
  })
})

describe('what a block shows', () => {
  const base = { id: 'a', comment: '' }
  it('is a table under the block’s own title; a text has none', () => {
    expect(tableOf({ ...base, title: 'Mine', kind: 'found', found: null, searchedAt: null })).toMatchObject({ name: 'Mine', rows: [] })
    expect(tableOf({ ...base, title: '', kind: 'text', text: 'Dear reader' })).toBeUndefined()
  })

  it('of two lines has a column for each, with bounds where there are some', () => {
    const line = (metric: string, point: object) => ({ metric, expected: 2, current: [{ day: '2026-10-28', present: 2, ...point }] })
    const { columns, rows } = tableOf({ ...base, title: '', kind: 'chart', line: line('reach', { value: 60, low: 40, high: 70 }), second: line('posts', { value: 3 }) })!
    expect(columns.map(({ title }) => title)).toEqual(['Day', 'Reach', 'Reach, at least', 'Reach, at most', 'Profiles with reach', 'Posts', 'Profiles with posts'])
    expect(rows).toEqual([['2026-10-28', 60, 40, 70, 2, 3, 2]])
  })

  it('of an explanation has its parts with mix and rate apart', () => {
    const { rows } = tableOf({
      ...base, title: '', kind: 'why', why: { metric: 'click_rate', explanations: [{ kind: 'mix and rate', title: 'By profile', unit: 'share', from: 0.1, to: 0.2, mix: 0.03, rate: 0.07, parts: [{ key: 'A', change: 0.1, mix: 0.03, rate: 0.07 } as never] }] },
    })!
    expect(rows).toEqual([['By profile', 'A', 0.1, 0.03, 0.07]])
  })

  it('of a split has shares with their base in the heading', () => {
    const view = { split: 'impressions_by_source', kind: 'parts' as const, times: [], present: 1, expected: 1, profiles: [], without: 0, rows: [{ part: 'paid', name: 'Paid', value: 25, share: 0.25, from: 10, to: 20 }] }
    const { columns, rows } = tableOf({ ...base, title: '', kind: 'parts', split: view })!
    expect(columns[2]!.title).toBe('Share of all impressions')
    expect(rows).toEqual([['Paid', 25, 0.25, 10, 20]])
  })
})
