import type { Estimate, EstimateQuery } from '../../../shared/read/reachable'
import { Problem } from '../../platform/problems/problem'
import { NetworkTrouble, RateLimited } from './connector'
import { connectorFor } from './connectorFor'

/**
 * What asks a network how many people could be reached.
 *
 * @throws Problem 503 when the network does not answer, or asks to wait
 */
export const askEstimate =
  (network: string) =>
  async (query: EstimateQuery): Promise<Estimate | undefined> => {
    try {
      return await connectorFor({ connector: network }).estimate?.(query)
    } catch (error) {
      if (error instanceof RateLimited)
        throw new Problem(503, 'The network asks to wait', `${error.message} Then ask again.`)
      if (error instanceof NetworkTrouble) throw new Problem(503, 'No answer', `${error.message} Try again later.`)
      throw error
    }
  }
