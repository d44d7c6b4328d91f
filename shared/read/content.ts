import type { PostValue } from '../../core/posts/postFigures'

/** A post as the list shows it. */
export interface ListedPost {
  id: string
  profile: number
  name: string
  networkName: string
  publishedAt: Date
  format: string
  text: string
  impressions: number | null
  interactions: number | null
  /** Interactions for each impression, with its 95 % interval (Wilson); absent without impressions. */
  rate: { value: number; low: number; high: number } | null
  /** Every other figure that was asked for, by its id; those that it does not have are left out. */
  figures?: Record<string, PostValue>
  /** Its interactions as a multiple of what is usual for its profile, and what that is; where it was asked for. */
  times?: number
  usual?: number
  /** Its tags, by number. Older lists have none. */
  tags?: number[]
  /** What its picture shows, in words, where it has one. */
  alt?: string
  hasPicture?: boolean
}
