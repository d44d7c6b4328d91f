/** What an order of posts looks at. */
interface Orderable {
  publishedAt: Date
  impressions: number | null
  interactions: number | null
  rate: { value: number; low: number; high: number } | null
}

/** The orders in which posts are listed. */
export const POST_ORDERS = [
  { value: 'newest', name: 'Newest first' },
  { value: 'oldest', name: 'Oldest first' },
  { value: 'interactions', name: 'Most interactions' },
  { value: 'fewest_interactions', name: 'Fewest interactions' },
  { value: 'impressions', name: 'Most impressions' },
  { value: 'fewest_impressions', name: 'Fewest impressions' },
  { value: 'rate', name: 'Highest rate' },
  { value: 'sure', name: 'Highest rate that is sure' },
  { value: 'lowest', name: 'Lowest rate that is sure' },
] as const

/** What a post is ordered by; one without it comes last. */
const KEYS: Record<string, (post: Orderable) => number | undefined> = {
  newest: (post) => post.publishedAt.getTime(),
  oldest: (post) => -post.publishedAt.getTime(),
  fewest_interactions: (post) => (post.interactions === null ? undefined : -post.interactions),
  fewest_impressions: (post) => (post.impressions === null ? undefined : -post.impressions),
  interactions: (post) => post.interactions ?? undefined,
  impressions: (post) => post.impressions ?? undefined,
  rate: (post) => post.rate?.value,
  sure: (post) => post.rate?.low,
  lowest: (post) => (post.rate ? -post.rate.high : undefined),
}

/**
 * Posts in an order. The orders that are sure go by the near end of the 95 % interval, so that a post with few
 * impressions does not win by luck.
 *
 * @example orderPosts(posts, 'sure')[0]
 */
export function orderPosts<T extends Orderable>(posts: readonly T[], order: string): T[] {
  const key = KEYS[order] ?? KEYS.newest!
  return [...posts].sort((a, b) => (key(b) ?? -Infinity) - (key(a) ?? -Infinity))
}
