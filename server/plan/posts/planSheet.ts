import { parse } from 'csv-parse/sync'
import { looksLikeFormula } from '../../../core/format/looksLikeFormula'
import { cellText, type WorkbookCell } from '../../../core/imports/cellText'
import { readDay } from '../../../core/days/readDay'
import { ruleProblems } from '../../../core/plan/networkRules'
import { PLAN_STATE_NAMES } from '../../../core/plan/postStates'
import { zonedInstant, zonedTime } from '../../../core/plan/zonedInstant'
import { Unreadable } from '../../../core/unreadable'
import { ValidationError } from 'yup'
import {
  MOST_AT_ONCE,
  plannedSchema,
  type PlannedInput,
  type PlanSheet,
  type PlanTarget,
} from '../../../shared/plan/plannedPosts'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { badRequest } from '../../platform/problems/problem'
import type { Table } from '../../platform/tables/table'
import { isWorkbook, readSheet } from '../../platform/tables/workbook'
import { addPlanned, type Writer } from './plannedPosts'
import { postingsOf, type PlannedRow } from './plannedRows'
import { planTargets } from './planTargets'

/** The columns of a plan as a table, in their order; the first three have to be there. */
const COLUMNS = ['Day', 'Time', 'Profiles', 'Text', 'Heading', 'Collection', 'Link', 'Kind', 'From', 'To'] as const
type PlanColumn = (typeof COLUMNS)[number]
const NEEDED: readonly PlanColumn[] = ['Day', 'Profiles', 'Text']
const EXAMPLE = 'an example'

const nameOf = ({ name, networkName }: PlanTarget) => `${name} on ${networkName}`
const titled = (rows: Table['rows'], more: readonly string[] = []): Table => ({
  name: 'Plan',
  columns: [...COLUMNS, ...more].map((title) => ({ title, kind: 'text' })),
  rows,
})

/** An empty plan to be filled in, with a row that shows how and cannot be taken. */
export async function planTemplate(db: ClientDb): Promise<Table> {
  const [first, second] = await planTargets(db)
  const profiles = [first, second].flatMap((target) => (target ? [nameOf(target)] : [])).join('; ')
  return titled([[EXAMPLE, '18:00', profiles, 'What the post says', '', '', 'https://example.org/', '', '', '']])
}

/** Planned posts as a table that can be brought back. */
export async function planTable(db: ClientDb, rows: readonly PlannedRow[]): Promise<Table> {
  const names = new Map((await planTargets(db)).map((target) => [target.id, nameOf(target)]))
  const postings = await postingsOf(
    db,
    rows.map(({ id }) => id),
  )
  return titled(
    rows.map(({ id, plannedAt, state, content }) => {
      const at = plannedAt ? zonedTime(plannedAt.getTime(), db.timeZone) : ''
      const on = postings.filter(({ planned }) => planned === id).flatMap(({ profile }) => names.get(profile) ?? [])
      return [
        at.slice(0, 10),
        at.slice(11),
        on.join('; '),
        content.text,
        content.heading,
        content.collection,
        content.link,
        content.kind,
        content.startsOn,
        content.endsOn,
        PLAN_STATE_NAMES[state],
      ]
    }),
    ['State'],
  )
}

/** A cell without the apostrophe that keeps a spreadsheet from running it. */
const asWritten = (cell: string): string =>
  (cell.startsWith("'") && looksLikeFormula(cell.slice(1)) ? cell.slice(1) : cell).trim()

/** A cell of a workbook as text; what a post says keeps its lines. */
const withItsLines = (cell: WorkbookCell): string => (typeof cell === 'string' ? cell : cellText(cell))

/** The rows of a file as text, the headings first. */
async function rowsOf(content: Buffer): Promise<string[][]> {
  if (isWorkbook(content)) return (await readSheet(content, withItsLines)).rows
  const text = content.toString('utf8')
  if (text.includes('\0') || text.includes('�'))
    throw badRequest('This is no text in UTF-8 and no workbook. Save the sheet as CSV UTF-8, or as a workbook.')
  const head = text.slice(0, text.search(/[\r\n]|$/))
  const delimiter = [',', ';', '\t'].reduce((best, each) =>
    head.split(each).length > head.split(best).length ? each : best,
  )
  try {
    return parse(text, {
      bom: true,
      delimiter,
      relax_column_count: true,
      skip_empty_lines: true,
      max_record_size: 100_000,
    })
  } catch (error) {
    throw badRequest(`The file cannot be read: ${(error as Error).message}`)
  }
}

/** Where each column of a plan stands, by its heading; and what is not read. */
function columnsIn(headings: readonly string[]): { places: Map<PlanColumn, number>; unread: string[] } {
  const places = new Map<PlanColumn, number>()
  const unread: string[] = []
  headings.forEach((heading, index) => {
    const column = COLUMNS.find((each) => each.toLowerCase() === heading.trim().toLowerCase())
    if (column && places.has(column)) throw badRequest(`Two columns are called “${column}”. Leave one of them.`)
    if (column) places.set(column, index)
    else if (heading.trim() !== '') unread.push(heading.trim().slice(0, 60))
  })
  const missing = NEEDED.filter((column) => !places.has(column))
  if (missing.length > 0)
    throw badRequest(
      `There is no column ${missing.map((column) => `“${column}”`).join(', ')}. Take the template as a beginning.`,
    )
  return { places, unread }
}

/**
 * A file of posts: what each row would become, or why it cannot; once that was looked at, the same is written, as drafts
 * of which the good rows are kept, all of them or none.
 *
 * @param isTaken  whether it is written now
 * @throws Problem 400 when it is no table of posts, or too long
 */
export async function takeSheet(db: ClientDb, content: Buffer, isTaken: boolean, writer: Writer): Promise<PlanSheet> {
  const [headings = [], ...rows] = await rowsOf(content)
  const { places, unread } = columnsIn(headings)
  if (rows.length === 0) throw badRequest('There is no row below the headings.')
  if (rows.length > MOST_AT_ONCE)
    throw badRequest(`A file has ${MOST_AT_ONCE} posts at the most; this one has ${rows.length}.`)
  const targets = await planTargets(db)
  const seen = new Set<string>()
  const read = rows.map((cells, index) => {
    const cell = (column: PlanColumn) => asWritten(cells[places.get(column) ?? -1] ?? '')
    const row = {
      row: index + 2,
      day: cell('Day'),
      time: cell('Time'),
      profiles: cell('Profiles'),
      text: cell('Text').slice(0, 80),
    }
    try {
      const input = inputOf(cell, targets, db.timeZone)
      const key = JSON.stringify(input)
      if (seen.has(key)) throw new Unreadable('The same post stands in a row above.')
      seen.add(key)
      return { ...row, input, warnings: warningsOf(input, targets) }
    } catch (error) {
      if (error instanceof ValidationError) return { ...row, problem: error.errors[0]!, warnings: [] }
      if (error instanceof Unreadable) return { ...row, problem: error.message, warnings: [] }
      throw error
    }
  })
  const good = read.flatMap((row) => ('input' in row ? [row.input] : []))
  const ids: number[] = []
  if (isTaken) {
    if (good.length === 0) throw badRequest('None of the rows can be taken.')
    await db.transaction(async (inside) => {
      for (const input of good) ids.push(await addPlanned(inside, input, writer))
    })
  }
  return {
    zone: db.timeZone,
    unread,
    rows: read.map(({ row, day, time, profiles, text, warnings, ...rest }) => ({
      row,
      day,
      time,
      profiles,
      text,
      warnings,
      ...('problem' in rest && { problem: rest.problem }),
    })),
    ids,
  }
}

function inputOf(cell: (column: PlanColumn) => string, targets: readonly PlanTarget[], zone: string): PlannedInput {
  if (cell('Day').toLowerCase() === EXAMPLE) throw new Unreadable('This is the example of the template. Take it out.')
  const today = zonedTime(now(), zone).slice(0, 10)
  const dayIn = (column: PlanColumn) => (cell(column) === '' ? '' : readDay(cell(column), today))
  const [day, time] = [dayIn('Day'), timeOf(cell('Time'))]
  if (day === '' && time !== '') throw new Unreadable('There is a time, but no day.')
  const at = day === '' ? '' : `${day}T${time || '09:00'}`
  if (at !== '' && zonedInstant(at, zone) < now()) throw new Unreadable('That time is over.')
  return plannedSchema.validateSync(
    {
      at,
      text: cell('Text'),
      heading: cell('Heading'),
      collection: cell('Collection'),
      link: cell('Link'),
      kind: cell('Kind').toLowerCase(),
      startsOn: dayIn('From'),
      endsOn: dayIn('To'),
      postings: profilesOf(cell('Profiles'), targets).map(({ id, takesPosts }) => ({
        profile: id,
        isByHand: !takesPosts,
      })),
    },
    { stripUnknown: true },
  )
}

const DAY_MINUTES = 1440

/** A time of the day as a cell has it: 18:00, 6 pm, or as a workbook keeps one: part of a day, or of its first day. */
function timeOf(given: string): string {
  if (given === '') return ''
  const part = /^0?\.\d+$/.test(given) ? Math.round(Number(given) * DAY_MINUTES) : undefined
  const text =
    part === undefined
      ? given.replace(/^(?:1899-12-3[01]|1900-01-0[01]) /, '')
      : `${Math.floor(part / 60)}:${String(part % 60).padStart(2, '0')}`
  const found = /^(\d{1,2})(?::(\d{2}))?(?::\d{2})? ?([ap]m)?$/i.exec(text)
  const hour = found && (found[3] ? (Number(found[1]) % 12) + (/p/i.test(found[3]) ? 12 : 0) : Number(found[1]))
  if (!found || (!found[2] && !found[3]) || hour! > 23 || Number(found[2] ?? 0) > 59)
    throw new Unreadable(`“${text.slice(0, 40)}” is no time of the day. Write one such as 18:00.`)
  return `${String(hour).padStart(2, '0')}:${found[2] ?? '00'}`
}

function profilesOf(text: string, targets: readonly PlanTarget[]): PlanTarget[] {
  const plain = (words: string) => words.trim().toLowerCase()
  return text
    .split(';')
    .filter((part) => part.trim() !== '')
    .map((part) => {
      const found = targets.filter(
        (target) => plain(nameOf(target)) === plain(part) || plain(target.name) === plain(part),
      )
      if (found.length === 1) return found[0]!
      if (found.length > 1)
        throw new Unreadable(
          `“${part.trim().slice(0, 60)}” can be ${found.map(nameOf).join(' or ')}. Say on which network.`,
        )
      throw new Unreadable(`There is no profile “${part.trim().slice(0, 60)}”. ${writtenAs(part, targets)}`)
    })
}

/** How a profile is written: the one of that name or on that network where it can be meant, else all that there are. */
function writtenAs(part: string, targets: readonly PlanTarget[]): string {
  const said = part.toLowerCase()
  const meant = targets.filter(
    ({ name, networkName }) => said.includes(name.toLowerCase()) || said.includes(networkName.toLowerCase()),
  )
  const names = (meant.length > 0 ? meant : targets).map((target) => `“${nameOf(target)}”`)
  if (names.length === 0) return 'This client has no profile to post on.'
  const more = names.length > MOST_NAMED ? ` and ${names.length - MOST_NAMED} more` : ''
  return `Write it as ${names.slice(0, MOST_NAMED).join(' or ')}${more}.`
}
const MOST_NAMED = 4

/** What networks would not take of it yet: it is taken as a draft all the same. */
const warningsOf = (input: PlannedInput, targets: readonly PlanTarget[]): string[] => [
  ...new Set(
    input.postings.flatMap(({ profile }) =>
      ruleProblems({ ...input, media: [] }, targets.find(({ id }) => id === profile)!.network).map(
        ({ sentence }) => sentence,
      ),
    ),
  ),
]
