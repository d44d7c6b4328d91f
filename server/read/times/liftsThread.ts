import type { RespondedPost } from '../../../core/times/besideUsual'
import { liftsOfPosts, type LiftsOfPosts } from '../../../core/times/liftsOfPosts'

/** What a thread of its own works out: see `threadOf`. */
export default ({ posts, zone }: { posts: readonly RespondedPost[]; zone: string }): LiftsOfPosts =>
  liftsOfPosts(posts, zone)
