import type { Calculator, Working } from '../figures/working'
import { WINDOW_DAYS } from '../metrics/metric'
import type { ReachWindows } from '../rollup/aggregate'

/** What is known of the number of different people over a period: the number itself, or bounds. */
export interface ReachBounds {
  exact?: Working
  low: Working
  /** Absent when nothing bounds the reach from above. */
  high?: Working
}

/**
 * The reach of one profile over a period, from the windows that its network gives.
 *
 * Exact when a window of exactly the period's length ends on its last day. Otherwise bounded: from below by the largest window inside the
 * period, from above by the cheapest tiling of the period with windows and by the impressions of the period, whichever is smaller.
 *
 * @param windows      the windows of the period
 * @param impressions  impressions of every day of the period, or undefined when a day is missing
 * @returns            undefined when there is no window inside the period
 * @example            reachBounds(calculator(false), windows, 41_000)
 */
export function reachBounds(calc: Calculator, windows: ReachWindows, impressions: number | undefined): ReachBounds | undefined {
  const exact = exactWindow(calc, windows)
  if (exact) return { exact, low: exact, high: exact }
  const largest = WINDOW_DAYS.filter((days) => windows.largest[days] !== undefined)
  if (largest.length === 0) return undefined
  const low = calc.step('At least: the largest window inside the period', 'largest', largest.map((days) =>
    calc.given(days === 1 ? 'Largest daily reach' : `Largest ${days}-day reach`, windows.largest[days]!)))
  const tiling = cheapestTiling(calc, windows)
  const ceilings = [...(tiling ? [tiling] : []), ...(impressions === undefined ? [] : [calc.given('Impressions of the period', impressions)])]
  if (ceilings.length === 0) return { low }
  const high = calc.step('At most', 'smallest', ceilings)
  return { low, high: high.value < low.value ? calc.step('At most; the windows of the network contradict each other', 'largest', [low, high]) : high }
}

function exactWindow(calc: Calculator, { blocks, head }: ReachWindows): Working | undefined {
  if (blocks.length === 4 && head.days === 0 && blocks[0]!.twentyEightDays !== undefined) return calc.given('28-day reach', blocks[0]!.twentyEightDays)
  if (blocks.length === 1 && head.days === 0 && blocks[0]!.sevenDays !== undefined) return calc.given('7-day reach', blocks[0]!.sevenDays)
  if (blocks.length === 0 && head.days === 1 && head.dailyCount === 1) return calc.given('Daily reach', head.dailySum)
  return undefined
}

/** The tiling of the period by windows that do not overlap whose sum is the smallest, or undefined when a day is left uncovered. */
function cheapestTiling(calc: Calculator, { blocks, head }: ReachWindows): Working | undefined {
  if (head.dailyCount < head.days) return undefined
  // best[k]: the cheapest cover of the blocks from the k-th to the oldest, with the days left over at the start
  const best: (Working[] | undefined)[] = Array.from({ length: blocks.length + 1 })
  best[blocks.length] = head.days > 0 ? [calc.given(`First ${head.days} ${head.days === 1 ? 'day' : 'days'}, day by day`, head.dailySum)] : []
  const total = (tiles: Working[]) => tiles.reduce((sum, tile) => sum + tile.value, 0)
  for (let index = blocks.length - 1; index >= 0; index--) {
    const block = blocks[index]!
    const place = blocks.length === 1 ? '' : `, week ${blocks.length - index}`
    const options: Working[][] = []
    const afterOne = best[index + 1]
    if (afterOne && block.sevenDays !== undefined) options.push([calc.given(`7-day reach${place}`, block.sevenDays), ...afterOne])
    if (afterOne && block.dailyCount === 7) options.push([calc.given(`Daily reach added${place}`, block.dailySum), ...afterOne])
    const afterFour = index + 4 <= blocks.length ? best[index + 4] : undefined
    if (afterFour && block.twentyEightDays !== undefined) {
      options.push([calc.given(`28-day reach, weeks ${blocks.length - index - 3} to ${blocks.length - index}`, block.twentyEightDays), ...afterFour])
    }
    best[index] = options.sort((a, b) => total(a) - total(b))[0]
  }
  return best[0] && calc.step('Windows that tile the period, added', 'sum', best[0])
}
