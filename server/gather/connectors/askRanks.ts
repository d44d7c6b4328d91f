import type { FoundListing } from '../../../core/ranks/found'
import { JobPostponed } from '../../platform/jobs/context'
import { RateLimited, type RankQuery } from './connector'
import { connectorFor, RANK_SOURCE } from './connectorFor'

/**
 * What the source of ranks finds from each of some points, 50 at a time.
 *
 * @throws JobPostponed when it asks to wait, NetworkTrouble when it does not answer as agreed
 */
export async function askRanks(query: RankQuery): Promise<FoundListing[][]> {
  try {
    return await connectorFor({ connector: RANK_SOURCE }).ranks!(query)
  } catch (error) {
    if (error instanceof RateLimited)
      throw new JobPostponed(error.seconds, `The source of ranks asks to wait ${error.seconds} seconds.`, true)
    throw error
  }
}
