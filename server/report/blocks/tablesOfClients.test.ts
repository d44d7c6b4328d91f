import { describe, expect, it } from 'vitest'
import type { ClientSummary } from '../../../shared/clients'
import { valueOf } from '../../platform/tables/table'
import { tablesOfClients } from './tablesOfClients'

const coverage = { expected: 28, present: 28, partial: [], unreported: [] }
const compared = (value: number, relative: number) => ({
  figure: { metric: 'impressions', value, exactness: 'exact' as const, observations: value, coverage },
  change: { direction: 'up' as const, judgement: 'better' as const, approximate: false, small: false, relative },
})
const summary = (name: string, part: Partial<ClientSummary> = {}): ClientSummary => ({
  slug: name.toLowerCase(),
  name,
  profiles: 2,
  period: '1 to 28 October 2026',
  against: 'the 28 days before',
  figures: [compared(1200, 0.2)],
  unusual: [],
  troubles: [],
  targets: [],
  due: [],
  lastEdition: null,
  ...part,
})
const target = {
  id: 1,
  metric: 'followers',
  who: 'all',
  whoWords: 'All 2 profiles',
  wanted: 500,
  from: '2026-10-01',
  by: '2026-11-30',
  isCeiling: false,
  figure: { metric: 'followers', value: 430, exactness: 'exact' as const, observations: 430, coverage },
  progress: { standing: 'in danger' as const, elapsed: 0.46, daysLeft: 33, done: 0.3 },
  heading: { value: 470, low: 460, high: 480 },
}

describe('the first page as tables', () => {
  const clients = [
    summary('Mossgate', {
      targets: [target],
      due: [{ kind: 'target', id: 1, sentence: 'It ends in 9 days.' }],
      lastEdition: { id: 3, title: 'October', number: 2, issuedAt: new Date('2026-10-29T08:00:00Z') },
    }),
    summary('Orrery', {
      troubles: [{ profile: 8, name: '@orrery, Murmur', sentence: 'Murmur does not answer.' }],
      unusual: [
        {
          from: '2026-10-11',
          to: '2026-10-12',
          direction: 'up',
          profiles: [{ profile: 7, name: 'Orrery Films, Lantern', days: 2, value: 111, usual: 27 }],
          value: 111,
          usual: 27,
          score: 6.1,
          isSmall: false,
          posts: [],
          explainedBy: null,
        },
      ],
    }),
  ]
  const rowsOf = (id: string) => tablesOfClients(clients).find((part) => part.id === id)!.table

  it('has a table for each of its parts, with the client in the first column', () => {
    expect(tablesOfClients(clients).map(({ id }) => id)).toEqual(['moved', 'targets', 'due', 'unusual', 'profiles'])
    for (const { table } of tablesOfClients(clients)) expect(table.columns[0]!.title, table.name).toBe('Client')
  })

  it('tells what moved with the change as a part of one', () => {
    const { columns, rows } = rowsOf('moved')
    const at = (title: string) => columns.findIndex((column) => column.title === title)
    expect(columns.map(({ title }) => title)).toEqual(
      expect.arrayContaining([
        'Client',
        'Impressions',
        'Impressions, known',
        'Impressions, then',
        'Impressions, percent',
        'Profiles',
        'Last edition',
      ]),
    )
    expect(
      rows.map((row) =>
        [
          'Client',
          'Impressions',
          'Impressions, known',
          'Impressions, percent',
          'Impressions, judged',
          'Profiles',
          'Last edition',
        ].map((title) => row[at(title)]),
      ),
    ).toEqual([
      ['Mossgate', 1200, 'exact', 0.2, 'better', 2, 'Edition 2 of October'],
      ['Orrery', 1200, 'exact', 0.2, 'better', 2, ''],
    ])
  })

  it('tells the targets in danger with where they are heading', () => {
    expect(rowsOf('targets').rows.map((row) => row.map(valueOf))).toEqual([
      [
        'Mossgate',
        'Followers',
        'All 2 profiles',
        500,
        '2026-10-01',
        '2026-11-30',
        430,
        null,
        null,
        'exact',
        0.3,
        0.46,
        null,
        null,
        470,
        460,
        480,
        'in danger',
      ],
    ])
  })

  it('tells what is due, what is unexplained and what is in trouble', () => {
    expect(rowsOf('due').rows).toEqual([['Mossgate', 'It ends in 9 days.']])
    expect(rowsOf('unusual').rows).toEqual([['Orrery', '2026-10-11', '2026-10-12', 'Orrery Films, Lantern', 111, 27]])
    expect(rowsOf('profiles').rows).toEqual([['Orrery', '@orrery, Murmur', 'Murmur does not answer.']])
  })

  it('is empty, not broken, for somebody without clients', () => {
    for (const { table } of tablesOfClients([])) expect(table.rows).toEqual([])
  })
})
