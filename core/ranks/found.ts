import type { Rank } from './rankFigures'

/** Where results stand: on the map, as pages, or as pages on telephones. */
export const RANK_KINDS = [
  { id: 'map', name: 'on the map' },
  { id: 'page', name: 'among pages' },
  { id: 'phone', name: 'among pages on telephones' },
] as const
export type RankKind = (typeof RANK_KINDS)[number]['id']

/** A result of a search: of the map the network’s id of a listing, of pages the address without its scheme. */
export interface FoundListing {
  id: string
  name: string
  lat: number
  lon: number
}

/** What a check has found: every listing once, and for each point which of them stand there, the first one first. */
export interface FoundByPoint {
  listings: FoundListing[]
  points: number[][]
}

/**
 * Joins what was found at each point, so that each listing is kept once.
 *
 * @example joinFound([[lamp, tea], [tea]]) // { listings: [lamp, tea], points: [[0, 1], [1]] }
 */
export function joinFound(points: readonly (readonly FoundListing[])[]): FoundByPoint {
  const listings: FoundListing[] = []
  const places = new Map<string, number>()
  const numberOf = (listing: FoundListing): number => {
    const known = places.get(listing.id)
    if (known !== undefined) return known
    places.set(listing.id, listings.length)
    listings.push(listing)
    return listings.length - 1
  }
  return { listings, points: points.map((found) => found.map(numberOf)) }
}

/** An address as results have it: without its scheme, its query and what ends it. */
const plainAddress = (address: string): string =>
  address
    .toLowerCase()
    .replace(/^https?:\/\//, '')
    .replace(/[?#].*$/, '')
    .replace(/\/+$/, '')

/**
 * Whether a result is the one that is looked for: the very listing, or the very page, or one below it.
 *
 * @example isSought('page', 'https://www.mossgate.example/tea/', 'www.mossgate.example/tea/menu') // true
 */
export function isSought(kind: RankKind, sought: string, id: string): boolean {
  if (sought === '') return false
  if (kind === 'map') return sought === id
  const [page, found] = [plainAddress(sought), plainAddress(id)]
  return found === page || found.startsWith(`${page}/`)
}

/**
 * The rank at each point of what is looked for.
 *
 * @example ranksOf({ listings, points: [[0, 1], [0]] }, (id) => id === listings[1].id) // [2, null]
 */
export function ranksOf({ listings, points }: FoundByPoint, isIt: (id: string) => boolean): Rank[] {
  const own = new Set(listings.flatMap(({ id }, index) => (isIt(id) ? [index] : [])))
  return points.map((found) => {
    const at = found.findIndex((listing) => own.has(listing))
    return at < 0 ? null : at + 1
  })
}
