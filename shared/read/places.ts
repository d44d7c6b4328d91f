import { isPossiblePhoneNumber, type CountryCode } from 'libphonenumber-js/min'
import { array, boolean, number, object, string, type InferType } from 'yup'
import { readHours } from '../../core/places/openingHours'
import { CHANGE_WAYS, SHARED_FIELDS, type ChangeWay, type SharedField } from '../../core/places/manyChanges'
import type { FieldChange, PlaceRecord } from '../../core/places/place'
import { text } from '../platform/text'

/** How many places one file can bring, and how large it may be. */
export const MOST_PLACES = 500
export const LARGEST_PLACES_BYTES = 1_000_000

const list = (what: string) =>
  array(text().required().max(60, `Keep each ${what} under 60 letters.`))
    .max(20, `There are 20 at the most.`)
    .default([])

/** A country by its two letters, as far as there is one. */
const isCountry = (code: string): boolean => {
  try {
    return (
      /^[A-Z]{2}$/.test(code) &&
      new Intl.DisplayNames('en', { type: 'region', fallback: 'none' }).of(code) !== undefined
    )
  } catch {
    return false
  }
}

const degrees = (most: number) =>
  number()
    .nullable()
    .default(null)
    .typeError('Write degrees, such as 49.66.')
    .min(-most, `There are no degrees below −${most}.`)
    .max(most, `There are no degrees above ${most}.`)

const webAddress = () =>
  text()
    .max(300, 'That address is too long.')
    .matches(/^$|^https?:\/\/[^\s/?#]+\.[^\s]*$/i, 'Write an address such as https://www.mossgate.example.')

/** A place as somebody writes it. */
export const placeSchema = object({
  name: text().required('Give the place a name.').max(120, 'Keep the name under 120 letters.'),
  categories: list('category'),
  street: text().max(120, 'Keep the street under 120 letters.').default(''),
  town: text().max(80, 'Keep the town under 80 letters.').default(''),
  postcode: text().max(16, 'Keep the postcode under 16 letters.').default(''),
  country: text()
    .transform((value: unknown) => (typeof value === 'string' ? value.toUpperCase() : value))
    .default('')
    .test('country', 'Write the country as two letters, such as GB.', (value) => !value || isCountry(value)),
  lat: degrees(90),
  lon: degrees(180).test('both', 'A place on the map has a latitude and a longitude.', function (value) {
    const { lat } = this.parent as { lat: number | null }
    return (value === null) === (lat === null)
  }),
  phone: text()
    .default('')
    .test('phone', 'Write the number with its country, such as +44 1632 960014.', function (value) {
      const { country } = this.parent as { country: string }
      return !value || (value.length <= 40 && isPossiblePhoneNumber(value, countryOf(country)))
    }),
  web: webAddress().default(''),
  hours: text()
    .default('')
    .max(1000, 'Keep the hours under 1,000 letters.')
    .test('hours', function (value) {
      try {
        readHours(value ?? '')
        return true
      } catch (error) {
        return this.createError({ message: (error as Error).message })
      }
    }),
  attributes: list('attribute'),
  description: text().max(1000, 'Keep the description under 1,000 letters.').default(''),
  pictures: array(webAddress().required()).max(20, `There are 20 at the most.`).default([]),
  /** The profile that is its listing; none, where it has none yet. */
  listing: number().integer().positive().nullable().default(null),
})
export type PlaceInput = InferType<typeof placeSchema>

const countryOf = (code: string): CountryCode | undefined => (isCountry(code) ? (code as CountryCode) : undefined)

/** A named group of places, as somebody makes it. */
export const placeGroupSchema = object({
  name: text().required('A group needs a name.').max(80, 'Keep the name under 80 letters.'),
  places: array(number().integer().positive().required())
    .min(1, 'Choose the places of the group.')
    .max(1000, 'A group has 1,000 places at the most.')
    .required(),
})

/** The places to which a viewer is assigned, or null where they see all that is released. */
export const placesOfPersonSchema = object({
  places: array(number().integer().positive().required())
    .min(1, 'Choose a place, or let them see all that is released.')
    .max(1000, 'Assign 1,000 places at the most.')
    .nullable()
    .defined('Say which places they see.'),
})

/** A viewer of a client, with the places to which they are assigned; null where they see all that is released. */
export interface PersonOfPlaces {
  id: number
  name: string
  email: string
  places: number[] | null
}

/** Which places are looked at: all, or those of a group. */
export const placesQuerySchema = object({
  group: number().integer().positive().typeError('Choose a group from the list.').optional(),
})

/** Changes of several places at once: whether they are only looked at, or made. */
export const manyPlacesSchema = object({
  changes: array(
    object({
      places: array(number().integer().positive().required())
        .min(1, 'Choose the places.')
        .max(1000, 'Change 1,000 places at once at the most.')
        .required(),
      field: string<SharedField>()
        .oneOf(
          SHARED_FIELDS.map(({ field }) => field as SharedField),
          'Choose a field from the list.',
        )
        .required(),
      way: string<ChangeWay>()
        .oneOf(
          CHANGE_WAYS.map(({ id }) => id),
          'A field is set, added to or taken from.',
        )
        .required(),
      value: string().max(2000, 'Keep it under 2,000 letters.').default(''),
    }),
  )
    .min(1, 'Say what is to be changed.')
    .max(1000, 'At most 1,000 changes at once.')
    .required(),
  isTaken: boolean().default(false),
})
export type ManyPlacesInput = InferType<typeof manyPlacesSchema>

export const placeStateSchema = object({ isActive: boolean().required() })

/** A file of places, as text; whether it is only looked at, or taken. */
export const placesFileSchema = object({
  name: text().required().max(200),
  text: string().required('The file is empty.').max(LARGEST_PLACES_BYTES, 'Bring a file of at most 1 MB.'),
  isTaken: boolean().default(false),
})

/** A place with its number. */
export interface Place extends PlaceRecord {
  id: number
  isActive: boolean
  /** The profile that is its listing. */
  listing: { id: number; name: string; networkName: string } | null
}

/** What a file would do with places. */
export interface PlacesFile {
  /** Those that were taken have a number. */
  added: { name: string; id?: number }[]
  changed: { id: number; name: string; changes: FieldChange[] }[]
  same: number
  refused: { row: number; name: string; reason: string }[]
}

/** What a change of several places does, place by place. */
export interface ManyPlaces {
  changed: { id: number; name: string; changes: FieldChange[]; hasListing: boolean }[]
  same: number
  refused: { id: number; name: string; reason: string }[]
}

/** A named group of places. */
export interface PlaceGroup {
  id: number
  name: string
  places: number[]
}

/** A count for every 1,000 listing views, with the 95 % interval of chance. */
export interface PerViews {
  value: number
  low: number
  high: number
}

/** The metrics of listings, in the order in which they are told. */
export const LISTING_METRICS = ['searches', 'listing_views', 'listing_actions'] as const
export const ACTION_METRICS = ['site_clicks', 'directions', 'calls', 'messages', 'bookings'] as const
/** Those of which no change is told. */
export const COUNTED_METRICS = [...ACTION_METRICS, 'picture_views'] as const
export const PLACE_METRICS = [...LISTING_METRICS, ...COUNTED_METRICS] as const
export type PlaceMetric = (typeof PLACE_METRICS)[number]

/** What a listing brought over some days. */
export interface ListingFigures {
  values: Partial<Record<PlaceMetric, number>>
  /** Actions for every 1,000 views. */
  perViews?: PerViews
  /** Views for every search: how often a search that found it led to it. */
  viewsPerSearch?: number
  /** Of how many days something is known, where not of all. */
  days: { known: number; of: number }
}

/** A place beside the others. */
export interface PlaceRow extends ListingFigures {
  id: number
  name: string
  town: string
  lat: number | null
  lon: number | null
  isActive: boolean
  listing: number | null
  /** Relative changes against the comparison, over the days that both have. */
  changes: Partial<
    Record<
      (typeof LISTING_METRICS)[number],
      { from: number; to: number; relative?: number; isUnclear?: boolean; chance?: number }
    >
  >
}

export interface PlacesView {
  places: PlaceRow[]
  /** Those that are switched on and have figures, together; editions of before this came do not have it. */
  together?: ListingFigures & Pick<PlaceRow, 'changes'> & { places: number }
  /** The middle of the places whose listing was viewed; absent with fewer than three. */
  median?: { perViews: number; viewsPerSearch?: number; places: number }
  /** The place whose actions per view are surely the most: by the near end of its interval. */
  best?: { id: number; name: string; perViews: PerViews }
  /** Why a place has no figures. */
  without: { id: number; name: string; reason: string }[]
}

/** How many places an agency may have switched on, and how many it has. */
export interface PlacesAllowance {
  limit: number | null
  used: number
}

/** The page of places: those looked at, and the groups that there are. */
export interface PlacesPage extends PlacesView {
  groups: PlaceGroup[]
  /** Every place, for choosing; also those that are not in the group that is looked at. */
  all: { id: number; name: string; town: string }[]
}

/** The pictures of a listing over some days. */
export interface ListingPictures {
  profile: number
  /** How many it showed at their end. */
  shown: number
  /** How many came in them, those of the owner among them, and how many were removed. */
  came: number
  cameByOwner: number
  went: number
  pictures: {
    id: string
    addedAt: Date
    isOwner: boolean
    by: string
    text: string
    /** Whether it was kept here, so that it can be shown. */
    hasFile: boolean
    removedAt?: Date
    /** How often it was looked at so far. */
    views?: number
  }[]
  /** How many older ones there are. */
  more: number
}

/** One place over three periods, with what parts it from the others. */
export interface PlaceInsights {
  place: Place
  periods: (ListingFigures & { id: 'now' | 'before' | 'year'; words: string })[]
  median?: PlacesView['median']
  best?: PlacesView['best']
  /** Mean calls in an hour of a weekday, Monday first; absent where none are known. */
  calls?: { byHour: number[][]; days: number[] }
  /** Where those were who asked for the way; and how many requests the network does not place, on days of which it places any. */
  areas: { name: string; requests: number }[]
  withheld?: { requests: number; of: number; days: number }
  searches: { name: string; count: number }[]
  surfaces: { name: string; count: number }[]
  /** What its listing shows. */
  pictures?: ListingPictures
}
