import { Unreadable } from '../unreadable'
import type { PlaceRecord } from './place'
import type { GivenPlace } from './placesGeoJson'
import { editableHours, hoursText, readHours, type EditableHours } from './openingHours'

/** The days of schema.org, Monday first. */
const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const

interface Specification {
  '@type': 'OpeningHoursSpecification'
  'dayOfWeek'?: string[]
  'opens': string
  'closes': string
  'validFrom'?: string
  'validThrough'?: string
}

/**
 * A place as schema.org's LocalBusiness in JSON-LD. Hours that a week and dates can say are told as
 * OpeningHoursSpecification; what is closed opens and closes at 00:00, as schema.org has it. Others are left out.
 *
 * @example localBusiness({ ...EMPTY_PLACE, name: 'Skarle Pier' })
 * // { '@context': 'https://schema.org', '@type': 'LocalBusiness', name: 'Skarle Pier' }
 */
export function localBusiness(place: PlaceRecord) {
  const { street, town, postcode, country, lat, lon } = place
  const hours = place.hours === '' ? undefined : editableHours(readHours(place.hours))
  const address = {
    ...(street && { streetAddress: street }),
    ...(town && { addressLocality: town }),
    ...(postcode && { postalCode: postcode }),
    ...(country && { addressCountry: country }),
  }
  return {
    '@context': 'https://schema.org',
    '@type': 'LocalBusiness',
    'name': place.name,
    ...(place.description && { description: place.description }),
    ...(place.categories.length > 0 && { keywords: place.categories }),
    ...(Object.keys(address).length > 0 && { address: { '@type': 'PostalAddress', ...address } }),
    ...(lat !== null && lon !== null && { geo: { '@type': 'GeoCoordinates', 'latitude': lat, 'longitude': lon } }),
    ...(place.phone && { telephone: place.phone }),
    ...(place.web && { url: place.web }),
    ...(place.pictures.length > 0 && { image: place.pictures }),
    ...(place.attributes.length > 0 && {
      amenityFeature: place.attributes.map((name) => ({
        '@type': 'LocationFeatureSpecification',
        name,
        'value': true,
      })),
    }),
    ...(hours && { openingHoursSpecification: weekly(hours) }),
    ...(hours && hours.exceptions.length > 0 && { specialOpeningHoursSpecification: special(hours) }),
  }
}

/** Times as schema.org has them: each with its own opening and closing. */
const spans = (times: string): { opens: string; closes: string }[] =>
  times === 'off'
    ? [{ opens: '00:00', closes: '00:00' }]
    : times.split(',').map((time) => {
        const [opens, closes] = time.split('-') as [string, string]
        return { opens, closes: closes === '24:00' ? '23:59' : closes }
      })

const weekly = ({ week }: EditableHours): Specification[] =>
  [...new Set(week)].flatMap((times) =>
    spans(times).map((span) => ({
      '@type': 'OpeningHoursSpecification' as const,
      'dayOfWeek': DAYS.filter((_, index) => week[index] === times).map((day) => `https://schema.org/${day}`),
      ...span,
    })),
  )

const special = ({ exceptions }: EditableHours): Specification[] =>
  exceptions.flatMap(({ from, to, times }) =>
    spans(times).map((span) => ({
      '@type': 'OpeningHoursSpecification' as const,
      ...span,
      'validFrom': from,
      'validThrough': to,
    })),
  )

type Thing = Record<string, unknown>
const list = (value: unknown): unknown[] => (Array.isArray(value) ? value : value === undefined ? [] : [value])
const text = (value: unknown): string => (typeof value === 'string' ? value : '')
const thing = (value: unknown): Thing => (typeof value === 'object' && value !== null ? (value as Thing) : {})

/**
 * The places of a JSON-LD file: one LocalBusiness (or a kind of it), a list, or a graph of several.
 *
 * @throws Unreadable when there is none in it
 */
export function placesFromJsonLd(file: unknown): GivenPlace[] {
  const things = list(thing(file)['@graph'] ?? file).map(thing)
  const places = things.filter((each) => each['@type'] !== undefined && each.name !== undefined)
  if (places.length === 0) throw new Unreadable('There is no LocalBusiness with a name in the file.')
  return places.map(placeOf)
}

/** What is said of a place; what is not said is left as it is known. */
function placeOf(business: Thing): GivenPlace {
  const address = thing(business.address)
  const geo = thing(business.geo)
  const texts = (value: unknown, read: (each: unknown) => string) =>
    list(value)
      .flatMap((each) => read(each).split(','))
      .map((each) => each.trim())
      .filter(Boolean)
  const given: GivenPlace = {
    name: business.name,
    description: business.description,
    categories: business.keywords && texts(business.keywords, text),
    street: address.streetAddress,
    town: address.addressLocality,
    postcode: address.postalCode,
    country: address.addressCountry,
    lat: geo.latitude === undefined ? undefined : Number(geo.latitude),
    lon: geo.longitude === undefined ? undefined : Number(geo.longitude),
    phone: business.telephone,
    web: business.url,
    // an address, or an ImageObject with one
    pictures: business.image && list(business.image).flatMap((each) => text(each) || text(thing(each).url) || []),
    attributes: business.amenityFeature && texts(business.amenityFeature, (each) => text(thing(each).name)),
    hours: hoursOf(list(business.openingHoursSpecification), list(business.specialOpeningHoursSpecification)),
  }
  return Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined))
}

/** Hours of schema.org as text; undefined where there are none. */
function hoursOf(usual: readonly unknown[], others: readonly unknown[]): string | undefined {
  if (usual.length === 0) return undefined
  const timesOf = (specifications: readonly Thing[]) => {
    const times = specifications.filter(({ opens, closes }) => opens !== closes)
    return times.length === 0 ? 'off' : times.map(({ opens, closes }) => `${clock(opens)}-${clock(closes)}`).join(',')
  }
  const week = DAYS.map((day) =>
    timesOf(usual.map(thing).filter(({ dayOfWeek }) => list(dayOfWeek).some((each) => text(each).endsWith(day)))),
  )
  const spansBy = new Map<string, Thing[]>()
  for (const each of others.map(thing)) {
    const key = `${text(each.validFrom)} ${text(each.validThrough)}`
    spansBy.set(key, [...(spansBy.get(key) ?? []), each])
  }
  return hoursText({
    week,
    exceptions: [...spansBy].map(([key, specifications]) => {
      const [from, to] = key.split(' ') as [string, string]
      return { from, to, times: timesOf(specifications) }
    }),
  })
}

/** A time of schema.org without its seconds; the last minute of a day is its end. */
function clock(value: unknown): string {
  const time = text(value).slice(0, 5)
  return time === '23:59' ? '24:00' : time
}

/** Times in words, for a page: “09:00–17:00” or “closed”. */
export const spokenTimes = (times: string): string =>
  times === 'off' ? 'closed' : times.replaceAll('-', '–').replaceAll(',', ', ')
