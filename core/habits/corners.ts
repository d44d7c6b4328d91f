import { judgeKinds, type Judged } from './timesUsual'

/** A post that lies in corners of a field: a network, and what else parts them. */
export interface CornerPost {
  network: string
  /** Where on its network it lies; a post can lie in several places, and counts in each. */
  places: readonly string[]
  isRival: boolean
  rest?: number | undefined
}

/** A corner of a field: how much rivals post there, and how posts there did, whoever they are of. */
export interface Corner extends Judged {
  network: string
  place: string
  /** Posts of the rivals, and of the client itself. */
  rivals: number
  own: number
  /** What rivals post in a corner of this network on average. */
  average: number
  /** Rivals post less than half the average here. */
  isQuiet: boolean
}

const QUIET_SHARE = 0.5

/**
 * The corners of a field: where rivals post little, and how posts do there.
 *
 * @param placesOf  every place that a network has; one in which nobody posts is quiet too
 * @returns         those that are quiet and do well first, by the near end of their interval; then quiet ones, then the rest
 * @example         cornersOf(posts, new Map([['loft', ['Monday', 'Tuesday']]]))[0].isQuiet // true
 */
export function cornersOf(posts: readonly CornerPost[], placesOf: ReadonlyMap<string, readonly string[]>): Corner[] {
  const networks = new Map<string, Map<string, { rivals: number; own: number; at: number[] }>>()
  for (const [network, places] of placesOf)
    networks.set(network, new Map(places.map((place) => [place, { rivals: 0, own: 0, at: [] }])))
  posts.forEach(({ network, places, isRival }, index) => {
    for (const place of new Set(places)) {
      const corner = networks.get(network)?.get(place)
      if (!corner) continue
      corner[isRival ? 'rivals' : 'own']++
      corner.at.push(index)
    }
  })
  const judged = judgeKinds(
    posts.map(({ rest }) => rest),
    [...networks.values()].flatMap((places) => [...places.values()].map(({ at }) => at)),
  )
  const corners = [...networks]
    .flatMap(([network, places]) => {
      const all = [...places.values()].reduce((sum, { rivals }) => sum + rivals, 0)
      const average = places.size > 0 ? all / places.size : 0
      return [...places].map(([place, { rivals, own }]) => ({ network, place, rivals, own, average }))
    })
    .map(
      (corner, index): Corner => ({
        ...corner,
        isQuiet: corner.rivals < QUIET_SHARE * corner.average,
        ...judged[index],
      }),
    )
  const order = ({ isQuiet, stands }: Corner) => (isQuiet ? 0 : 2) + (stands === 'above' ? 0 : 1)
  return corners.sort(
    (a, b) =>
      order(a) - order(b) ||
      (b.times?.low ?? 0) - (a.times?.low ?? 0) ||
      a.rivals - b.rivals ||
      a.network.localeCompare(b.network) ||
      a.place.localeCompare(b.place),
  )
}
