/** What is true about a place: the master record, against which everything else is held. */
export interface PlaceRecord {
  name: string
  categories: string[]
  street: string
  town: string
  postcode: string
  /** ISO 3166-1, two letters; empty where it is not written. */
  country: string
  /** Degrees, WGS 84; both or neither. */
  lat: number | null
  lon: number | null
  /** As E.164 writes it: + and digits; empty where there is none. */
  phone: string
  web: string
  /** As OpenStreetMap writes opening_hours; empty where they are not known. */
  hours: string
  attributes: string[]
  description: string
  /** Web addresses of pictures that may be shown of it, the first one first. */
  pictures: string[]
}

/** The fields of a record in the order in which they are told, with their names. */
export const PLACE_FIELDS = [
  { field: 'name', name: 'Name' },
  { field: 'categories', name: 'Categories' },
  { field: 'street', name: 'Street' },
  { field: 'town', name: 'Town' },
  { field: 'postcode', name: 'Postcode' },
  { field: 'country', name: 'Country' },
  { field: 'lat', name: 'Latitude' },
  { field: 'lon', name: 'Longitude' },
  { field: 'phone', name: 'Telephone' },
  { field: 'web', name: 'Web address' },
  { field: 'hours', name: 'Opening hours' },
  { field: 'attributes', name: 'Attributes' },
  { field: 'description', name: 'Description' },
  { field: 'pictures', name: 'Pictures' },
] as const satisfies readonly { field: keyof PlaceRecord; name: string }[]
export type PlaceField = (typeof PLACE_FIELDS)[number]['field']

/** Fields that hold several values. */
export const LIST_FIELDS: readonly PlaceField[] = ['categories', 'attributes', 'pictures']

/** A record without anything in it. */
export const EMPTY_PLACE: PlaceRecord = {
  name: '',
  categories: [],
  street: '',
  town: '',
  postcode: '',
  country: '',
  lat: null,
  lon: null,
  phone: '',
  web: '',
  hours: '',
  attributes: [],
  description: '',
  pictures: [],
}

/** What parts several values that stand in one cell or one line. */
export const LIST_SIGN = '; '

/**
 * The values that stand in one text.
 *
 * @example listOf('garden; café;') // ['garden', 'café']
 */
export const listOf = (text: string): string[] =>
  text
    .split(LIST_SIGN.trim())
    .map((each) => each.trim())
    .filter(Boolean)

/**
 * A field as one text.
 *
 * @example fieldText({ ...EMPTY_PLACE, categories: ['garden', 'café'] }, 'categories') // 'garden; café'
 */
export function fieldText(place: PlaceRecord, field: PlaceField): string {
  const value = place[field]
  return Array.isArray(value) ? value.join(LIST_SIGN) : value === null ? '' : String(value)
}

/** A field that differs between two records, as text. */
export interface FieldChange {
  field: PlaceField
  from: string
  to: string
}

/**
 * The fields in which a record differs from another.
 *
 * @example fieldChanges(EMPTY_PLACE, { ...EMPTY_PLACE, town: 'Skarle' }) // [{ field: 'town', from: '', to: 'Skarle' }]
 */
export const fieldChanges = (before: PlaceRecord, after: PlaceRecord): FieldChange[] =>
  PLACE_FIELDS.flatMap(({ field }) => {
    const [from, to] = [fieldText(before, field), fieldText(after, field)]
    return from === to ? [] : [{ field, from, to }]
  })
