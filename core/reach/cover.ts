import { dayFromNumber } from '../days/day'
import type { Calculator, Working } from '../figures/working'
import type { UniqueMetric } from '../metrics/metric'
import { metricById } from '../metrics/catalogue'
import { describeDay, describePeriodShort } from '../periods/describePeriod'
import type { DenseDays } from '../rollup/denseDays'

/** How many different people a network counted in windows of 1, 7 and 28 days that end on a day, by the day's number; NaN where it did not. */
export interface PeopleWindows {
  one: (day: number) => number
  seven: (day: number) => number
  twentyEight: (day: number) => number
  /** What no day's number of people can exceed: its impressions or visits. */
  ceiling: (day: number) => number
  /** What people and ceiling are called in workings. */
  names: { people: string; ceiling: string }
}

/** The windows of one metric of people at a profile. */
export function peopleWindows(metric: UniqueMetric, days: DenseDays): PeopleWindows {
  const reader = (values: Float64Array | undefined) => (day: number) => values?.[day - days.first] ?? Number.NaN
  const { 1: one, 7: seven, 28: twentyEight } = metric.windows
  return {
    one: reader(days.columns[one]), seven: reader(days.columns[seven]), twentyEight: reader(days.columns[twentyEight]), ceiling: reader(days.columns[metric.ceiling]),
    names: { people: metric.name, ceiling: metricById(metric.ceiling).name },
  }
}

/** A window that covers days: its length, the number of its last day, and how many people it adds at the most. */
export interface Tile {
  length: 1 | 7 | 28
  end: number
  people: number
}

/** How many people there were on one day at the most: as the network says, and no more than what was shown. */
export function dayCost({ one, ceiling }: PeopleWindows, day: number): number {
  const [people, shown] = [one(day), ceiling(day)]
  if (people !== people) return shown === shown ? shown : Infinity
  return shown < people ? shown : people
}

/**
 * The windows that cover some days with the fewest people added up, or undefined when a day is covered by none. Whoever was there on one of the days
 * was in one of the windows, so the people of all windows added are no fewer than the people of the days, whether or not the windows overlap each
 * other or reach over the ends. Found as a shortest path over the days: each step takes one window.
 *
 * @param from   the number of the first day
 * @param length how many days from there
 * @param needs  whether the day at a place has to be covered; every day where it is left out
 */
export function cheapestCover(windows: PeopleWindows, from: number, length: number, needs?: Uint8Array): Tile[] | undefined {
  // cost[k]: the fewest people added that cover the first k days
  const cost = new Float64Array(length + 1)
  const taken: (Tile | undefined)[] = []
  for (let covered = 1; covered <= length; covered++) {
    if (needs && !needs[covered - 1]) {
      cost[covered] = cost[covered - 1]!
      continue
    }
    const day = from + covered - 1
    let tile: Tile = { length: 1, end: day, people: dayCost(windows, day) }
    let best = tile.people + cost[covered - 1]!
    const look = (size: 7 | 28, peopleAt: (day: number) => number) => {
      for (let end = day; end < day + size; end++) {
        const people = peopleAt(end)
        const total = people + cost[Math.max(0, end - size + 1 - from)]!
        if (total < best) {
          best = total
          tile = { length: size, end, people }
        }
      }
    }
    look(7, windows.seven)
    look(28, windows.twentyEight)
    cost[covered] = best
    taken[covered] = tile
  }
  if (cost[length] === Infinity) return undefined
  const tiles: Tile[] = []
  for (let covered = length; covered > 0;) {
    const tile = needs && !needs[covered - 1] ? undefined : taken[covered]!
    if (tile) tiles.push(tile)
    covered = tile ? Math.max(0, tile.end - tile.length + 1 - from) : covered - 1
  }
  return tiles.reverse()
}

/**
 * For each number of days next to an edge, the tiles that cover them with the fewest people: entry k covers the k days that lie outside the edge.
 *
 * @param edge      the number of the last day that is not to be covered
 * @param direction 1 for the days after it, −1 for the days before it
 * @param most      for how many days at the most
 */
export function coversBeside(windows: PeopleWindows, edge: number, direction: 1 | -1, most: number): { people: number; tiles: Tile[] }[] {
  const covers: { people: number; tiles: Tile[] }[] = [{ people: 0, tiles: [] }]
  for (let away = 1; away <= most; away++) {
    const day = edge + direction * away
    let tile: Tile = { length: 1, end: day, people: dayCost(windows, day) }
    let rest = covers[away - 1]!
    const look = (size: 7 | 28, peopleAt: (day: number) => number) => {
      for (let end = day; end < day + size; end++) {
        const people = peopleAt(end)
        const near = direction > 0 ? end - size + 1 : end
        const other = covers[Math.max(0, (near - edge) * direction - 1)]!
        if (people + other.people < tile.people + rest.people) [tile, rest] = [{ length: size, end, people }, other]
      }
    }
    look(7, windows.seven)
    look(28, windows.twentyEight)
    covers.push({ people: tile.people + rest.people, tiles: [...rest.tiles, tile] })
  }
  return covers
}

/** The sum of some tiles; single days that follow each other are said in one. */
export function tilesAdded(calc: Calculator, label: string, tiles: readonly Tile[], { names }: PeopleWindows): Working {
  const operands: Working[] = []
  const word = names.people.toLowerCase()
  const sorted = [...tiles].sort((a, b) => a.end - b.end)
  for (let index = 0; index < sorted.length; index++) {
    const { length, end } = sorted[index]!
    if (length > 1) {
      operands.push(calc.given(`${length}-day ${word} up to ${describeDay(dayFromNumber(end))}`, sorted[index]!.people))
      continue
    }
    let people = sorted[index]!.people
    while (sorted[index + 1]?.length === 1 && sorted[index + 1]!.end === sorted[index]!.end + 1) people += sorted[++index]!.people
    const last = sorted[index]!.end
    operands.push(calc.given(last === end ? `Daily ${word}, ${describeDay(dayFromNumber(end))}` : `Daily ${word}, ${describePeriodShort({ from: dayFromNumber(end), to: dayFromNumber(last) })}, added`, people))
  }
  return calc.step(label, 'sum', operands)
}
