import { describe, expect, it } from 'vitest'
import { detectEncoding } from './encoding'
import { HEADING_WORDS } from './headingWords'
import { FILE_DATASETS, importTargets } from './importTargets'
import { chooseDelimiter, describeLayout, guessTargets } from './layout'
import { detectDecimalSign, readCount } from './readCount'
import { detectDateOrder, readDate } from './readDate'
import { rowReader, type Mapping } from './rowReader'

describe('encoding', () => {
  const bytes = (text: string, encoding: BufferEncoding) => new Uint8Array(Buffer.from(text, encoding))
  it.each([
    ['UTF-8 with a mark', new Uint8Array([0xef, 0xbb, 0xbf, 0x41]), 'utf-8'],
    ['UTF-8', bytes('Größe', 'utf8'), 'utf-8'],
    ['plain letters', bytes('Date', 'ascii'), 'utf-8'],
    ['UTF-16, little end', bytes('\uFEFFDate', 'utf16le'), 'utf-16le'],
    ['UTF-16 without a mark', bytes('Date;Reach', 'utf16le'), 'utf-16le'],
    ['UTF-16, big end', new Uint8Array([0xfe, 0xff, 0, 0x44]), 'utf-16be'],
    ['Windows-1252', bytes('Gr\u00f6\u00dfe', 'latin1'), 'windows-1252'],
    ['UTF-8 cut within a letter', bytes('Grö', 'utf8').slice(0, 3), 'utf-8'],
  ])('%s', (_, sample, encoding) => expect(detectEncoding(sample)).toBe(encoding))
})

describe('dates', () => {
  it.each([
    ['2026-10-28', '2026-10-28'],
    ['2026/10/28', '2026-10-28'],
    ['28.10.2026', '2026-10-28'],
    ['28/10/2026', '2026-10-28'],
    ['20261028', '2026-10-28'],
    ['28 Oct 2026', '2026-10-28'],
    ['Oct 28, 2026', '2026-10-28'],
    ['2026-10-28 00:00:00', '2026-10-28'],
    ['2026-10-28T00:00:00.000Z', '2026-10-28'],
    ['1/2/2026', '2026-02-01'],
  ])('reads %s', (text, day) => expect(readDate(text, 'day-month-year')).toBe(day))

  it('reads the other order where it was asked for', () =>
    expect(readDate('1/2/2026', 'month-day-year')).toBe('2026-01-02'))

  it.each([
    ['46323', 'serial date'],
    ['28/10/26', 'four digits'],
    ['31/02/2026', 'no day that exists'],
    ['', 'empty'],
    ['soon', 'not a date'],
    ['14/28/2026', 'no day that exists'],
  ])('refuses "%s"', (text, reason) => expect(() => readDate(text, 'day-month-year')).toThrow(reason))

  it('does not guess which number is the month', () => {
    expect(detectDateOrder(['03/04/2026', '05/04/2026'])).toBe('ambiguous')
    expect(detectDateOrder(['03/04/2026', '13/04/2026'])).toBe('day-month-year')
    expect(detectDateOrder(['03/04/2026', '04/13/2026'])).toBe('month-day-year')
    expect(detectDateOrder(['2026-04-03', ''])).toBe('year-month-day')
    expect(detectDateOrder(['12', 'abc'])).toBe('none')
  })
})

describe('counts', () => {
  it.each([
    ['1204', 'point', 1204],
    ['1,204', 'point', 1204],
    ['1.204', 'comma', 1204],
    ['1 204', 'comma', 1204],
    ['1\u202F204', 'comma', 1204],
    ['1\u00A0204', 'point', 1204],
    ["1'204", 'point', 1204],
    ['1.204.567', 'comma', 1204567],
    ['12.0', 'point', 12],
    ['12,00', 'comma', 12],
    ['', 'point', undefined],
    ['-', 'point', undefined],
    ['n/a', 'point', undefined],
    ['0', 'point', 0],
  ] as const)('reads "%s" with a decimal %s', (text, sign, value) => expect(readCount(text, sign)).toBe(value))

  it.each([
    ['12.5', 'point', 'not a whole number'],
    ['1.2E+05', 'point', 'scientific notation'],
    ['-3', 'point', 'below zero'],
    ['1,20', 'point', 'not a number'],
    ['12 %', 'point', 'not a number'],
    ['99999999999', 'point', 'too large'],
    ['1.2.3', 'point', 'not a number'],
  ] as const)('refuses "%s"', (text, sign, reason) => expect(() => readCount(text, sign)).toThrow(reason))

  it('tells the decimal sign from how numbers are written', () => {
    expect(detectDecimalSign(['1.204,5'])).toBe('comma')
    expect(detectDecimalSign(['1,204.5'])).toBe('point')
    expect(detectDecimalSign(['1.204', '987'])).toBe('comma')
    expect(detectDecimalSign(['12,5'])).toBe('comma')
    expect(detectDecimalSign(['987'])).toBe('point')
  })
})

describe('layout', () => {
  const records = [
    ['Export of a page'],
    ['', ''],
    ['Date', 'Impressions', 'Page ID'],
    ['2026-10-01', '1204', '10220431877650213'],
    ['2026-10-02', '988', '10220431877650213'],
  ]

  it('finds the headings below a preamble', () => {
    expect(describeLayout(records, [1, 2, 4, 5, 6], 'utf-8', ';')).toMatchObject({
      headerRecord: 2,
      headerLine: 4,
      headings: ['Date', 'Impressions', 'Page ID'],
      dateOrders: ['year-month-day', 'none', 'none'],
    })
    expect(() =>
      describeLayout(
        [
          ['1', '2'],
          ['3', '4'],
        ],
        [],
        'utf-8',
        ',',
      ),
    ).toThrow('No row looks like headings')
    expect(() =>
      describeLayout([Array.from({ length: 10_000 }, (_, index) => `Column ${index}`)], [1], 'utf-8', ','),
    ).toThrow('The file has 10,000 columns; 500 are the most.')
    expect(() => describeLayout([['Date', 'x'.repeat(301)]], [1], 'utf-8', ',')).toThrow(
      'The heading of column 2 has 301 letters',
    )
  })

  it('takes the delimiter under which rows agree', () => {
    expect(
      chooseDelimiter(
        new Map([
          [',', [['a;b;c'], ['1', '5;2;3']]],
          [
            ';',
            [
              ['a', 'b', 'c'],
              ['1,5', '2', '3'],
            ],
          ],
        ]),
      ),
    ).toBe(';')
    const thousands = '2017-01-01|1,000,000|1,000'
    expect(
      chooseDelimiter(
        new Map([
          [',', [['Date|Impressions|Reactions'], ...Array.from({ length: 9 }, () => thousands.split(','))]],
          ['|', [['Date', 'Impressions', 'Reactions'], ...Array.from({ length: 9 }, () => thousands.split('|'))]],
        ]),
      ),
    ).toBe('|')
  })

  it('guesses what columns hold from their names, each once', () => {
    expect(guessTargets(['Date', 'Reach', 'Reactions', 'Page ID', 'Impressions', 'impressions', 'Weather'])).toEqual([
      'day',
      'reach_1d',
      'reactions',
      'profile_id',
      'impressions',
      '',
      '',
    ])
  })

  it.each([
    [
      'German',
      ['Datum', 'Reichweite', 'Impressionen', 'Kommentare', 'Follower', '„Gefällt mir“-Angaben'],
      ['day', 'reach_1d', 'impressions', 'comments', 'followers', 'reactions'],
    ],
    [
      'French',
      ['Date', 'Portée', 'Impressions', 'Commentaires', 'Abonnés', 'Mentions J’aime'],
      ['day', 'reach_1d', 'impressions', 'comments', 'followers', 'reactions'],
    ],
    [
      'Spanish',
      ['Fecha', 'Alcance', 'Impresiones', 'Comentarios', 'Seguidores', 'Me gusta'],
      ['day', 'reach_1d', 'impressions', 'comments', 'followers', 'reactions'],
    ],
    [
      'Portuguese',
      ['Data', 'Alcance', 'Impressões', 'Comentários', 'Seguidores', 'Reações'],
      ['day', 'reach_1d', 'impressions', 'comments', 'followers', 'reactions'],
    ],
    [
      'Italian',
      ['Data', 'Copertura', 'Impressioni', 'Commenti', 'Follower', 'Reazioni'],
      ['day', 'reach_1d', 'impressions', 'comments', 'followers', 'reactions'],
    ],
    [
      'Dutch',
      ['Datum', 'Bereik', 'Vertoningen', 'Opmerkingen', 'Volgers', 'Vind-ik-leuks'],
      ['day', 'reach_1d', 'impressions', 'comments', 'followers', 'reactions'],
    ],
  ])('in %s are matched by their headings', (_language, headings, targets) =>
    expect(guessTargets(headings)).toEqual(targets),
  )

  it('mean one thing each, and are written as headings are compared', () => {
    for (const dataset of FILE_DATASETS) {
      const words = importTargets(dataset).flatMap(({ value }) => HEADING_WORDS[value] ?? [])
      expect(
        words.filter((word, index) => words.indexOf(word) !== index),
        dataset.id,
      ).toEqual([])
    }
    const words = Object.values(HEADING_WORDS).flat()
    expect(words.filter((word) => !/^[a-z0-9]+( [a-z0-9]+)*$/.test(word))).toEqual([])
  })

  it('with dates in two notations, or such as 1.10.2026, are read as they are written', () => {
    const layout = describeLayout(
      [
        ['Datum', 'Impressionen'],
        ['1.10.2026', '5'],
        ['28.10.2026', '6'],
        ['07/06/2024', '7'],
      ],
      [1, 2, 3, 4],
      'utf-8',
      ';',
    )
    expect(layout).toMatchObject({ dateOrders: ['ambiguous', 'none'], dateSigns: [['.', '/'], []] })
    const read = rowReader(
      ['Datum', 'Impressionen'],
      { targets: ['day', 'impressions'], dateOrder: 'day-month-year', decimal: 'point', profile: 7 },
      [],
      '2026-10-28',
      ['.'],
    )
    expect(read(['1.10.2026', '5'], 2)).toMatchObject({ kind: 'good', day: '2026-10-01' })
    expect(read(['07/06/2024', '5'], 3)).toMatchObject({
      kind: 'bad',
      reason: expect.stringContaining('"07/06/2024" is written otherwise than the dates above it'),
    })
  })
})

describe('rows', () => {
  const headings = ['Page ID', 'Date', 'Impressions']
  const mapping: Mapping = {
    targets: ['profile_id', 'day', 'impressions'],
    dateOrder: 'day-month-year',
    decimal: 'point',
    profile: null,
  }
  const profiles = [{ profile: 7, remoteId: '10220431877650213', handle: '@mossgate', name: 'Mossgate' }]
  const reader = (changes: Partial<Mapping> = {}) =>
    rowReader(headings, { ...mapping, ...changes }, profiles, '2026-10-28')
  const bad = (cells: string[]) => reader()(cells, 14)

  it('keeps ids as text, to the last digit', () => {
    expect(reader()(['10220431877650213', '20/10/2026', '1,204'], 2)).toEqual({
      kind: 'good',
      keys: [7, '2026-10-20'],
      profile: 7,
      day: '2026-10-20',
      values: { impressions: 1204 },
    })
    expect(bad(['10220431877650212', '20/10/2026', '1'])).toMatchObject({
      kind: 'bad',
      reason: expect.stringContaining('no profile of this client has the id "10220431877650212"'),
    })
  })

  it('refuses scientific notation in an id, naming row and column', () => {
    expect(bad(['1.02204E+16', '20/10/2026', '5'])).toEqual({
      kind: 'bad',
      reason:
        'Row 14, column "Page ID": "1.02204E+16" is in scientific notation, so the id has lost its digits; export the column as text',
    })
  })

  it('names the cell that is wrong', () => {
    expect(bad(['10220431877650213', '20/10/2026', 'many'])).toMatchObject({
      reason: 'Row 14, column "Impressions": "many" is not a number with a decimal point',
    })
    expect(bad(['10220431877650213', '30/10/2026', '5'])).toMatchObject({
      reason: expect.stringContaining('not over yet'),
    })
    expect(bad(['10220431877650213', '20/10/1999', '5'])).toMatchObject({
      reason: expect.stringContaining('before the year 2000'),
    })
    expect(bad(['10220431877650213', '20/10/2026', ''])).toMatchObject({ reason: 'Row 14 has a date but no figure' })
    expect(bad(['10220431877650213', '20/10/2026', '5', 'more'])).toMatchObject({
      reason: expect.stringContaining('4 cells'),
    })
  })

  it('leaves out a row of totals: one without a day, or with the sums of the rows above', () => {
    expect(bad(['Total', '', '27,550'])).toEqual({
      kind: 'totals',
      reason: 'Row 14 says "Total", but other rows follow it',
    })
    expect(bad(['Grand total', '', '27,550'])).toMatchObject({ kind: 'totals' })
    const byName: Partial<Mapping> = { targets: ['', 'day', 'impressions'], profile: 7 }
    const read = reader(byName)
    read(['a', '20/10/2026', '1,204'], 2)
    read(['b', '21/10/2026', '6'], 3)
    expect(read(['Total', '22/10/2026', '1,210'], 4)).toMatchObject({ kind: 'totals' })
    expect(read(['Total', '22/10/2026', '1,211'], 5)).toMatchObject({ kind: 'good' })
  })

  it('does not take a row for totals because of a word in the middle of it, or of a profile’s name', () => {
    expect(bad(['10220431877650213', 'total', '5'])).toMatchObject({
      kind: 'bad',
      reason: 'Row 14, column "Date": "total" is not a date',
    })
    const total = rowReader(
      headings,
      { ...mapping, targets: ['handle', 'day', 'impressions'] },
      [{ profile: 8, remoteId: '1', handle: '@total', name: 'Total Gardens' }],
      '2026-10-28',
    )
    expect(total(['Total Gardens', '20/10/2026', '7'], 2)).toMatchObject({ kind: 'good', profile: 8 })
  })

  it('names a row in which the file breaks off, and a cell that is too long', () => {
    expect(reader()(['10220431877650213', '20/10/2026'], 14, true)).toMatchObject({
      reason: 'Row 14: the file breaks off in this row, after 2 of 3 cells',
    })
    expect(reader()(['10220431877650213', '20/10/2026', '12'], 14, true)).toMatchObject({ kind: 'good' })
    expect(bad(['10220431877650213', '20/10/2026', '1'.repeat(10_001)])).toMatchObject({
      reason: 'Row 14, column "Impressions": the cell has 10,001 letters; 10,000 are the most',
    })
  })

  it('finds a day that comes twice', () => {
    const read = reader()
    read(['10220431877650213', '20/10/2026', '1'], 2)
    expect(read(['10220431877650213', '20/10/2026', '1'], 9)).toMatchObject({
      reason: expect.stringContaining('came already in row 2'),
    })
  })

  it('takes the profile by handle, or the one that was chosen', () => {
    expect(reader({ targets: ['handle', 'day', 'impressions'] })(['MOSSGATE', '20/10/2026', '1'], 2)).toMatchObject({
      profile: 7,
    })
    expect(reader({ targets: ['', 'day', 'impressions'], profile: 7 })(['x', '20/10/2026', '1'], 2)).toMatchObject({
      profile: 7,
    })
  })

  it.each([
    [{ targets: ['profile_id', '', 'impressions'] }, 'which column holds the date'],
    [{ targets: ['profile_id', 'day', ''] }, 'which columns hold figures'],
    [{ targets: ['', 'day', 'impressions'] }, 'which profile'],
    [{ targets: ['profile_id', 'day', 'day'] }, 'hold figures'],
  ] as [Partial<Mapping>, string][])('refuses a matching that says too little', (changes, sentence) =>
    expect(() => reader(changes)).toThrow(sentence),
  )

  it('refuses two columns for one figure', () => {
    expect(() =>
      rowReader(
        [...headings, 'More'],
        { ...mapping, targets: ['profile_id', 'day', 'impressions', 'impressions'] },
        profiles,
        '2026-10-28',
      ),
    ).toThrow('Two columns are both matched to "impressions"')
  })
})
