import { ValidationError } from 'yup'
import { changedRecord, type SharedChange } from '../../../core/places/manyChanges'
import { e164 } from '../../../core/places/phone'
import { fieldChanges } from '../../../core/places/place'
import { placeSchema, type ManyPlaces, type ManyPlacesInput, type PlaceInput } from '../../../shared/read/places'
import type { ClientDb } from '../../platform/database/clientDb'
import { notFound } from '../../platform/problems/problem'
import { changePlace, placesOf } from './places'

/**
 * What changes do to several places, one after the other: each place by itself, and those refused that would not be a
 * record any more. Nothing is written before it was looked at.
 *
 * @param isTaken  whether it is written
 * @throws         Problem 404 when one of them is no place of the client
 */
export async function changeMany(db: ClientDb, { changes, isTaken }: ManyPlacesInput): Promise<ManyPlaces> {
  const known = new Map((await placesOf(db)).map((place) => [place.id, place]))
  const wanted = new Map<number, SharedChange[]>()
  for (const { places, ...change } of changes)
    for (const place of new Set(places)) wanted.set(place, [...(wanted.get(place) ?? []), change])
  const result: ManyPlaces = { changed: [], same: 0, refused: [] }
  const inputs: [id: number, input: PlaceInput][] = []
  for (const [id, own] of wanted) {
    const before = known.get(id)
    if (!before) throw notFound('place')
    const after = own.reduce((record, change) => changedRecord(record, change), before)
    try {
      const input = placeSchema.validateSync({ ...after, listing: before.listing?.id ?? null }, { stripUnknown: true })
      const made = fieldChanges(before, { ...input, phone: e164(input.phone, input.country) })
      if (made.length === 0) result.same++
      else {
        result.changed.push({ id, name: before.name, changes: made, hasListing: before.listing !== null })
        inputs.push([id, input])
      }
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error
      result.refused.push({ id, name: before.name, reason: error.message })
    }
  }
  if (isTaken)
    await db.transaction(async (inside) => {
      for (const [id, input] of inputs) await changePlace(inside, id, input)
    })
  return result
}
