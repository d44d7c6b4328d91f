import { directoryById } from '../../../core/directories/directoryList'
import { JobPostponed } from '../../platform/jobs/context'
import type { EntryQuery, OutgoingCorrection, OutgoingRequest } from '../../../shared/read/directories'
import { RateLimited, type Capabilities } from './connector'
import { connectorFor } from './connectorFor'

async function orLater<T>(directory: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    if (error instanceof RateLimited)
      throw new JobPostponed(
        error.seconds,
        `${directoryById(directory).name} asks to wait ${error.seconds} seconds.`,
        true,
      )
    throw error
  }
}

const directoryOf = (id: string): Capabilities['directory'] => connectorFor({ connector: id }).directory!

/**
 * How directories are asked: for the entries of places, for corrections, and how those stand.
 *
 * @throws JobPostponed when one asks to wait, NetworkTrouble when it does not answer as agreed
 */
export const askDirectory = {
  find: (id: string, queries: readonly EntryQuery[]) => orLater(id, () => directoryOf(id).find(queries)),
  correct: (id: string, correction: OutgoingCorrection) => orLater(id, () => directoryOf(id).correct(correction)),
  request: (id: string, request: OutgoingRequest) => orLater(id, () => directoryOf(id).request(request)),
  standing: (id: string, keys: readonly string[]) => orLater(id, () => directoryOf(id).standing(keys)),
}
