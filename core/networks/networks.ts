import { columnsGivenBy, type FactColumn } from '../metrics/storedFigures'

/** A network that profiles live on: what it tells, how far back, and what its posts are called. */
export interface Network {
  id: string
  name: string
  kind: string
  /** How many days back the network still gives private figures. */
  historyDays: number
  /** How many days back it shows everybody the public figures of a profile. */
  publicDays: number
  /** The host of its pages: a profile is at https://{site}/{handle}. */
  site: string
  /** The daily figures it gives. A figure that it does not give is never taken for zero. */
  reports: readonly FactColumn[]
  formats: readonly string[]
}

const KNOWN: readonly Omit<Network, 'reports'>[] = [
  {
    id: 'commons',
    name: 'Commons',
    kind: 'pages and groups',
    historyDays: 200,
    publicDays: 30,
    site: 'commons.example',
    formats: ['text', 'photo', 'video', 'link'],
  },
  {
    id: 'tintype',
    name: 'Tintype',
    kind: 'photos, stories and short clips',
    historyDays: 100,
    publicDays: 30,
    site: 'tintype.example',
    formats: ['photo', 'story', 'clip'],
  },
  {
    id: 'zoetrope',
    name: 'Zoetrope',
    kind: 'short video',
    historyDays: 120,
    publicDays: 30,
    site: 'zoetrope.example',
    formats: ['clip'],
  },
  {
    id: 'lantern',
    name: 'Lantern',
    kind: 'long video',
    historyDays: 400,
    publicDays: 30,
    site: 'lantern.example',
    formats: ['film', 'short', 'live'],
  },
  {
    id: 'guildhall',
    name: 'Guildhall',
    kind: 'professional',
    historyDays: 150,
    publicDays: 30,
    site: 'guildhall.example',
    formats: ['text', 'photo', 'document', 'video'],
  },
  {
    id: 'murmur',
    name: 'Murmur',
    kind: 'short text',
    historyDays: 45,
    publicDays: 30,
    site: 'murmur.example',
    formats: ['text', 'photo'],
  },
  {
    id: 'cork',
    name: 'Cork',
    kind: 'pinned pictures',
    historyDays: 100,
    publicDays: 30,
    site: 'cork.example',
    formats: ['pin'],
  },
  {
    id: 'waymark',
    name: 'Waymark',
    kind: 'map listings and reviews',
    historyDays: 500,
    publicDays: 30,
    site: 'waymark.example',
    formats: ['news', 'event', 'offer', 'product'],
  },
]

/** The networks that can be connected, in the order in which they are listed. */
export const NETWORKS: readonly Network[] = KNOWN.map((network) => ({
  ...network,
  reports: columnsGivenBy(network.id),
}))

const byId = new Map(NETWORKS.map((network) => [network.id, network]))

/** A network that is not known here: it tells nothing, and the page on which it stands says so by its name. */
const unknown = (id: string): Network => ({
  id,
  name: `${id.slice(0, 20)} (not known here)`,
  kind: 'not known',
  historyDays: 0,
  publicDays: 0,
  site: '',
  reports: [],
  formats: [],
})

/**
 * A network by its id. A row can name one that is not known here, whatever its way in: then the page bears it and says
 * so, and everything else on it stands.
 *
 * @example networkById('commons').name // 'Commons'
 */
export const networkById = (id: string): Network => byId.get(id) ?? unknown(id)

/** What each network gives, to be looked up: it is asked for every profile, metric and period. */
const given = new Map(NETWORKS.map(({ id, reports }) => [id, new Set(reports)]))

/** Whether a network gives a daily figure. */
export const reportsColumn = ({ id }: Network, column: FactColumn): boolean => given.get(id)?.has(column) === true
