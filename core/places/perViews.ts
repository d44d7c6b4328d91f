import { countInterval } from '../statistics/countInterval'

/** What a rate is of: so many listing views. */
export const PER_VIEWS = 1000

/**
 * How many actions there were for every 1,000 listing views, with how far chance alone may carry that at 95 %: the
 * interval of a Poisson count over the views. It can lie above 1,000, since one person can do several things.
 *
 * @param actions  (≥ 0)
 * @param views    (> 0)
 * @throws         RangeError when nothing was viewed
 * @example perViews(100, 2000) // { value: 50, low: 41.1, high: 60.8 }
 */
export function perViews(actions: number, views: number): { value: number; low: number; high: number } {
  if (!(views > 0)) throw new RangeError(`${actions} of ${views} views is no rate`)
  const each = (count: number) => (count * PER_VIEWS) / views
  const { low, high } = countInterval(actions)
  return { value: each(actions), low: each(Math.max(0, low)), high: each(high) }
}
