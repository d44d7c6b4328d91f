import { buffer } from 'node:stream/consumers'
import { strFromU8, unzipSync } from 'fflate'
import readWorkbook from 'read-excel-file/node'
import { parse } from 'csv-parse/sync'
import { describe, expect, it } from 'vitest'
import { neutral, valueOf, type Table } from '../../platform/tables/table'
import { tableOf } from './tableOf'
import { toCsv } from '../../platform/tables/toCsv'
import { toXlsx } from '../../platform/tables/toXlsx'

const ID = '10220431877650213'
const table: Table = {
  name: 'By profile: [all]',
  columns: [
    { title: 'Id', kind: 'text' },
    { title: '=Text', kind: 'text' },
    { title: 'Count', kind: 'count' },
    { title: 'Share', kind: 'share' },
    { title: 'Day', kind: 'day' },
    { title: 'At', kind: 'instant' },
    { title: 'Mixed', kind: 'number' },
  ],
  rows: [
    [
      ID,
      '=HYPERLINK("https://elsewhere.example")',
      -5,
      0.0512,
      '2026-10-28',
      '2026-10-28T09:15:00+01:00',
      { value: 0.5, kind: 'share' },
    ],
    ['007', 'a, "quoted"\nline', null, undefined, '', null, { value: undefined, kind: 'count' }],
  ],
}

describe('a table that is taken away', () => {
  it.each([
    ['=1+1', "'=1+1"],
    ['+44', "'+44"],
    ['-x', "'-x"],
    ['@name', "'@name"],
    ['\tx', "'\tx"],
    ['\n=1+1', "'\n=1+1"],
    ['\r\n@x', "'\r\n@x"],
    [' =1+1', "' =1+1"],
    ['a=1', 'a=1'],
    ['plain', 'plain'],
    ['', ''],
  ])('neutralises %j', (text, safe) => expect(neutral(text)).toBe(safe))

  it('is CSV that reads back as it was, with negative numbers as numbers', () => {
    const text = toCsv(table)
    expect(text.startsWith('\uFEFF')).toBe(true)
    expect(parse(text, { bom: true })).toEqual([
      ['Id', "'=Text", 'Count', 'Share', 'Day', 'At', 'Mixed'],
      [
        ID,
        '\'=HYPERLINK("https://elsewhere.example")',
        '-5',
        '0.0512',
        '2026-10-28',
        '2026-10-28T09:15:00+01:00',
        '0.5',
      ],
      ['007', 'a, "quoted"\nline', '', '', '', '', ''],
    ])
    expect(text).toContain(`"${ID}"`)
  })

  it('is a workbook with ids as text, numbers as numbers and no formula', async () => {
    const file = await buffer(toXlsx([table, table]))
    const sheets = await readWorkbook(file)
    expect(sheets.map(({ sheet }) => sheet)).toEqual(['By profile all', 'By profile all 2'])
    // text is typed as text, so that nothing is run and nothing has to stand before it
    expect(sheets[0]!.data[1]).toEqual([
      ID,
      '=HYPERLINK("https://elsewhere.example")',
      -5,
      0.0512,
      new Date('2026-10-28T00:00:00Z'),
      new Date('2026-10-28T09:15:00Z'),
      0.5,
    ])
    expect(sheets[0]!.data[2]!.slice(0, 2)).toEqual(['007', 'a, "quoted"\nline'])
    const parts = Object.fromEntries(
      Object.entries(unzipSync(file)).map(([name, content]) => [name, strFromU8(content)]),
    )
    const cells = parts['xl/worksheets/sheet1.xml']!
    expect(cells).not.toMatch(/<f[ >]/)
    for (const format of ['0.0%', 'yyyy-mm-dd', 'yyyy-mm-dd hh:mm'])
      expect(parts['xl/styles.xml']).toContain(`formatCode="${format}"`)
    expect(cells).toContain('state="frozen"')
  })
})

describe('what a block shows', () => {
  const base = { id: 'a', comment: '' }
  it('is a table under the block’s own title; a text has none', () => {
    expect(tableOf({ ...base, title: 'Mine', kind: 'found', found: null, searchedAt: null }, 'UTC')).toMatchObject({
      name: 'Mine',
      rows: [],
    })
    expect(tableOf({ ...base, title: '', kind: 'text', text: 'Dear reader' }, 'UTC')).toBeUndefined()
  })

  it('of two lines has a column for each, with bounds where there are some', () => {
    const line = (metric: string, point: object) => ({
      metric,
      expected: 2,
      current: [{ day: '2026-10-28', present: 2, ...point }],
    })
    const { columns, rows } = tableOf(
      {
        ...base,
        title: '',
        kind: 'chart',
        line: line('reach', { value: 60, low: 40, high: 70 }),
        second: line('posts', { value: 3 }),
      },
      'UTC',
    )!
    expect(columns.map(({ title }) => title)).toEqual([
      'Day',
      'Reach',
      'Reach, at least',
      'Reach, at most',
      'Profiles with reach',
      'Profiles expected with reach',
      'Posts',
      'Profiles with posts',
      'Profiles expected with posts',
    ])
    expect(rows).toEqual([['2026-10-28', 60, 40, 70, 2, 2, 3, 2, 2]])
  })

  it('of an explanation has its parts with mix and rate apart', () => {
    const { rows } = tableOf(
      {
        ...base,
        title: '',
        kind: 'why',
        why: {
          metric: 'click_rate',
          explanations: [
            {
              kind: 'mix and rate',
              title: 'By profile',
              unit: 'share',
              from: 0.1,
              to: 0.2,
              mix: 0.03,
              rate: 0.07,
              parts: [{ key: 'A', change: 0.1, mix: 0.03, rate: 0.07 } as never],
            },
          ],
        },
      },
      'UTC',
    )!
    expect(rows.map((row) => row.map(valueOf))).toEqual([['By profile', 'A', 0.1, 0.03, 0.07]])
    // the change of a rate is a share, whatever stands in the row above
    expect(rows[0]![2]).toEqual({ value: 0.1, kind: 'share' })
  })

  it('of a breakdown has shares with their base in the heading', () => {
    const view = {
      breakdown: 'impressions_by_source',
      kind: 'parts' as const,
      times: [],
      present: 1,
      expected: 1,
      profiles: [],
      without: 0,
      rows: [{ part: 'paid', name: 'Paid', value: 25, share: 0.25, from: 10, to: 20 }],
    }
    const { columns, rows } = tableOf({ ...base, title: '', kind: 'breakdown', breakdown: view }, 'UTC')!
    expect(columns[2]!.title).toBe('Share of all impressions')
    expect(rows).toEqual([['Paid', 25, 0.25, 10, 20, 1, 1]])
  })

  const coverage = { expected: 28, present: 26, partial: [{ profile: 1, present: 26, expected: 28 }], unreported: [] }
  const compared = {
    figure: { metric: 'interactions', value: 10_556, exactness: 'exact' as const, observations: 10_556, coverage },
    change: {
      from: 11_606,
      to: 10_378,
      difference: -1228,
      relative: -1228 / 11_606,
      direction: 'down' as const,
      judgement: 'worse' as const,
      approximate: false,
      small: false,
      days: { now: 26, then: 26, ofNow: 28, ofThen: 28 },
      basis: 'over the 26 of 28 days with data in both periods',
    },
  }
  it('of figures has what a change rests on, how well each is known, and its own unit in every cell', () => {
    const { columns, rows } = tableOf({ ...base, title: '', kind: 'figures', figures: [compared] }, 'UTC')!
    const cell = (title: string) => valueOf(rows[0]![columns.findIndex((column) => column.title === title)])
    expect(
      [
        'Value',
        'Known',
        'Profile-days with data',
        'Now',
        'Then',
        'Difference',
        'Profile-days used now',
        'Profile-days used then',
        'Judged',
        'Remark',
      ].map(cell),
    ).toEqual([
      10_556,
      'exact on 26 of 28 days',
      26,
      10_378,
      11_606,
      -1228,
      26,
      26,
      'worse',
      'over the 26 of 28 days with data in both periods',
    ])
    expect(cell('Percent')).toBeCloseTo(-0.1058, 4)
    expect(rows[0]![2]).toEqual({ value: 10_556, kind: 'count' })
  })

  it('by profile has the same for every metric, and the network’s id as text', () => {
    const { columns, rows } = tableOf(
      {
        ...base,
        title: '',
        kind: 'table',
        metrics: ['interactions'],
        rows: [
          {
            profile: 1,
            id: ID,
            who: '1',
            name: 'A',
            network: 'commons',
            networkName: 'Commons',
            figures: { interactions: compared },
            firstFetch: false,
          },
        ],
      },
      'UTC',
    )!
    expect(columns.slice(0, 3).map(({ title, kind }) => [title, kind])).toEqual([
      ['Profile', 'text'],
      ['Network', 'text'],
      ['Id', 'text'],
    ])
    expect(columns.map(({ title }) => title)).toContain('Interactions, then')
    expect(rows[0]!.slice(0, 8)).toEqual(['A', 'Commons', ID, 10_556, 10_378, 11_606, -1228, -1228 / 11_606])
    expect(columns.slice(3, 8).map(({ title }) => title)).toEqual([
      'Interactions',
      'Interactions, now',
      'Interactions, then',
      'Interactions, difference',
      'Interactions, percent',
    ])
  })

  it('by network and by set says so, with how many profiles a row stands for', () => {
    const of = (by: 'network' | 'set') =>
      tableOf(
        {
          ...base,
          title: '',
          kind: 'table',
          metrics: ['interactions'],
          by,
          rows: [
            {
              who: '1,2',
              name: 'Tintype',
              network: 'tintype',
              networkName: '2 profiles',
              figures: { interactions: compared },
              firstFetch: false,
            },
          ],
        },
        'UTC',
      )!
    expect([of('network').name, of('network').columns[0]!.title, of('network').rows[0]!.slice(0, 3)]).toEqual([
      'By network',
      'Network',
      ['Tintype', 2, 10_556],
    ])
    expect([of('set').name, of('set').columns[0]!.title]).toEqual(['By set', 'Set'])
  })

  it('that is an estimate has its value as it is, and ends outside its range', () => {
    const reach = {
      figure: {
        ...compared.figure,
        metric: 'reach',
        value: 61_823.4,
        low: 57_829.6,
        high: 65_980.2,
        exactness: 'estimated' as const,
      },
      change: undefined,
    }
    const { rows } = tableOf({ ...base, title: '', kind: 'figures', figures: [reach] }, 'UTC')!
    expect([rows[0]![2], rows[0]![8], rows[0]![9]].map((cell) => valueOf(cell as never))).toEqual([
      61_823.4, 57_829, 65_981,
    ])
  })

  it('of posts gives the instant in the client’s zone, across a clock change', () => {
    const post = (publishedAt: string) => ({
      id: ID,
      profile: 1,
      name: 'A',
      networkName: 'Commons',
      publishedAt: new Date(publishedAt),
      format: 'photo',
      text: 'x',
      impressions: 1,
      interactions: 1,
      rate: null,
    })
    const { columns, rows } = tableOf(
      {
        ...base,
        title: '',
        kind: 'posts',
        order: 'newest',
        posts: [post('2026-10-24T22:30:00Z'), post('2026-10-25T22:30:00Z')],
      },
      'Europe/London',
    )!
    expect(columns[1]).toEqual({ title: 'Published (Europe/London)', kind: 'instant' })
    expect(rows.map((row) => row[1])).toEqual(['2026-10-24T23:30:00+01:00', '2026-10-25T22:30:00+00:00'])
  })

  it('of unusual days is drawn as it was frozen, by the day or by the cause', () => {
    const single = {
      day: '2026-10-11',
      profile: 7,
      name: 'Films, Lantern',
      value: 111,
      usual: 27,
      score: 6.1,
      isSmall: false,
      posts: [],
      explainedBy: null,
    }
    expect(
      tableOf({ ...base, title: '', kind: 'unusual', metric: 'interactions', days: [single as never] }, 'UTC')!.rows,
    ).toEqual([['2026-10-11', '2026-10-11', 'up', 'Films, Lantern', 111, 27, 6.1, 0, '']])
  })
})
