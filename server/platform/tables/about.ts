import { DateTime } from 'luxon'
import { describePeriodShort } from '../../../core/periods/describePeriod'
import type { Period } from '../../../core/periods/period'
import { now } from '../clock'
import type { Table } from './table'

/** What a file is about: it says so itself, wherever it is taken. */
export interface About {
  client: string
  who: string
  period: Period
  periodWords: string
  /** What it is compared with, in words. */
  against: string
  timeZone: string
  /** When it was made: ISO 8601. */
  made: string
  /** Of what has been issued: the edition, and the checksum of its content. */
  edition?: string
}

const TITLES: [keyof About, string][] = [
  ['client', 'Client'],
  ['who', 'Of whom'],
  ['periodWords', 'Period'],
  ['against', 'Against'],
  ['timeZone', 'Time zone of the days'],
  ['made', 'Made at'],
  ['edition', 'Edition'],
]
const factsOf = (about: About): [title: string, value: string][] =>
  TITLES.flatMap(([key, title]) => (about[key] === undefined ? [] : [[title, about[key] as string]]))

/** The sheet that says what a workbook is about. */
export const aboutSheet = (about: About): Table => ({
  name: 'About this file',
  columns: [
    { title: 'What', kind: 'text' },
    { title: 'Is', kind: 'text' },
  ],
  rows: factsOf(about),
})

/**
 * A table that stands alone says it in columns of its own at the end, so that its rows can be put beside those of other
 * files.
 */
export function withAbout(table: Table, about: About): Table {
  const facts = factsOf(about)
  return {
    ...table,
    columns: [...table.columns, ...facts.map(([title]) => ({ title, kind: 'text' as const }))],
    rows: table.rows.map((row) => [...row, ...facts.map(([, value]) => value)]),
  }
}

/** The name of a file, without its ending: “Mossgate Gardens, by network, 1 Oct – 28 Oct 2026”. */
export const fileName = (what: string, { client, period, edition }: About): string =>
  [
    client,
    edition === undefined ? `${what.charAt(0).toLowerCase()}${what.slice(1)}` : what,
    describePeriodShort(period),
    ...(edition === undefined ? [] : [edition.split(',')[0]!]),
  ].join(', ')

/** When a file is made, in the client's time zone. */
export const madeNow = (zone: string): string =>
  DateTime.fromMillis(now(), { zone }).toISO({ suppressMilliseconds: true })!

/** A comparison in words and in days: a file is read when nobody knows any more which quarter was the last. */
export const againstWords = (words: string, period: Period | undefined): string =>
  period && !words.includes(describePeriodShort(period)) ? `${words}, ${describePeriodShort(period)}` : words
