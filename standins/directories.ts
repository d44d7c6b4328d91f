import { appendFileSync, existsSync, readFileSync } from 'node:fs'
import { array, number, object, string, type InferType, type Schema } from 'yup'
import { DIRECTORIES, LISTINGS } from '../core/directories/directoryList'
import { ENTRY_FIELDS, withText, type EntryField } from '../core/directories/entryFields'
import { jaroWinkler } from '../core/directories/jaroWinkler'
import { distanceKm } from '../core/ranks/greatCircle'
import { entriesIn } from '../demo/directories'
import { entryRecordSchema, type FoundEntry } from '../shared/read/directories'
import type { Answer, StandinSettings } from './networks'

/** How far around a place it is looked, and how alike a name has to be where that is not known. */
const [NEAR_KM, LIKE] = [1, 0.85]
const MOST = 50
/** How long a directory looks at a correction before it takes it, and how long one holds where it is changed back. */
const [REVIEW_MS, HELD_MS] = [45_000, 600_000]

const querySchema = object({
  places: array(
    object({
      name: string().defined().max(200),
      lat: number().nullable().defined(),
      lon: number().nullable().defined(),
      phone: string().defined().max(40),
      ids: array(string().required().max(60)).max(MOST).required(),
    }).required(),
  )
    .min(1)
    .max(MOST)
    .required(),
})
const correctionSchema = object({
  key: string().required().max(120),
  entry: string().required().max(60),
  field: string<EntryField>()
    .oneOf(ENTRY_FIELDS.map(({ id }) => id))
    .required(),
  text: string().required().max(1300),
})
const requestSchema = object({ key: string().required().max(120), record: entryRecordSchema.required() })
const keysSchema = object({ keys: array(string().required().max(120)).max(MOST).required() })

/** A correction as it was given to a directory. */
interface Given {
  directory: string
  key: string
  entry: string
  field: EntryField
  text: string
  at: number
}

/** An entry as a directory was asked for it. */
interface Asked {
  directory: string
  key: string
  record: FoundEntry['record']
  at: number
}

/** What a directory does with a request: how soon it has the entry, or why it refuses it. */
function requestDecision({ directory, record }: Asked): { after: number; refusal?: string; note: string } {
  if (directory === 'dial-and-door' && record.phone === '')
    return { after: 0, refusal: 'Dial & Door lists nobody without a telephone number.', note: '' }
  if (directory === 'pilot-index' && record.lat === null)
    return { after: 0, refusal: 'The Pilot Index needs to know where it is.', note: '' }
  return directory === 'townbook' || directory === 'pilot-index'
    ? { after: REVIEW_MS, note: 'Somebody there looks at it.' }
    : { after: 0, note: '' }
}

/** What a directory does with a correction: how soon it takes it, whether it holds, or why it refuses it. */
function decision(
  directory: string,
  { field }: Given,
): { after: number; until?: number; refusal?: string; note: string } {
  if (directory === 'dial-and-door' && field === 'phone')
    return { after: 0, refusal: 'Dial & Door asks for proof: call from that number first.', note: '' }
  if (directory === LISTINGS && (field === 'phone' || field === 'name'))
    return { after: REVIEW_MS, note: 'Waymark asks for proof: it has sent a code to the owner.' }
  if (directory === 'townbook') return { after: REVIEW_MS, note: 'Townbook looks at it.' }
  if (directory === 'pilot-index' && field === 'position') return { after: 0, until: HELD_MS, note: '' }
  return { after: 0, note: '' }
}

const json = (status: number, value: unknown): Answer => ({
  status,
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(value),
})

/**
 * Stand-ins for directories of places, and for the entries of the network of the listings: what each has near a place,
 * and what it does with corrections, which it keeps in a file before it answers.
 *
 * @param file  where corrections are kept; in memory alone, where it is left out
 */
export function standinDirectories(settings: Pick<StandinSettings, 'now'>, file?: string) {
  const given = new Map<string, Given>()
  const asked = new Map<string, Asked>()
  if (file && existsSync(file))
    for (const line of readFileSync(file, 'utf8').split('\n'))
      // a line that a crash has cut was never answered for
      if (line.endsWith('}')) holdLine(JSON.parse(line) as Given | Asked)
  const own = new Map(DIRECTORIES.map(({ id }) => [id, entriesIn(id)]))

  function holdLine(line: Given | Asked): void {
    if ('record' in line) asked.set(`${line.directory} ${line.key}`, line)
    else hold(line)
  }
  function hold(correction: Given): void {
    given.set(`${correction.directory} ${correction.key}`, correction)
  }

  /** The entries of a directory: its own, and those that were asked for and taken. */
  function entriesNow(directory: string): FoundEntry[] {
    const taken = [...asked.values()].filter((request) => {
      const { after, refusal } = requestDecision(request)
      return request.directory === directory && !refusal && settings.now() - request.at >= after
    })
    return [
      ...own.get(directory)!,
      ...taken.map(({ key, record }) => ({
        id: `new.${key}`,
        address: `https://${directory}.example/new/${key}`,
        changedBy: 'the owner',
        record,
      })),
    ]
  }

  /** An entry as it is now: with what was taken, where it holds. */
  function today(directory: string, entry: FoundEntry): FoundEntry {
    const taken = [...given.values()].filter((each) => {
      const { after, until, refusal } = decision(directory, each)
      const age = settings.now() - each.at
      return (
        each.directory === directory && each.entry === entry.id && !refusal && age >= after && age < (until ?? Infinity)
      )
    })
    if (taken.length === 0) return entry
    return {
      ...entry,
      changedBy: 'the owner',
      record: taken.reduce((record, { field, text }) => withText(record, field, text), entry.record),
    }
  }

  function find(directory: string, { places }: InferType<typeof querySchema>) {
    return places.map(({ name, lat, lon, phone, ids }) =>
      entriesNow(directory)
        .filter(({ id, record }) => {
          if (ids.includes(id)) return true
          if (directory === LISTINGS) return false
          if (phone !== '' && samePhone(phone, record.phone)) return true
          return lat === null || lon === null || record.lat === null || record.lon === null
            ? jaroWinkler(name.toLowerCase(), record.name.toLowerCase()) >= LIKE
            : distanceKm({ lat, lon }, { lat: record.lat, lon: record.lon }) <= NEAR_KM
        })
        .slice(0, MOST)
        .map((entry) => today(directory, entry)),
    )
  }

  function standing(directory: string, key: string) {
    const request = asked.get(`${directory} ${key}`)
    if (request) {
      const { after, refusal, note } = requestDecision(request)
      if (refusal) return { state: 'refused', reason: refusal }
      return settings.now() - request.at >= after ? { state: 'taken', reason: '' } : { state: 'sent', reason: note }
    }
    const correction = given.get(`${directory} ${key}`)
    if (!correction) return { state: 'refused', reason: 'That correction never came in. Send it again.' }
    const { after, refusal, note } = decision(directory, correction)
    if (refusal) return { state: 'refused', reason: refusal }
    return settings.now() - correction.at >= after ? { state: 'taken', reason: '' } : { state: 'sent', reason: note }
  }

  function correct(directory: string, wanted: InferType<typeof correctionSchema>) {
    if (!entriesNow(directory).some(({ id }) => id === wanted.entry))
      return { state: 'refused', reason: 'There is no such entry.' }
    if (!given.has(`${directory} ${wanted.key}`)) {
      const correction = { directory, ...wanted, at: settings.now() }
      if (file) appendFileSync(file, `\n${JSON.stringify(correction)}`, { flush: true })
      hold(correction)
    }
    return standing(directory, wanted.key)
  }

  function request(directory: string, { key, record }: InferType<typeof requestSchema>) {
    if (!asked.has(`${directory} ${key}`)) {
      const line = { directory, key, record, at: settings.now() }
      if (file) appendFileSync(file, `\n${JSON.stringify(line)}`, { flush: true })
      holdLine(line)
    }
    return standing(directory, key)
  }

  return (method: string, url: URL, body: string): Answer | undefined => {
    const [, directory = '', what = '', more] = url.pathname.split('/')
    if (!own.has(directory) || (what !== 'entries' && what !== 'corrections')) return undefined
    if (method !== 'POST') return json(405, { error: 'ask with POST' })
    const read = <T>(schema: Schema<T>): T => schema.validateSync(JSON.parse(body), { strict: true })
    try {
      if (what === 'entries' && more === 'new') return json(200, request(directory, read(requestSchema)))
      if (what === 'entries') return json(200, { found: find(directory, read(querySchema)) })
      if (more === 'standing')
        return json(200, { answers: read(keysSchema).keys.map((key) => standing(directory, key)) })
      return json(200, correct(directory, read(correctionSchema)))
    } catch (error) {
      return json(400, { error: (error as Error).message })
    }
  }
}

/** Whether two telephone numbers are one, by their last nine digits. */
const samePhone = (one: string, other: string): boolean => {
  const [a, b] = [one, other].map((phone) => phone.replaceAll(/\D/g, '').slice(-9))
  return a === b && a!.length === 9
}
