import type { Day } from '../../../core/days/day'
import type { ClientDb } from '../../platform/database/clientDb'
import type { StreamId } from '../connectors/connections'
import type { Capabilities } from '../connectors/connector'
import { keepBreakdowns } from './keepBreakdowns'
import { keepDays } from './keepDays'
import { keepPosts } from './keepPosts'

/** One page of a stream, whichever that is. */
export interface Page {
  data: unknown[]
  /** The last day that the page covers, with or without anything in it. */
  through: Day | undefined
  /** Where the next page begins, or undefined when this is the last. */
  next: Day | undefined
}

interface Stream {
  id: StreamId
  /** Keeps a page, in the transaction that notes how far the stream has come; says how many days were restated. */
  keep: (db: ClientDb, profileId: number, page: Page) => Promise<number>
}

type PageOf<Id extends StreamId> = Awaited<ReturnType<Capabilities[Id]>>
const stream = <Id extends StreamId>(
  id: Id,
  keep: (db: ClientDb, profileId: number, page: PageOf<Id>) => Promise<unknown>,
): Stream => ({
  id,
  keep: async (db, profileId, page) => {
    const restated = await keep(db, profileId, page as PageOf<Id>)
    return typeof restated === 'number' ? restated : 0
  },
})

/** What is fetched of a profile, one after the other, from those connectors that can give it. */
export const STREAMS: readonly Stream[] = [
  stream('figures', keepDays),
  stream('posts', keepPosts),
  stream('breakdowns', keepBreakdowns),
]
