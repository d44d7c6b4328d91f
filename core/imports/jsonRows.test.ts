import { describe, expect, it } from 'vitest'
import { jsonRows } from './jsonRows'

describe('jsonRows', () => {
  it('finds the rows however they are wrapped, and names what stands within them by the way to it', () => {
    expect(
      jsonRows({
        meta: { columns: [{ name: 'day' }], note: 'x' },
        result: {
          data: [
            { day: '2026-10-27', counts: { views: '12', by: { organic: '5' } }, tags: ['a', 'b'] },
            { day: '2026-10-28', counts: { views: '13' }, isFinal: true, gone: null, text: 'two\nlines' },
          ],
        },
      }),
    ).toEqual([
      ['day', 'counts.views', 'counts.by.organic', 'tags', 'isFinal', 'gone', 'text'],
      ['2026-10-27', '12', '5', 'a b', '', '', ''],
      ['2026-10-28', '13', '', '', 'true', '', 'two lines'],
    ])
  })

  it('takes a list of lists as a table', () => {
    expect(
      jsonRows([
        ['Date', 'Views'],
        ['2026-10-28', '12'],
      ]),
    ).toEqual([
      ['Date', 'Views'],
      ['2026-10-28', '12'],
    ])
  })

  it('refuses what holds no rows, or more names than a table has columns', () => {
    for (const value of [[], {}, 'text', null, { data: ['a', 'b'] }, { a: { b: { c: { d: { e: [{ x: '1' }] } } } } }])
      expect(() => jsonRows(value)).toThrow('holds no list of rows')
    expect(() => jsonRows([Object.fromEntries(Array.from({ length: 501 }, (_, index) => [`n${index}`, '1']))])).toThrow(
      '501 different names; 500 are the most',
    )
    expect(() => jsonRows(Array.from({ length: 1_000_001 }, () => ({})))).toThrow(
      '1,000,001 rows; 1,000,000 are the most',
    )
    const sparse = Array.from({ length: 25_000 }, (_, row) => ({ [`n${row % 401}`]: '1' }))
    expect(() => jsonRows(sparse)).toThrow('25,000 rows of 401 names: too many at once')
  })
})
