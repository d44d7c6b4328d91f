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

/** What the people and the flow that bounds them are called in workings. */
export interface ReachNames {
  one: string
  ceiling: string
}

const REACH: ReachNames = { one: 'Reach', ceiling: 'Impressions' }

/**
 * The reach of one profile over a period, from the windows that its network gives.
 *
 * Exact when a window of exactly the period's length ends on its last day. Otherwise bounded: from below by the largest window inside the
 * period, from above by the cheapest tiling of the period with windows and by the impressions of the period, whichever is smaller.
 *
 * @param windows      the windows of the period
 * @param impressions  impressions (of visitors: visits) of every day of the period, or undefined when a day is missing
 * @param names        what the workings call them
 * @returns            undefined when there is no window inside the period
 * @example            reachBounds(calculator(false), windows, 41_000)
 */
export function reachBounds(calc: Calculator, windows: ReachWindows, impressions: number | undefined, names = REACH): ReachBounds | undefined {
  const word = names.one.toLowerCase()
  const exact = exactWindow(calc, windows, word)
  if (exact) return { exact, low: exact, high: exact }
  const largest = WINDOW_DAYS.filter((days) => windows.largest[days] !== undefined)
  if (largest.length === 0) return undefined
  const low = calc.step('At least: the largest window inside the period', 'largest', largest.map((days) =>
    calc.given(days === 1 ? `Largest daily ${word}` : `Largest ${days}-day ${word}`, windows.largest[days]!)))
  const tiling = cheapestTiling(calc, windows, word)
  const ceilings = [...(tiling ? [tiling] : []), ...(impressions === undefined ? [] : [calc.given(`${names.ceiling} of the period`, impressions)])]
  if (ceilings.length === 0) return { low }
  const high = calc.step('At most', 'smallest', ceilings)
  return { low, high: high.value < low.value ? calc.step('At most; the windows of the network contradict each other', 'largest', [low, high]) : high }
}

function exactWindow(calc: Calculator, { blocks, head }: ReachWindows, word: string): Working | undefined {
  if (blocks.length === 4 && head.days === 0 && blocks[0]!.twentyEightDays !== undefined) return calc.given(`28-day ${word}`, blocks[0]!.twentyEightDays)
  if (blocks.length === 1 && head.days === 0 && blocks[0]!.sevenDays !== undefined) return calc.given(`7-day ${word}`, blocks[0]!.sevenDays)
  if (blocks.length === 0 && head.days === 1 && head.dailyCount === 1) return calc.given(`Daily ${word}`, head.dailySum)
  return undefined
}

/** A tile: a week as the network counts it, a week day by day, or four weeks as the network counts them. */
type Tile = 'week' | 'days' | 'four weeks'

/** The tiling of the period by windows that do not overlap whose sum is the smallest, or undefined when a day is left uncovered. */
function cheapestTiling(calc: Calculator, { blocks, head }: ReachWindows, word: string): Working | undefined {
  if (head.dailyCount < head.days) return undefined
  const count = blocks.length
  // cost[k]: the cheapest cover of the blocks from the k-th to the oldest, with the days left over at the start
  const cost = new Float64Array(count + 1).fill(Infinity)
  const choice: (Tile | undefined)[] = Array.from({ length: count })
  cost[count] = head.dailySum
  const take = (index: number, sum: number, tile: Tile) => {
    if (sum >= cost[index]!) return
    cost[index] = sum
    choice[index] = tile
  }
  for (let index = count - 1; index >= 0; index--) {
    const block = blocks[index]!
    if (block.sevenDays !== undefined) take(index, block.sevenDays + cost[index + 1]!, 'week')
    if (block.dailyCount === 7) take(index, block.dailySum + cost[index + 1]!, 'days')
    if (block.twentyEightDays !== undefined && index + 4 <= count) take(index, block.twentyEightDays + cost[index + 4]!, 'four weeks')
  }
  if (!Number.isFinite(cost[0]!)) return undefined
  const label = 'Windows that tile the period, added'
  return calc.explains ? calc.step(label, 'sum', tilesOf(calc, blocks, head, choice, word)) : calc.given(label, cost[0]!)
}

/** The chosen tiles by name, the newest first. Weeks are counted from the period's start. */
function tilesOf(calc: Calculator, blocks: ReachWindows['blocks'], head: ReachWindows['head'], choice: readonly (Tile | undefined)[], word: string): Working[] {
  const tiles: Working[] = []
  for (let index = 0; index < blocks.length; index += choice[index] === 'four weeks' ? 4 : 1) {
    const block = blocks[index]!
    const week = blocks.length - index
    if (choice[index] === 'four weeks') tiles.push(calc.given(`28-day ${word}, weeks ${week - 3} to ${week}`, block.twentyEightDays!))
    else if (choice[index] === 'week') tiles.push(calc.given(`7-day ${word}, week ${week}`, block.sevenDays!))
    else tiles.push(calc.given(`Daily ${word} added, week ${week}`, block.dailySum))
  }
  if (head.days > 0) tiles.push(calc.given(`First ${head.days} ${head.days === 1 ? 'day' : 'days'}, day by day`, head.dailySum))
  return tiles
}
