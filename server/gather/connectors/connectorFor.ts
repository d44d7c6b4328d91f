import { DIRECTORIES, LISTINGS } from '../../../core/directories/directoryList'
import { NETWORKS } from '../../../core/networks/networks'
import type { Connection, Connector } from './connector'
import { httpDirectory } from './httpDirectory'
import { httpNetwork } from './httpNetwork'
import { httpRanks } from './httpRanks'

/** The source of ranks. */
export const RANK_SOURCE = 'plumbline'

/** Every connector, by the name that connections know it by. */
const CONNECTORS: ReadonlyMap<string, (connection: Connection) => Connector> = new Map([
  ...NETWORKS.map(({ id }) => [id, httpNetwork] as const),
  [RANK_SOURCE, httpRanks] as const,
  ...DIRECTORIES.map(({ id }) => [id, httpDirectory] as const),
  // the network of the listings is both
  [LISTINGS, (connection: Connection) => ({ ...httpNetwork(connection), ...httpDirectory(connection) })] as const,
])

/**
 * What speaks with a source.
 *
 * @throws  RangeError when there is no such connector
 * @example await connectorFor({ connector: 'cork' }).lookup?.('@mossgate')
 */
export function connectorFor(connection: Connection): Connector {
  const connector = CONNECTORS.get(connection.connector)
  if (!connector) throw new RangeError(`there is no connector "${connection.connector}"`)
  return connector(connection)
}
