import type { PublicProfile } from '../../../shared/gather/publicProfile'
import { JobPostponed } from '../../platform/jobs/context'
import { RateLimited } from './connector'
import { connectorFor } from './connectorFor'

/**
 * A profile by its handle, as a network shows it to everybody; undefined where there is none.
 *
 * @throws JobPostponed when the network asks to wait, NetworkTrouble when it does not answer as agreed
 */
export async function askHandle(network: string, handle: string): Promise<PublicProfile | undefined> {
  try {
    return await connectorFor({ connector: network }).lookup?.(handle)
  } catch (error) {
    if (error instanceof RateLimited)
      throw new JobPostponed(error.seconds, `A network asks to wait ${error.seconds} seconds.`, true)
    throw error
  }
}
