/** A picture or a video for posts, without its content. */
export interface PlanFileView {
  id: number
  name: string
  type: string
  bytes: number
  isAnimated: boolean
}

/** One of those that are kept, with the posts that show it, the newest first. */
export interface KeptFile extends PlanFileView {
  posts: number[]
}
