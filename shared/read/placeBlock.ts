import { number, object, string } from 'yup'
import { declareBlock } from '../report/declareBlock'
import type { ListingPictures, Place, PlaceInsights } from './places'

/** What there is to show of one place. */
export const PLACE_PARTS = [
  { id: 'figures', name: 'From a search to an action' },
  { id: 'calls', name: 'Calls by weekday and hour' },
  { id: 'areas', name: 'Where people asked for the way' },
  { id: 'searches', name: 'What they searched for' },
  { id: 'surfaces', name: 'Where it was looked at' },
  { id: 'pictures', name: 'Pictures of the listing' },
  { id: 'record', name: 'What is true about it' },
] as const
export type PlacePart = (typeof PLACE_PARTS)[number]['id']

/** How a count of a place by its parts is told: what its rows are, what is counted, and of what a share is. */
export const PLACE_TABLES = {
  areas: { name: 'areas', label: 'Area', figure: 'Requests', base: 'Of those placed' },
  searches: { name: 'searches', label: 'Search', figure: 'Searches', base: 'Of all told' },
  surfaces: { name: 'surfaces', label: 'Where', figure: 'Views', base: 'Of all told' },
} as const

/** One part of one place, and nothing else of it. */
export interface FilledPlace {
  kind: 'place'
  shows: PlacePart
  /** Whose it is; absent where the place is gone. */
  name?: string
  timeZone: string
  figures?: Pick<PlaceInsights, 'periods' | 'median' | 'best'>
  calls?: NonNullable<PlaceInsights['calls']>
  /** A count by its parts: areas, searches or surfaces. */
  parts?: { name: string; count: number }[]
  withheld?: NonNullable<PlaceInsights['withheld']>
  pictures?: ListingPictures
  record?: Place
}

export const placeBlock = declareBlock<FilledPlace>()({
  kind: 'place',
  name: 'One place',
  version: 1,
  isScoped: true,
  fields: object({
    /** The place, by number; the first by name where none is chosen. */
    place: number().integer().min(1).max(4_294_967_295),
    shows: string<PlacePart>()
      .oneOf(
        PLACE_PARTS.map(({ id }) => id),
        'Choose a part of the place.',
      )
      .default('figures'),
  }),
  headingOf: ({ name, shows }) =>
    `${name ? `${name}: ` : ''}${PLACE_PARTS.find(({ id }) => id === shows)!.name.toLowerCase()}`,
})
