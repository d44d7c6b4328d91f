import { array, boolean, number, object, string, type InferType } from 'yup'
import type { ComparedEntry } from '../../core/directories/compareEntry'
import { DIRECTORIES } from '../../core/directories/directoryList'
import type { CorrectionState } from '../../core/directories/correctionStates'
import { ENTRY_FIELDS, type EntryField } from '../../core/directories/entryFields'
import type { PlaceRecord } from '../../core/places/place'

/** How much can be asked of directories, or settled, at once. */
export const MOST_AT_ONCE = 500
/** Every how many hours entries are looked at. */
export const POLL_HOURS = 6

const MOST_ID = 4_294_967_295
const id = () => number().integer().min(1).max(MOST_ID).required()
const fieldSchema = () =>
  string<EntryField>()
    .oneOf(ENTRY_FIELDS.map(({ id }) => id))
    .required()

/** Which fields of which entries shall say what the master record says. */
export const correctionsSchema = object({
  items: array(object({ entry: id(), field: fieldSchema() }).required())
    .min(1, 'Choose what is sent.')
    .max(MOST_AT_ONCE, `${MOST_AT_ONCE} fields at the most go out at once.`)
    .required(),
})

/** Which directories are asked for an entry of which places. */
export const entryRequestsSchema = object({
  items: array(
    object({
      place: id(),
      directory: string()
        .oneOf(
          DIRECTORIES.map((each) => each.id),
          'Choose a directory from the list.',
        )
        .required('Choose a directory from the list.'),
    }).required(),
  )
    .min(1, 'Choose a directory.')
    .max(MOST_AT_ONCE, `${MOST_AT_ONCE} entries at the most are asked for at once.`)
    .required(),
})
export type RequestedEntry = InferType<typeof entryRequestsSchema>['items'][number]

/** What becomes of changes that nobody here has made: they are right, ours is put back, or nothing is settled yet. */
export const SETTLEMENTS = ['keep', 'back', 'open'] as const
export const settleSchema = object({
  changes: array(id()).min(1, 'Choose a change.').max(MOST_AT_ONCE).required(),
  what: string().oneOf(SETTLEMENTS).required(),
})
export type Settlement = InferType<typeof settleSchema>['what']

export const entryOursSchema = object({ isOurs: boolean().required() })

/** What an entry says, as it came from its directory: whatever it is, within limits. */
export const entryRecordSchema = object({
  name: string().required().max(200),
  categories: array(string().required().max(120)).max(30).required(),
  street: string().defined().max(200),
  town: string().defined().max(120),
  postcode: string().defined().max(24),
  country: string().defined().max(2),
  lat: number().nullable().defined().min(-90).max(90),
  lon: number().nullable().defined().min(-180).max(180),
  phone: string().defined().max(40),
  web: string().defined().max(300),
  hours: string().defined().max(1000),
  attributes: array(string().required().max(120)).max(30).required(),
  description: string().defined().max(1000),
  // they are kept, and not compared
  pictures: array(string().required().max(300)).max(30).default([]),
})

/** An entry as a directory gives it. */
export interface FoundEntry {
  id: string
  address: string
  /** Who has changed it last, where the directory says so. */
  changedBy: string
  record: PlaceRecord
}

/** What is asked of a directory about a place. */
export interface EntryQuery {
  name: string
  lat: number | null
  lon: number | null
  phone: string
  /** The entries of it that are known already. */
  ids: readonly string[]
}

/** What a directory is asked to say instead, with a key by which it is the same, however often it is asked. */
export interface OutgoingCorrection {
  key: string
  entry: string
  field: EntryField
  text: string
}

/** What a directory is asked to have an entry of, with a key by which it is the same, however often it is asked. */
export interface OutgoingRequest {
  key: string
  record: PlaceRecord
}

/** What a directory says to a correction, or to a request. */
export interface CorrectionAnswer {
  state: Extract<CorrectionState, 'sent' | 'taken' | 'refused'>
  reason: string
}

/** What an entry was asked to say, and how that stands. */
export interface EntryCorrection {
  id: number
  entry: number
  field: EntryField
  value: string
  state: CorrectionState
  reason: string
  askedBy: string
  askedAt: Date
  answeredAt: Date | null
}

/** How it stands that a directory was asked for an entry. */
export interface EntryRequest {
  state: 'waiting' | CorrectionAnswer['state']
  reason: string
  askedAt: Date
  askedBy: string
}

/** A directory that has no entry of a place: what it would be given, and whether it was asked. */
export interface MissingEntry {
  directory: string
  name: string
  sent: { field: EntryField; text: string }[]
  request?: EntryRequest
}

/** How a change stands: nobody has settled it, it was kept, ours is put back; or it is what we asked for, or what the record says. */
export const CHANGE_STATES = ['open', 'kept', 'back', 'ours', 'agrees'] as const
export type ChangeState = (typeof CHANGE_STATES)[number]

/** What has changed in an entry from one look to the next; `entry` is the whole of it, which is gone. */
export interface EntryChange {
  id: number
  entry: number
  directory: string
  place: { id: number; name: string }
  field: EntryField | 'entry'
  was: string
  became: string
  changedBy: string
  seenAt: Date
  state: ChangeState
  settledBy: string
}

/** What a directory has of a place. */
export interface DirectoryCell {
  directory: string
  is: 'there' | 'missing' | 'doubled' | 'not seen'
  /** Of the entry that agrees most, where there are several. */
  completeness?: number
  agreement?: number
  differs: number
  /** How it stands that it was asked for an entry, where it has none. */
  request?: EntryRequest['state']
  /** Corrections that are under way, and those that were refused or changed back. */
  underWay: number
  failed: number
}
export interface DirectoryRow {
  place: { id: number; name: string; town: string }
  cells: DirectoryCell[]
}

/** What a directory has of all places. */
export interface DirectorySummary {
  directory: string
  name: string
  polledAt: Date | null
  problem: string
  there: number
  missing: number
  doubled: number
  /** The means over all places; a missing entry counts as nothing. */
  completeness?: number
  agreement?: number
}

export interface DirectoriesView {
  directories: DirectorySummary[]
  rows: DirectoryRow[]
  /** What changed and nobody has settled. */
  changes: EntryChange[]
}

/** An entry of one place, beside its master record. */
export interface PlaceEntry extends ComparedEntry {
  id: number
  directory: string
  name: string
  address: string
  isOurs: boolean
  isGone: boolean
  seenAt: Date
  /** The newest correction of each field. */
  corrections: EntryCorrection[]
}
export interface PlaceEntries {
  place: { id: number; name: string }
  entries: PlaceEntry[]
  /** The directories that were looked at and have none. */
  missing: MissingEntry[]
  /** What happened to them, the newest first. */
  changes: EntryChange[]
  corrections: EntryCorrection[]
}
