import type { Judged } from '../../core/habits/timesUsual'

/** A hashtag of the client’s own posts, and what posts with it brought beside what is usual of their profile. */
export interface HashtagBrought extends Judged {
  /** Without its sign. */
  tag: string
  posts: number
}
