import { addDays, type Day } from '../days/day'
import { eachDay, type Period } from '../periods/period'

/**
 * The stretches of a period on which there is no data.
 *
 * @param present  the days with data, in any order
 * @example        missingRanges({ from: '2026-10-01', to: '2026-10-04' }, ['2026-10-01', '2026-10-04']) // [{ from:
 *                                 '2026-10-02', to: '2026-10-03' }]
 */
export function missingRanges(period: Period, present: readonly Day[]): Period[] {
  const known = new Set(present)
  const ranges: Period[] = []
  for (const day of eachDay(period)) {
    if (known.has(day)) continue
    const last = ranges.at(-1)
    if (last && addDays(last.to, 1) === day) last.to = day
    else ranges.push({ from: day, to: day })
  }
  return ranges
}
