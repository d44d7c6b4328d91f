import type { Day } from '../days/day'
import { describeDay } from '../periods/describePeriod'
import { e164 } from '../places/phone'
import { differsOn, readHours, type OpeningHours } from '../places/openingHours'
import type { PlaceRecord } from '../places/place'
import { distanceKm } from '../ranks/greatCircle'
import { Unreadable } from '../unreadable'
import { ENTRY_FIELDS, entryText, type EntryField } from './entryFields'
import { folded } from './folded'
import { nameLikeness } from './nameLikeness'

/** From which likeness on two names are the same, and up to which distance two positions are. */
export const [SAME_NAME, SAME_PLACE_KM] = [0.92, 0.1]

/** How a field of an entry stands to the master record. `extra` is what only the entry says; `silent` what neither does. */
export type FieldVerdict = 'same' | 'differs' | 'missing' | 'extra' | 'silent'
export interface ComparedField {
  field: EntryField
  ours: string
  theirs: string
  is: FieldVerdict
  /** How far they are apart, in words; empty where that says nothing. */
  how: string
}

/** An entry beside the master record. */
export interface ComparedEntry {
  fields: ComparedField[]
  /** Of what the record says, by weight: how much the entry says at all; absent where the record says nothing. */
  completeness?: number
  /** How much of it the entry says in the same meaning. */
  agreement?: number
}

/** What is written short in addresses, by what it stands for. */
const SHORT: Readonly<Record<string, string>> = {
  st: 'street',
  str: 'street',
  rd: 'road',
  ave: 'avenue',
  av: 'avenue',
  ln: 'lane',
  sq: 'square',
  pl: 'place',
  wk: 'walk',
  qy: 'quay',
}
const streetOf = (text: string): string =>
  folded(text)
    .split(' ')
    .map((word, at) => (at === 0 ? word : (SHORT[word] ?? word)))
    .join(' ')
const webOf = (text: string): string =>
  text
    .trim()
    .replace(/^https?:\/\//i, '')
    .replace(/^www\./i, '')
    .replace(/\/+$/, '')
    .replace(/^[^/?#]+/, (host) => host.toLowerCase())
const setOf = (values: readonly string[]): string => [...new Set(values.map(folded))].sort().join(';')

/** What two texts mean, where it is enough that they mean the same. */
const MEANINGS: Partial<Record<EntryField, (record: PlaceRecord) => string>> = {
  phone: ({ phone, country }) => e164(phone, country).replace(/[^+\d]/g, ''),
  street: ({ street }) => streetOf(street),
  town: ({ town }) => folded(town),
  postcode: ({ postcode }) => folded(postcode).replaceAll(' ', ''),
  country: ({ country }) => folded(country),
  web: ({ web }) => webOf(web),
  categories: ({ categories }) => setOf(categories),
  attributes: ({ attributes }) => setOf(attributes),
  description: ({ description }) => folded(description),
}

/**
 * What compares entries with master records by what they mean: telephone numbers as E.164 writes them, hours by when
 * they open from a day on, addresses by their parts, positions by their distance, names by their likeness (Jaro–Winkler,
 * the same from {@link SAME_NAME} on). It remembers what hours mean, so use one for many entries.
 *
 * @param from  the day from which hours are compared, for more than a year
 */
export function entryComparer(from: Day) {
  const read = new Map<string, OpeningHours | undefined>()
  const parted = new Map<string, Day | undefined>()
  const hoursOf = (text: string): OpeningHours | undefined => {
    if (!read.has(text)) read.set(text, readOrNot(text))
    return read.get(text)
  }
  const partOn = (one: string, other: string): Day | undefined => {
    const key = `${one}\n${other}`
    if (!parted.has(key)) parted.set(key, differsOn(hoursOf(one)!, hoursOf(other)!, from))
    return parted.get(key)
  }

  function sameHours(ours: string, theirs: string): { isSame: boolean; how: string } {
    if (ours === theirs) return { isSame: true, how: '' }
    if (!hoursOf(ours) || !hoursOf(theirs)) return { isSame: false, how: 'they cannot be read' }
    const day = partOn(ours, theirs)
    return { isSame: day === undefined, how: day === undefined ? '' : `other hours first on ${describeDay(day)}` }
  }

  /** Whether two records mean the same by a field that both of them say, and how far they are apart. */
  function meansSame(field: EntryField, ours: PlaceRecord, theirs: PlaceRecord): { isSame: boolean; how: string } {
    if (field === 'hours') return sameHours(ours.hours, theirs.hours)
    if (field === 'name') {
      const alike = nameLikeness(ours.name, theirs.name)
      return {
        isSame: alike >= SAME_NAME,
        how: alike === 1 ? '' : alike === 0 ? 'other words or numbers' : `${alike.toFixed(2)} alike`,
      }
    }
    if (field === 'position') {
      const km = distanceKm({ lat: ours.lat!, lon: ours.lon! }, { lat: theirs.lat!, lon: theirs.lon! })
      return { isSame: km <= SAME_PLACE_KM, how: km < 0.001 ? '' : `${metres(km)} apart` }
    }
    const meaning = MEANINGS[field]!
    // a number without its country belongs to where the place is
    const there = theirs.country === '' ? { ...theirs, country: ours.country } : theirs
    return { isSame: meaning(ours) === meaning(there), how: '' }
  }

  function compareField(field: EntryField, ours: PlaceRecord, theirs: PlaceRecord): ComparedField {
    const [own, other] = [entryText(ours, field), entryText(theirs, field)]
    const told = { field, ours: own, theirs: other }
    if (own === '' || other === '')
      return { ...told, is: own === other ? 'silent' : own === '' ? 'extra' : 'missing', how: '' }
    const { isSame, how } = meansSame(field, ours, theirs)
    return { ...told, is: isSame ? 'same' : 'differs', how }
  }

  return {
    /**
     * An entry beside the master record.
     *
     * @param carries  what entries of its directory can say; everything else is left out
     * @example entryComparer('2026-10-28').compare(record, record, ['name']).agreement // 1
     */
    compare(ours: PlaceRecord, theirs: PlaceRecord, carries: readonly EntryField[]): ComparedEntry {
      const fields = ENTRY_FIELDS.filter(({ id }) => carries.includes(id)).map(({ id }) =>
        compareField(id, ours, theirs),
      )
      return { fields, ...sharesOf(fields) }
    },
    /**
     * The fields in which an entry means something else than it did.
     *
     * @example entryComparer('2026-10-28').changes(record, { ...record, phone: '01632 960010' }, ['phone']) // []
     */
    changes: (before: PlaceRecord, after: PlaceRecord, carries: readonly EntryField[]): ComparedField[] =>
      ENTRY_FIELDS.filter(({ id }) => carries.includes(id))
        .map(({ id }) => compareField(id, before, after))
        .filter(({ is }) => is !== 'same' && is !== 'silent'),
    /** Whether two records mean the same by a field. */
    isSame(field: EntryField, one: PlaceRecord, other: PlaceRecord): boolean {
      const { is } = compareField(field, one, other)
      return is === 'same' || is === 'silent'
    },
  }
}
export type EntryComparer = ReturnType<typeof entryComparer>

function readOrNot(hours: string): OpeningHours | undefined {
  try {
    return readHours(hours)
  } catch (error) {
    if (error instanceof Unreadable) return undefined
    throw error
  }
}

const metres = (km: number): string => (km < 1 ? `${Math.round(km * 1000)} m` : `${km.toFixed(1)} km`)
const weightOf = new Map<EntryField, number>(ENTRY_FIELDS.map(({ id, weight }) => [id, weight]))

/**
 * Completeness and agreement of compared fields: both of what the record says, so that agreement is never above
 * completeness, and 1 only where every field means the same.
 */
export function sharesOf(fields: readonly ComparedField[]): { completeness?: number; agreement?: number } {
  const sum = (...verdicts: FieldVerdict[]) =>
    fields.filter(({ is }) => verdicts.includes(is)).reduce((total, { field }) => total + weightOf.get(field)!, 0)
  const said = sum('same', 'differs', 'missing')
  return said === 0 ? {} : { completeness: sum('same', 'differs') / said, agreement: sum('same') / said }
}
