import type { AgeBand, AgePoint, Reached } from '../../core/posts/buildUp'
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

/** Everything that is known of one post. */
export interface PostView {
  post: ListedPost
  profile: { id: number; name: string; networkName: string }
  /** At which age its figures are compared, in hours, and with how many of its kind at the most. */
  ageHours: number
  others: number
  figures: PostFigureView[]
  life: { interactions: PostLife; impressions: PostLife }
  isPaid: boolean
  tags: TagReason[]
  notes: Note[]
}
