import { fieldText, listOf, type PlaceRecord } from '../places/place'

/**
 * What is compared of an entry, in the order in which it is told, with its weight: what leads somebody astray weighs
 * most. The weights are ours.
 */
export const ENTRY_FIELDS = [
  { id: 'name', name: 'Name', weight: 3 },
  { id: 'phone', name: 'Telephone', weight: 3 },
  { id: 'hours', name: 'Opening hours', weight: 3 },
  { id: 'street', name: 'Street', weight: 2 },
  { id: 'postcode', name: 'Postcode', weight: 1 },
  { id: 'town', name: 'Town', weight: 1 },
  { id: 'country', name: 'Country', weight: 1 },
  { id: 'position', name: 'Position', weight: 2 },
  { id: 'web', name: 'Web address', weight: 2 },
  { id: 'categories', name: 'Categories', weight: 2 },
  { id: 'attributes', name: 'Attributes', weight: 1 },
  { id: 'description', name: 'Description', weight: 1 },
] as const
export type EntryField = (typeof ENTRY_FIELDS)[number]['id']

/** A field by its id. @throws RangeError when there is none */
export function entryFieldById(id: string): (typeof ENTRY_FIELDS)[number] {
  const field = ENTRY_FIELDS.find((each) => each.id === id)
  if (!field) throw new RangeError(`there is no field "${id}" of entries`)
  return field
}

/** How many digits a position is told with: about a metre. */
const DIGITS = 5

/**
 * A field of a record as one text; empty where it says nothing.
 *
 * @example entryText({ ...EMPTY_PLACE, lat: 49.6655, lon: -8.0312 }, 'position') // '49.66550, -8.03120'
 */
export function entryText(record: PlaceRecord, field: EntryField): string {
  if (field !== 'position') return fieldText(record, field)
  const { lat, lon } = record
  return lat === null || lon === null ? '' : `${lat.toFixed(DIGITS)}, ${lon.toFixed(DIGITS)}`
}

/**
 * A record with a field as a text says it.
 *
 * @throws  RangeError when a position is none
 * @example withText(EMPTY_PLACE, 'categories', 'garden; café').categories // ['garden', 'café']
 */
export function withText(record: PlaceRecord, field: EntryField, text: string): PlaceRecord {
  if (field === 'categories' || field === 'attributes') return { ...record, [field]: listOf(text) }
  if (field !== 'position') return { ...record, [field]: text }
  if (text === '') return { ...record, lat: null, lon: null }
  const [lat, lon] = text.split(',').map(Number)
  if (!Number.isFinite(lat) || !Number.isFinite(lon)) throw new RangeError(`"${text}" is no position`)
  return { ...record, lat: lat!, lon: lon! }
}
