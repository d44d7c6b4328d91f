import type { ClientDb } from '../platform/database/clientDb'
import { profilesOf } from './questions/profileRows'
import { badRequest } from '../platform/problems/problem'

/**
 * Makes sure that profiles are the client's own.
 *
 * @throws Problem 400 when one is not, or is a rival's
 */
export async function refuseForeignProfiles(db: ClientDb, ids: readonly number[]): Promise<void> {
  const own = new Set((await profilesOf(db)).filter(({ is_rival: rival }) => !rival).map(({ profile_id: id }) => id))
  if (ids.some((id) => !own.has(id)))
    throw badRequest('One of these profiles is not the client’s own. Choose from the list.')
}
