import type { ClientDb } from '../../platform/database/clientDb'
import { enqueue } from '../../platform/jobs/queue'
import { conflict } from '../../platform/problems/problem'
import { RANK_CHECK } from './jobs'
import { rankAllowance } from './rankAllowance'
import { todayOf, watchById } from './rankWatches'

/**
 * Asks for a check now, whatever the rhythm says.
 *
 * @returns the number of the job
 * @throws  Problem 404 when nothing of that number is looked for, 409 when it was checked today or nothing is left
 */
export async function askForCheck(db: ClientDb, id: number, person: number): Promise<number> {
  const { last, points } = await watchById(db, id)
  if (last === todayOf(db)) throw conflict('It was checked today already: a check is of one day.')
  const { limit, used } = await rankAllowance(db)
  if (used + points > limit)
    throw conflict(`A check takes ${points} points, and ${Math.max(0, limit - used)} are left for this month.`)
  return await enqueue(db, RANK_CHECK, id, {}, person)
}
