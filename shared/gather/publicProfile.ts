import type { Day } from '../../core/days/day'

/** A profile as anybody finds it on the network. */
export interface PublicProfile {
  remoteId: string
  handle: string
  name: string
  followers: number | null
  postsIn28Days: number
  lastPost: Day | null
}
