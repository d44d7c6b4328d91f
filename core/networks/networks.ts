import type { FactColumn } from '../metrics/metric'

/** A network that profiles live on: what it tells, how far back, and what its posts are called. */
export interface Network {
  id: string
  name: string
  kind: string
  /** How many days back the network still gives private figures. */
  historyDays: number
  /** The daily figures it gives. A figure that it does not give is never taken for zero. */
  reports: readonly FactColumn[]
  formats: readonly string[]
}

/** The networks that can be connected, in the order in which they are listed. */
export const NETWORKS: readonly Network[] = [
  {
    id: 'commons', name: 'Commons', kind: 'pages and groups', historyDays: 200, formats: ['text', 'photo', 'video', 'link'],
    reports: [
      'impressions', 'reactions', 'comments', 'shares', 'clicks', 'posts', 'profile_visits', 'new_followers', 'lost_followers', 'followers', 'reach_1d', 'reach_7d',
    ],
  },
  {
    id: 'tintype', name: 'Tintype', kind: 'photos, stories and short clips', historyDays: 100, formats: ['photo', 'story', 'clip'],
    reports: [
      'impressions', 'views', 'reactions', 'comments', 'shares', 'saves', 'posts', 'profile_visits', 'new_followers', 'lost_followers', 'followers',
      'reach_1d', 'reach_7d', 'reach_28d',
    ],
  },
]

const byId = new Map(NETWORKS.map((network) => [network.id, network]))

/**
 * A network by its id.
 *
 * @throws RangeError when there is no such network
 */
export function networkById(id: string): Network {
  const network = byId.get(id)
  if (!network) throw new RangeError(`there is no network "${id}"`)
  return network
}

/** Whether a network gives a daily figure. */
export const reportsColumn = (network: Network, column: FactColumn): boolean => network.reports.includes(column)
