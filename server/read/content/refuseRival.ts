import type { Releasable } from '../../../shared/platform/releasable'
import { profileById } from '../../figures/questions/profileRows'
import type { ClientDb } from '../../platform/database/clientDb'
import { notFound } from '../../platform/problems/problem'

/**
 * Refuses a post of a rival to whom rivals were not released: for them there is none.
 *
 * @throws Problem 404
 */
export async function refuseRival(db: ClientDb, profileId: number, released: readonly Releasable[]): Promise<void> {
  const profile = await profileById(db, profileId)
  if (!profile || (profile.is_rival === 1 && !released.includes('rivals'))) throw notFound('post')
}
