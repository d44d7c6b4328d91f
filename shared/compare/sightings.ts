import { boolean, object, string, type InferType } from 'yup'
import type { Day } from '../../core/days/day'

/** What a rival can be seen to do that is not as usual. */
export const SIGHTING_KINDS = ['post', 'silence', 'hashtag', 'network', 'renamed', 'gone'] as const
export type SightingKind = (typeof SIGHTING_KINDS)[number]

/** Which entries are listed: those that nobody has settled, or all that are kept. */
export const sightingsSchema = object({
  sightings: string<'' | 'all'>().oneOf(['', 'all'], 'Look at what is open, or at all entries.').default(''),
})

/** Whether an entry is settled: somebody has read it. */
export const settleSightingSchema = object({
  isSettled: boolean().required('Say whether it is settled.'),
})
export type SettleSighting = InferType<typeof settleSightingSchema>

/** A dated entry: what a rival did that is not as usual. */
export interface Sighting {
  id: number
  kind: SightingKind
  rival: string
  network: string
  networkName: string
  /** The day of the post, or that on which it could be said. */
  day: Day
  /** Of a silence the last day with a post, of a hashtag that of its first post. */
  from?: Day
  /** A post: its interactions when it was seen. A silence: the longest pause of the year before, in days. A network: followers. */
  amount?: number
  /** A post: the median of its profile in the year before. */
  usual?: number
  /** The text of a post, the hashtag, the handle on the other network, or both handles of a profile that was renamed, a line each. */
  text: string
  /** Who has settled it; '' where nobody has. */
  settledBy: string
  isSettled: boolean
}

/** What rivals were seen to do, the newest first. */
export interface SightingsView {
  sightings: Sighting[]
  /** How many there are: no more than the newest are listed. */
  all: number
  /** How many of them nobody has settled. */
  open: number
}
