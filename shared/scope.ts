import { array, number, object, string, type InferType } from 'yup'
import { NETWORKS } from '../core/networks/networks'
import { isHandle, readProfileAddress } from '../core/networks/profileAddress'
import { dayField } from './day'
import { text } from './text'

/** The period with which every page begins: four whole weeks, so that weekdays weigh the same. */
export const DEFAULT_PERIOD = 'last-28-days'

/** Who, when and against what, as it stands in the address. An empty list of profiles means all. */
export interface ScopeQuery {
  who: number[]
  /** Sets by id; their members are taken together with the single profiles. */
  sets: number[]
  /** Networks by id: every profile of the client there. Absent where none is chosen. */
  networks?: string[]
  period: string
  /** A named comparison, or a period of one's own in words or days. */
  against: string
}

const WHO = 'Choose profiles from the list.'

/** Everybody, or profiles by their id, sets by theirs with an s before it, and networks by name. */
const WHO_PART = `(?:s?\\d{1,9}|${NETWORKS.map(({ id }) => id).join('|')})`
const WHO_PATTERN = new RegExp(`^(all|${WHO_PART}(,${WHO_PART})*)$`)

/** How long a choice of profiles can be, in letters, wherever it stands: some five hundred of them. */
const LONGEST_WHO = 4000

/** Of whom: everybody, or profiles and sets. One rule for addresses, targets, blocks and kept scopes. */
const whoField = () => string().matches(WHO_PATTERN, WHO).max(LONGEST_WHO, 'Too many profiles at once. Make a set of them.')

/** What a period is compared with: its name, or a period of one's own; whether that is one is found out where today's date is known. */
const against = () => string().max(60, 'Compare with the days before, last year, days of your own, or nothing.')

/** Checks what the address says of the scope. */
export const scopeSchema = object({
  who: whoField().default('all'),
  period: string().max(60).default(DEFAULT_PERIOD),
  against: against().default('before'),
})

/**
 * The scope that an address asks for; what it leaves out is the default.
 *
 * @throws ValidationError with a sentence when a part has no meaning
 * @example parseScope({ who: '1,2' }).who // [1, 2]
 */
export function parseScope(query: Record<string, unknown>): ScopeQuery {
  const { who, period, against: other } = scopeSchema.validateSync(query, { stripUnknown: true })
  return { ...parseWho(who), period, against: other }
}

/** Of whom: profiles, sets and networks; of everybody where all three are empty. */
export type Whom = Pick<ScopeQuery, 'who' | 'sets' | 'networks'>

/** The profiles, sets and networks of a `who` as it stands in an address. */
export function parseWho(who: string): Whom {
  const parts = who === 'all' ? [] : who.split(',')
  const networks = parts.filter((part) => NETWORKS.some(({ id }) => id === part))
  return {
    who: parts.filter((part) => /^\d+$/.test(part)).map(Number), sets: parts.filter((part) => /^s\d+$/.test(part)).map((part) => Number(part.slice(1))),
    ...(networks.length > 0 && { networks: [...new Set(networks)] }),
  }
}

/** A `who` for an address: the sets first, then the networks. */
export const whoAddress = ({ who, sets, networks = [] }: Whom): string => [...sets.map((id) => `s${id}`), ...networks, ...who].join(',') || 'all'

/** The parts of a scope that differ from the default, for the address. */
export function scopeAddress(scope: ScopeQuery): Record<string, string> {
  return {
    ...(whoAddress(scope) !== 'all' && { who: whoAddress(scope) }),
    ...(scope.period !== DEFAULT_PERIOD && { period: scope.period }),
    ...(scope.against !== 'before' && { against: scope.against }),
  }
}

/** How many letters a note can have. */
export const LONGEST_NOTE = 2000

/** A note as a person writes it. */
export const noteSchema = object({
  from: dayField(),
  to: dayField(),
  title: text().required('Say in a few words what happened.').max(120, 'Keep the first line under 120 characters.'),
  body: text().max(LONGEST_NOTE, 'A note can be 2,000 letters long.').default(''),
})
export type NoteInput = InferType<typeof noteSchema>

/** A password as it is typed: nothing about it is changed. */
const secret = () => string().typeError('Write a password.').max(200, 'A password has 200 letters at the most.')

/** Somebody who signs in. */
export const signInSchema = object({
  email: text().required('Write your address.').email('That is not a mail address.').max(190),
  password: secret().required('Write your password.'),
})

/** A new password, and the one of now. */
export const passwordSchema = object({
  current: secret().required('Write your password of now.'),
  password: secret().required('Write a new password.').min(12, 'A password has 12 letters at the least.'),
})

/** What is asked to be added: a profile by handle or address, the client's own or a rival's. */
export const lookupSchema = object({
  what: text().required('Write a handle or an address.').max(300)
    .test('named', ({ value }) => `“${value}” is neither a handle nor the address of a profile. Write a handle such as @name, or an address on ${NETWORKS.map(({ site }) => site).join(', ')}.`, (what = '') => isHandle(what) || readProfileAddress(what) !== undefined),
  network: string().max(20).default(''),
})
export const addProfileSchema = object({
  network: string().required('Choose a network.').max(20),
  handle: text().required('Write a handle.').max(120),
  rival: text().max(120, 'Keep the name of the competitor under 120 characters.').default(''),
})

/** A set as a person makes it. */
export const setSchema = object({
  name: text().required('A set needs a name.').max(80, 'Keep the name under 80 characters.'),
  profiles: array(number().integer().required()).min(1, 'Choose the profiles of the set.').max(500).required(),
})

/** A search for a client's profiles: its web page, and the handle that is wanted. */
export const searchSchema = object({
  address: text().required('Write the address of the web page.').max(300, 'That address is too long.'),
  handle: text().max(60).default(''),
})

/** A target as a person sets it. */
export const targetSchema = object({
  metric: string().required('Choose a metric.').max(40),
  who: whoField().default('all'),
  wanted: number().typeError('Write the wanted value as a number.').required('Write the wanted value.').min(0, 'A target is zero at least.').max(1e12, 'That is too large.'),
  from: dayField(),
  by: dayField(),
})
export type TargetInput = InferType<typeof targetSchema>

/** Parts of a scope that are kept under a name; a part that is left out stays as it is when the scope is opened. */
export const savedScopeSchema = object({
  name: text().required('Give it a name.').max(80, 'Keep the name under 80 characters.'),
  parts: object({ who: whoField(), period: string().max(60), against: against(), metric: string().max(40), second: string().max(40), figures: string().max(40), headlines: string().max(400), columns: string().max(400), by: string().max(20) }).required(),
})
export type SavedParts = InferType<typeof savedScopeSchema>['parts']

export const BLOCK_KINDS = ['figures', 'chart', 'table', 'parts', 'why', 'unusual', 'subject', 'targets', 'posts', 'open', 'profiles', 'found', 'text', 'page'] as const

/** The kinds of block that show some profiles or all; the others are about the client as a whole. */
export const SCOPED_KINDS: readonly (typeof BLOCK_KINDS)[number][] = ['figures', 'chart', 'table', 'parts', 'why', 'unusual', 'subject', 'posts']

/** One part of a report. */
/** How many letters a title, a text and a comment can have. */
export const LONGEST_TITLE = 160
export const LONGEST_TEXT = 20_000
export const LONGEST_COMMENT = 4000

export const blockSchema = object({
  id: string().required().max(40),
  kind: string().oneOf(BLOCK_KINDS).required(),
  title: text().max(LONGEST_TITLE, 'Keep the title under 160 letters.').default(''),
  metrics: array(string().required().max(40)).max(12).default([]),
  /** What a kind of block needs beside metrics: the rows of a table, the way a figure is split, the order of posts, an index for a chart. */
  option: string().max(40).default(''),
  /** Of posts: how many, and of which format; every one, when it is left out. */
  rows: number().integer().min(1).max(50, 'A block can list 50 posts.'),
  format: string().max(40),
  /** Of whom: everybody, or the profiles and sets that were chosen for this block. */
  who: whoField().default('all'),
  text: string().max(LONGEST_TEXT, 'A text can be 20,000 letters long.').default(''),
  comment: string().max(LONGEST_COMMENT, 'A comment can be 4,000 letters long.').default(''),
})
export type Block = InferType<typeof blockSchema>

/** How many columns of figures a table can have. */
export const MOST_TABLE_COLUMNS = 8

/** How many figures can stand at the head of a page. */
export const MOST_HEADLINES = 10

/** The metrics that somebody has chosen for the head of a page. */
export const headlinesSchema = array(string().max(40).defined()).min(1).max(MOST_HEADLINES, `At the head of a page there is room for ${MOST_HEADLINES} figures.`).required()

/** The metrics that somebody has chosen for the columns of a table. */
export const columnsSchema = array(string().max(40).defined()).min(1).max(MOST_TABLE_COLUMNS, `A table can have ${MOST_TABLE_COLUMNS} columns of figures.`).required()

/** A report as it is saved. `version` is the one that was opened: somebody else's change in between is not written over. */
export const reportSchema = object({
  title: text().required('A report needs a title.').max(160, 'Keep the title under 160 characters.'),
  period: text().required('A report needs a period.').max(60),
  against: against().required(),
  blocks: array(blockSchema).max(60, 'A report can have 60 blocks.').required(),
  version: number().integer().required(),
})
export type ReportInput = InferType<typeof reportSchema>

/** A new report. */
export const newReportSchema = object({
  title: text().required('A report needs a title.').max(160, 'Keep the title under 160 characters.'),
  blocks: array(blockSchema).max(60, 'A report can have 60 blocks.').default([]),
})

/** The wish to issue an edition; the key makes sure that one wish makes one edition. */
export const issueSchema = object({
  requestKey: string().uuid().required(),
  /** The checksum of what was looked at before: only that is issued. */
  sha256: string().matches(/^[0-9a-f]{64}$/, 'Look at the edition again before you issue it.'),
})

/** Which later edition stands in the place of an earlier one; none, when that is taken back. */
export const supersedeSchema = object({ by: number().typeError('Choose an edition from the list.').integer().min(1).nullable().defined('Choose an edition from the list.') })

/** How long a shared link lives. */
export const shareSchema = object({
  reader: text().max(120, 'Keep the reader’s name under 120 letters.').default(''),
  days: number().typeError('Say for how many days it works.').integer('Say it in whole days.').min(1, 'A link lives for a day at least.').max(366, 'A link lives for a year at the most.').default(30),
})
