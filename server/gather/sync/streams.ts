import type { Day } from '../../../core/days/day'
import { DATASETS } from '../../../core/datasets/datasets'
import type { ClientDb } from '../../platform/database/clientDb'
import type { Connector } from '../connectors/connector'
import { keepBreakdowns } from './keepBreakdowns'
import { keepDays } from './keepDays'
import { keepPosts } from './keepPosts'
import { keepRows } from './keepRows'

/** One page of a stream, whichever that is. */
export interface Page {
  data: unknown[]
  /** The last day that the page covers, with or without anything in it. */
  through: Day | undefined
  /** Where the next page begins, or undefined when this is the last. */
  next: Day | undefined
}

/** What of a source is fetched by itself, as far as its cursor says. */
export interface Stream {
  id: string
  /** What gives a page that begins with a day, or undefined where the source has no such stream. */
  from: (connector: Connector, network: string) => ((from: Day) => Promise<Page>) | undefined
  /** Whether anybody can read as far back as its owner, where it can be read without consent at all. */
  isOpenWhole?: boolean
  /** Keeps a page, in the transaction that notes how far the stream has come; says how many days were restated. */
  keep: (db: ClientDb, profileId: number, page: Page) => Promise<number>
}

type Own = 'figures' | 'posts' | 'breakdowns'
type PageOf<Id extends Own> = Awaited<ReturnType<NonNullable<Connector[Id]>>>
const own = <Id extends Own>(
  id: Id,
  keep: (db: ClientDb, profileId: number, page: PageOf<Id>) => Promise<unknown>,
): Stream => ({
  id,
  from: (connector) => connector[id],
  keep: async (db, profileId, page) => {
    const restated = await keep(db, profileId, page as PageOf<Id>)
    return typeof restated === 'number' ? restated : 0
  },
})

/** The figures by day: what a sync is measured by. */
export const FIGURES = own('figures', keepDays)

/** What is fetched of a profile, one after the other, from those sources that have it. */
export const STREAMS: readonly Stream[] = [
  FIGURES,
  own('posts', keepPosts),
  own('breakdowns', keepBreakdowns),
  ...DATASETS.flatMap((dataset): Stream[] => {
    const { stream } = dataset
    if (!stream) return []
    return [
      {
        id: stream.id,
        isOpenWhole: true,
        from: ({ rows, openStreams = [stream.id] }, network) =>
          rows && stream.networks.includes(network) && openStreams.includes(stream.id)
            ? (from) => rows(stream.id, from)
            : undefined,
        keep: async (db, profileId, page) => {
          await keepRows(db, dataset, profileId, page.data as Record<string, unknown>[])
          return 0
        },
      },
    ]
  }),
]
