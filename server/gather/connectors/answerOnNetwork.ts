import { Problem, badRequest } from '../../platform/problems/problem'
import type { ClientDb } from '../../platform/database/clientDb'
import { ConsentWithdrawn, type Answered, NetworkTrouble, RateLimited } from './connector'
import { connectionOf } from './connections'
import { connectorFor } from './connectorFor'

/**
 * Answers a review or a question where it was written.
 *
 * @returns the network's sentence where it refuses the answer; empty where it has taken it
 * @throws  Problem 400 when there is no consent or the network takes no answers, 503 when it does not answer
 */
export async function answerOnNetwork(
  db: ClientDb,
  profile: number,
  what: Answered,
  which: string,
  text: string,
): Promise<string> {
  const connection = await connectionOf(db, profile)
  if (!connection?.credentials)
    throw badRequest('The owner of the listing has not given consent. Send the consent link, under Profiles.')
  const { answer } = connectorFor(connection)
  if (!answer) throw badRequest('This network takes no answers from here. Answer there.')
  try {
    return await answer(what, which, text)
  } catch (error) {
    if (error instanceof RateLimited)
      throw new Problem(503, 'The network asks to wait', `${error.message} Then send it again.`)
    if (error instanceof ConsentWithdrawn) throw badRequest(error.message)
    if (error instanceof NetworkTrouble)
      throw new Problem(503, 'No answer', `${error.message} The answer is kept here; send it again later.`)
    throw error
  }
}
