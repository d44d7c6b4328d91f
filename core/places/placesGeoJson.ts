import { Unreadable } from '../unreadable'
import { LIST_FIELDS, PLACE_FIELDS, fieldText, listOf, type PlaceRecord } from './place'

/** A record as somebody has written it elsewhere: everything is still to be checked. */
export type GivenPlace = Partial<Record<keyof PlaceRecord, unknown>>

/**
 * Places as GeoJSON (RFC 7946): a feature for each, with a point where its coordinates are known, else without a
 * geometry. What else is known of it stands in its properties, lists as lists.
 *
 * @example placesGeoJson([]) // { type: 'FeatureCollection', features: [] }
 */
export const placesGeoJson = (places: readonly PlaceRecord[]) => ({
  type: 'FeatureCollection' as const,
  features: places.map((place) => {
    const { lat, lon, ...properties } = place
    return {
      type: 'Feature' as const,
      geometry: lat === null || lon === null ? null : { type: 'Point' as const, coordinates: [lon, lat] },
      properties,
    }
  }),
})

/**
 * The places of a GeoJSON file: a collection of features, or one.
 *
 * @throws Unreadable when it is none
 */
export function placesFromGeoJson(file: unknown): GivenPlace[] {
  const { type, features } = (file ?? {}) as { type?: unknown; features?: unknown }
  const list =
    type === 'Feature' ? [file] : type === 'FeatureCollection' && Array.isArray(features) ? features : undefined
  if (!list) throw new Unreadable('The file is no GeoJSON with features.')
  return list.map((feature: unknown) => {
    const { geometry, properties } = (feature ?? {}) as { geometry?: unknown; properties?: unknown }
    const { type: shape, coordinates } = (geometry ?? {}) as { type?: unknown; coordinates?: unknown }
    const [lon, lat] = shape === 'Point' && Array.isArray(coordinates) ? (coordinates as unknown[]) : []
    return { ...(properties as object), lat: lat ?? null, lon: lon ?? null }
  })
}

/** Places as rows of a table: a heading for each field, lists in one cell. */
export const placesTable = (places: readonly PlaceRecord[]): { headings: string[]; rows: string[][] } => ({
  headings: PLACE_FIELDS.map(({ field }) => field),
  rows: places.map((place) => PLACE_FIELDS.map(({ field }) => fieldText(place, field))),
})

/**
 * The places of a table with the headings of `placesTable`, in any order; those that are missing are left as they are.
 *
 * @throws Unreadable when a heading is none of them, or the name is missing
 */
export function placesFromTable(headings: readonly string[], rows: readonly (readonly string[])[]): GivenPlace[] {
  const fields = headings.map((heading) => {
    const asked = heading.trim().toLowerCase()
    const found = PLACE_FIELDS.find(({ field, name }) => field === asked || name.toLowerCase() === asked)
    if (!found)
      throw new Unreadable(
        `“${heading}” is no field of a place. There are ${PLACE_FIELDS.map(({ field }) => field).join(', ')}.`,
      )
    return found.field
  })
  if (!fields.includes('name')) throw new Unreadable('The file has no column “name”, by which places are known.')
  return rows.map((row) =>
    Object.fromEntries(
      fields.map((field, index) => {
        const text = (row[index] ?? '').trim()
        if (LIST_FIELDS.includes(field)) return [field, listOf(text)]
        return [field, field === 'lat' || field === 'lon' ? (text === '' ? null : Number(text)) : text]
      }),
    ),
  )
}
