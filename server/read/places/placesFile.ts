import { parse } from 'csv-parse/sync'
import { stringify } from 'csv-stringify/sync'
import { ValidationError } from 'yup'
import { localBusiness, placesFromJsonLd } from '../../../core/places/localBusiness'
import { e164 } from '../../../core/places/phone'
import { EMPTY_PLACE, PLACE_FIELDS, fieldChanges, type PlaceRecord } from '../../../core/places/place'
import {
  placesFromGeoJson,
  placesFromTable,
  placesGeoJson,
  placesTable,
  type GivenPlace,
} from '../../../core/places/placesGeoJson'
import { Unreadable } from '../../../core/unreadable'
import { MOST_PLACES, placeSchema, type Place, type PlaceInput, type PlacesFile } from '../../../shared/read/places'
import type { ClientDb } from '../../platform/database/clientDb'
import { plainText, safeText } from '../../../core/datasets/packageText'
import { addPlace, changePlace, placesOf } from './places'

/** The forms in which places are taken away, with the type and the ending of their files. */
export const PLACE_FORMS = {
  csv: { type: 'text/csv; charset=utf-8', ending: 'csv' },
  geojson: { type: 'application/geo+json', ending: 'geojson' },
  jsonld: { type: 'application/ld+json', ending: 'jsonld' },
} as const
export type PlaceForm = keyof typeof PLACE_FORMS

const recordOf = (place: Place): PlaceRecord =>
  Object.fromEntries(PLACE_FIELDS.map(({ field }) => [field, place[field]])) as unknown as PlaceRecord

/** The places of a client as a file. */
export async function placesAs(db: ClientDb, form: PlaceForm): Promise<string> {
  const places = (await placesOf(db)).map(recordOf)
  if (form === 'geojson') return JSON.stringify(placesGeoJson(places), undefined, 1)
  if (form === 'jsonld')
    return JSON.stringify(
      {
        '@context': 'https://schema.org',
        '@graph': places.map((place) => {
          const { '@context': _, ...business } = localBusiness(place)
          return business
        }),
      },
      undefined,
      1,
    )
  const { headings, rows } = placesTable(places)
  return stringify([headings, ...rows.map((row) => row.map(safeText))])
}

/** The places of a file, by what it is: JSON is GeoJSON or JSON-LD, everything else a table. */
function givenIn(text: string): GivenPlace[] {
  const trimmed = text.replace(/^\uFEFF/, '').trimStart()
  if (/^[[{]/.test(trimmed)) {
    let file: unknown
    try {
      file = JSON.parse(trimmed)
    } catch {
      throw new Unreadable('The file begins as JSON, and cannot be read as such.')
    }
    const type = (file as { type?: unknown }).type
    return type === 'FeatureCollection' || type === 'Feature' ? placesFromGeoJson(file) : placesFromJsonLd(file)
  }
  const delimiter = (trimmed.split('\n', 1)[0] ?? '').includes('\t') ? '\t' : ','
  let rows: string[][]
  try {
    rows = parse(trimmed, { delimiter, relax_column_count: true, skip_empty_lines: true, max_record_size: 100_000 })
  } catch (error) {
    throw new Unreadable(`The file cannot be read as a table: ${(error as Error).message}`)
  }
  const [headings = [], ...body] = rows
  return placesFromTable(
    headings,
    body.map((row) => row.map(plainText)),
  )
}

interface Wanted {
  row: number
  input: PlaceInput
  known?: Place
}

/**
 * What a file of places does: those whose name is known change in the fields that the file has, others are added, and
 * rows that cannot be taken are refused one by one. Nothing is written before it was looked at.
 *
 * @param isTaken  whether it is written
 * @throws         Unreadable when the file as a whole has no meaning
 */
export async function placesFile(db: ClientDb, text: string, isTaken: boolean): Promise<PlacesFile> {
  const given = givenIn(text)
  if (given.length > MOST_PLACES) throw new Unreadable(`A file can bring ${MOST_PLACES} places at the most.`)
  const known = new Map((await placesOf(db)).map((place) => [place.name.toLowerCase(), place]))
  const result: PlacesFile = { added: [], changed: [], same: 0, refused: [] }
  const wanted: Wanted[] = []
  const seen = new Set<string>()
  given.forEach((each, index) => {
    const row = index + 1
    const name = typeof each.name === 'string' ? each.name.trim() : ''
    try {
      if (seen.has(name.toLowerCase())) throw new Unreadable('It comes twice in the file.')
      seen.add(name.toLowerCase())
      const before = known.get(name.toLowerCase())
      const input = checked(before, each)
      const changes = before && fieldChanges(recordOf(before), { ...input, phone: e164(input.phone, input.country) })
      if (!before) result.added.push({ name: input.name })
      else if (changes!.length === 0) result.same++
      else result.changed.push({ id: before.id, name: before.name, changes: changes! })
      if (!before || changes!.length > 0) wanted.push({ row, input, ...(before && { known: before }) })
    } catch (error) {
      if (!(error instanceof ValidationError) && !(error instanceof Unreadable)) throw error
      result.refused.push({ row, name, reason: error.message })
    }
  })
  if (!isTaken) return result
  const ids = await db.transaction(async (inside) => {
    const made: number[] = []
    for (const { input, known: before } of wanted)
      if (before) await changePlace(inside, before.id, input)
      else made.push(await addPlace(inside, input))
    return made
  })
  return { ...result, added: result.added.map(({ name }, index) => ({ name, id: ids[index]! })) }
}

/** A place of a file, on the ground of what is known of it. */
function checked(before: Place | undefined, given: GivenPlace): PlaceInput {
  const said = Object.fromEntries(
    PLACE_FIELDS.flatMap(({ field }) => (given[field] === undefined ? [] : [[field, given[field]]])),
  )
  return placeSchema.validateSync({
    ...(before ? recordOf(before) : EMPTY_PLACE),
    ...said,
    listing: before?.listing?.id ?? null,
  })
}
