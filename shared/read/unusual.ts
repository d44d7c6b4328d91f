import type { Cause } from '../../core/unusual/causes'
import type { CauseOverMetrics } from '../../core/unusual/overMetrics'

/** An unusual day as editions froze it before days were put together by their cause. */
interface SingleDay {
  day: string
  profile: number
  name: string
  value: number
  usual: number
  score: number
  isSmall: boolean
  posts: UnusualFinding['posts']
  explainedBy: UnusualFinding['explainedBy']
}

/**
 * A cause of unusual days, whichever way it was frozen: an edition is drawn as it was issued.
 *
 * @example causeOf({ day: '2026-10-11', profile: 4, name: 'Films, Lantern', … }).from // '2026-10-11'
 */
export function causeOf(given: UnusualFinding | SingleDay): UnusualFinding {
  if (!('day' in given)) return given
  const { day, profile, name, value, usual, ...rest } = given
  return {
    ...rest,
    value,
    usual,
    from: day,
    to: day,
    direction: given.score > 0 ? 'up' : 'down',
    profiles: [{ profile, name, days: 1, value, usual }],
  }
}

/**
 * One cause of unusual days: on which days, on which profiles, what was posted then, and whether somebody has said why.
 */
export interface UnusualFinding extends Pick<Cause, 'from' | 'to' | 'direction' | 'score' | 'isSmall'> {
  /** Over its days and profiles together. */
  value: number
  usual: number
  profiles: { profile: number; name: string; days: number; value: number; usual: number }[]
  posts: { text: string; format: string }[]
  explainedBy: { number: number; title: string } | null
}

/**
 * Days that were unusual in one metric or in several at once, with what was posted then and whether somebody has said
 * why.
 */
export type OddDays = CauseOverMetrics<UnusualFinding & { metric: string }> &
  Pick<UnusualFinding, 'posts' | 'explainedBy'>
