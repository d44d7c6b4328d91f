import type { PostMeasure } from '../datasets/datasets'
import { wilson } from '../statistics/wilson'

/** A figure that a post can have: what is counted of it, alone or for each of something else. */
export interface PostFigureKind {
  id: string
  name: string
  unit: 'count' | 'people' | 'share' | 'seconds'
  /** Flows are added over posts; people never are; a ratio is that of its sums. */
  kind: 'flow' | 'unique' | 'ratio'
  definition: string
  /** What is counted: these together, as far as they are known. */
  top: readonly PostMeasure[]
  /** Of a ratio: what it is counted for each of, and how that is said. */
  base?: { column: PostMeasure; words: string }
}

const INTERACTIONS = ['reactions', 'comments', 'shares', 'saves'] as const satisfies readonly PostMeasure[]
const flow = (id: PostMeasure, name: string, definition: string): PostFigureKind => ({
  id,
  name,
  unit: 'count',
  kind: 'flow',
  definition,
  top: [id],
})

/** Every figure of posts, those first that are asked for most. */
export const POST_FIGURE_KINDS: readonly PostFigureKind[] = [
  {
    id: 'interactions',
    name: 'Interactions',
    unit: 'count',
    kind: 'flow',
    definition: 'Reactions, comments, shares and saves, as far as its network tells them.',
    top: INTERACTIONS,
  },
  flow('impressions', 'Impressions', 'How often it was shown.'),
  {
    id: 'rate',
    name: 'Interactions for each impression',
    unit: 'share',
    kind: 'ratio',
    definition: 'Its interactions, divided by its impressions.',
    top: INTERACTIONS,
    base: { column: 'impressions', words: 'impressions' },
  },
  {
    id: 'reach',
    name: 'Reach',
    unit: 'people',
    kind: 'unique',
    definition: 'Different people who saw it. Over posts it cannot be added: one person sees several.',
    top: ['reach'],
  },
  {
    id: 'rate_by_reach',
    name: 'Interactions for each person reached',
    unit: 'share',
    kind: 'ratio',
    definition: 'Its interactions, divided by the people it reached.',
    top: INTERACTIONS,
    base: { column: 'reach', words: 'people reached' },
  },
  flow('reactions', 'Reactions', 'Reactions of any kind.'),
  flow('comments', 'Comments', 'Comments below it.'),
  flow('shares', 'Shares', 'How often it was passed on.'),
  {
    id: 'pass_on',
    name: 'Pass-on rate',
    unit: 'share',
    kind: 'ratio',
    definition: 'How often it was passed on, divided by the people it reached.',
    top: ['shares'],
    base: { column: 'reach', words: 'people reached' },
  },
  flow('saves', 'Saves', 'How often somebody has kept it.'),
  flow('clicks', 'Clicks', 'Clicks on it.'),
  {
    id: 'click_rate',
    name: 'Clicks for each impression',
    unit: 'share',
    kind: 'ratio',
    definition: 'Its clicks, divided by its impressions.',
    top: ['clicks'],
    base: { column: 'impressions', words: 'impressions' },
  },
  flow('views', 'Video views', 'How often its video was begun, as its network counts that.'),
  {
    id: 'watch_average',
    name: 'Average watch',
    unit: 'seconds',
    kind: 'ratio',
    definition: 'Seconds that it was watched, divided by its views.',
    top: ['watch_seconds'],
    base: { column: 'views', words: 'views' },
  },
  {
    id: 'watch_seconds',
    name: 'Watch time',
    unit: 'seconds',
    kind: 'flow',
    definition: 'How long it was watched by everybody together.',
    top: ['watch_seconds'],
  },
  flow('paid_impressions', 'Paid impressions', 'Those of its impressions that were paid for.'),
  flow('story_exits', 'Exits', 'Of a story: how often somebody left there.'),
  flow('story_nexts', 'On to the next', 'Of a story: how often somebody went on to the next one.'),
  flow('story_backs', 'Back', 'Of a story: how often somebody went back to the one before.'),
  flow('replies', 'Replies', 'Of a story: replies to it.'),
  {
    id: 'peak_viewers',
    name: 'Viewers at the fullest moment',
    unit: 'people',
    kind: 'unique',
    definition: 'Of a live video: how many watched when most did.',
    top: ['peak_viewers'],
  },
]

const byId = new Map(POST_FIGURE_KINDS.map((kind) => [kind.id, kind]))

/** Whether there is a figure of posts by that id. */
export const isPostFigure = (id: string): boolean => byId.has(id)

/**
 * A figure of posts by its id.
 *
 * @throws RangeError when there is none
 */
export function postFigureById(id: string): PostFigureKind {
  const kind = byId.get(id)
  if (!kind) throw new RangeError(`posts have no figure "${id}"`)
  return kind
}

/** What is counted of a post; null or absent where its network does not say. */
export type PostCounts = Partial<Record<PostMeasure, number | null>>

/** A figure of one post; a proportion with its 95 % interval (Wilson 1927). */
export interface PostValue {
  value: number
  low?: number
  high?: number
}

/**
 * A figure of a post, where both of its sides are known. A share above the whole is none: its sides count different
 * things.
 *
 * @example postValue({ shares: 3, reach: 40 }, postFigureById('pass_on')) // { value: 0.075, low: 0.026, high: 0.199 }
 */
export function postValue(post: PostCounts, { top, base, unit }: PostFigureKind): PostValue | undefined {
  let sum: number | undefined
  for (const column of top) {
    const value = post[column]
    if (value !== null && value !== undefined) sum = (sum ?? 0) + value
  }
  if (sum === undefined) return undefined
  if (!base) return { value: sum }
  const bottom = post[base.column]
  if (!bottom) return undefined
  if (unit !== 'share') return { value: sum / bottom }
  return sum > bottom ? undefined : { value: sum / bottom, ...wilson(sum, bottom) }
}

/** The interactions of a post, as far as its network tells them; null where it tells none. */
export const interactionsOf = (post: PostCounts): number | null => postValue(post, ALL_INTERACTIONS)?.value ?? null
const ALL_INTERACTIONS = postFigureById('interactions')

/** The interactions of a post for each of its impressions, with their interval; null where there is no such share. */
export function rateOf(post: PostCounts): { value: number; low: number; high: number } | null {
  const rate = postValue(post, postFigureById('rate'))
  return rate ? { value: rate.value, low: rate.low!, high: rate.high! } : null
}
