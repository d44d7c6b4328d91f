import type { H3Event } from 'h3'
import { claimTry } from '../people/throttle'
import { Problem } from '../problems/problem'
import { neighbourhood, visitorAddress } from './visitorAddress'

const PACE = { free: 20, longest: 60 }

/**
 * Opens a secret link. Whoever holds one that is right is never kept waiting; who guesses is, from the twentieth guess
 * of an address on.
 */
export async function slowGuesses<T>(event: H3Event, open: () => Promise<T>): Promise<T> {
  try {
    return await open()
  } catch (error) {
    if (!(error instanceof Problem) || error.status !== 404) throw error
    const wait = await claimTry(`link:${neighbourhood(visitorAddress(event.node.req))}`, PACE)
    if (wait > 0)
      throw new Problem(
        429,
        'Too many tries',
        `Too many links that do not work were opened from here. Wait ${Math.ceil(wait)} seconds and try again.`,
        { retryAfter: Math.ceil(wait) },
      )
    throw error
  }
}
