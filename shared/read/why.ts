import type { Unit } from '../../core/metrics/metric'
import type { Contribution } from '../../core/why/contributions'
import type { RateContribution } from '../../core/why/mixAndRate'
import type { CarryingPost, PostValue } from '../../core/why/carryingPosts'
import type { ListedPost } from './content'

export interface Why {
  metric: string
  explanations: Explanation[]
  /** What the change rests on where it is not everything. */
  basis?: string
  /** Whether the change itself may be nothing, or is as usual: its parts may be so too. */
  doubt?: string
  /** Ways to explain it that are not there, and why. */
  without?: string[]
  /** The posts that carried it, where posts do; absent in editions of before they were told. */
  posts?: PostsBehind
  /** Why there is none. */
  reason?: string
}

/**
 * One way to explain a change; its parts add up exactly to it, and every explanation of a metric explains the same
 * change.
 */
export type Explanation = { title: string; unit: Unit; from: number; to: number; note?: string } & (
  | { kind: 'parts'; parts: (Contribution & Lead)[] }
  | { kind: 'mix and rate'; mix: number; rate: number; parts: (RateContribution & Lead)[] }
)

/** What an explanation leads to: the posts of a profile, or of a format. */
export interface Lead {
  profile?: number
  format?: string
}

/** What posts brought, now and then, each beside what its profile's posts usually bring. */
export interface PostsBehind {
  /** What is counted of a post. */
  counted: 'impressions' | 'interactions'
  now: { total: number; count: number; best: PostBehind[]; weakest: PostBehind[] }
  then: { total: number; count: number; best: PostBehind[]; weakest: PostBehind[] }
}

/** A post that carried a change. */
export type PostBehind = CarryingPost<
  PostValue & Pick<ListedPost, 'name' | 'networkName' | 'publishedAt' | 'format' | 'text'>
>
