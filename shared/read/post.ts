import type { AgeBand, AgePoint, Reached } from '../../core/posts/buildUp'
import type { RetentionPoint, RetentionReading } from '../../core/posts/retention'
import type { PostValue } from '../../core/posts/postFigures'
import type { Note } from '../figures/notes'
import type { ListedPost } from './content'

/** A figure of a post beside those that its profile's posts of its format had at the same age. */
export interface PostFigureView extends PostValue {
  id: string
  /** What it had at the age itself, the median of the others then, and of how many. */
  usual?: { own: number; value: number; posts: number }
}

/** Why a post has a tag: somebody has set it, or a rule. */
export interface TagReason {
  tag: number
  name: string
  colour: number
  byHand?: { by: string | null; at: Date }
  rules: { id: number; words: string }[]
}

/** A figure over the life of a post, beside what is usual. */
export interface PostLife {
  points: AgePoint[]
  usual: AgeBand[]
  half?: Reached
}

/** How far a video was watched, beside the others of its profile and format. */
export interface PostRetention {
  /** In seconds, where it is known. */
  length: number | null
  points: RetentionPoint[]
  /** Absent where too few have begun it to say where they leave. */
  reading?: RetentionReading
  /**
   * The median part of the others that was on at each place, what that comes to over the whole, and of how many others;
   * absent where they are too few.
   */
  usual?: { shares: number[]; seen: number; posts: number }
}

/** Everything that is known of one post. */
export interface PostView {
  post: ListedPost
  profile: { id: number; name: string; networkName: string }
  /** At which age its figures are compared, in hours, and with how many of its kind at the most. */
  ageHours: number
  others: number
  figures: PostFigureView[]
  life: { interactions: PostLife; impressions: PostLife }
  /** Absent where nothing is known of how far it was watched. */
  retention?: PostRetention
  isPaid: boolean
  /** The tracked links that its text names, with the clicks of people, wherever they stood. */
  links: { id: number; code: string; name: string; clicks: number }[]
  tags: TagReason[]
  notes: Note[]
}
