import { e164 } from '../places/phone'
import type { PlaceRecord } from '../places/place'
import { distanceKm } from '../ranks/greatCircle'
import { folded } from './folded'
import { jaroWinkler } from './jaroWinkler'
import { haveOtherNumbers, nameLikeness } from './nameLikeness'

/** From which likeness of names on, and up to which distances, an entry is taken for one of a place. */
export const [LIKE_NAME, NEAR_KM, SAME_PHONE_KM] = [0.9, 0.3, 2]

const codeOf = (postcode: string): string => folded(postcode).replaceAll(' ', '')

function far(place: PlaceRecord, entry: PlaceRecord): number | undefined {
  const { lat, lon } = place
  if (lat === null || lon === null || entry.lat === null || entry.lon === null) return undefined
  return distanceKm({ lat, lon }, { lat: entry.lat, lon: entry.lon })
}

/**
 * How surely an entry is one of a place; 0 where it is not taken for it. It is where both have the same telephone
 * number and do not lie more than 2 km apart, or where their names are alike by at least 0.9, with the same numbers and
 * the same distinguishing words, and they lie within 300 m of each other or have the same postcode. The thresholds are
 * ours.
 *
 * @example likeness(record, { ...record, phone: '' }) // 1
 */
export function likeness(place: PlaceRecord, entry: PlaceRecord): number {
  const km = far(place, entry)
  // most entries lie somewhere else: numbers and names are looked at only of those that do not
  if (km !== undefined && km > SAME_PHONE_KM) return 0
  const isSamePhone =
    place.phone !== '' && e164(entry.phone, entry.country || place.country) === e164(place.phone, place.country)
  const isNear =
    km === undefined ? place.postcode !== '' && codeOf(place.postcode) === codeOf(entry.postcode) : km <= NEAR_KM
  if (!isSamePhone && !isNear) return 0
  const name = nameLikeness(place.name, entry.name)
  // several places of a client can have one number: of "pier 1" and "pier 2" each has its own entry
  if (isSamePhone && haveOtherNumbers(place.name, entry.name)) return 0
  if (isSamePhone) return 1 + Math.max(name, jaroWinkler(folded(place.name), folded(entry.name)))
  return name >= LIKE_NAME ? name : 0
}

/**
 * Which of some places each entry is one of: the one that it is most like; undefined where it is like none.
 *
 * @returns as many as entries, each an index of the places
 * @example matchEntries([gate, shop], [{ ...shop, phone: '' }]) // [1]
 */
export const matchEntries = (places: readonly PlaceRecord[], entries: readonly PlaceRecord[]): (number | undefined)[] =>
  entries.map((entry) => {
    let best: { at: number; sure: number } | undefined
    places.forEach((place, at) => {
      const sure = likeness(place, entry)
      if (sure > (best?.sure ?? 0)) best = { at, sure }
    })
    return best?.at
  })
