import { dayFromNumber } from '../days/day'
import type { Calculator, Working } from '../figures/working'
import type { UniqueMetric } from '../metrics/metric'
import { metricById } from '../metrics/catalogue'
import { describeDay, describePeriodShort } from '../periods/describePeriod'
import type { DenseDays } from '../rollup/denseDays'

/**
 * How many different people a network counted in windows of 1, 7 and 28 days that end on a day; entry 0 of every column
 * is the day with number `first`.
 */
export interface PeopleWindows {
  first: number
  one: Float64Array
  seven: Float64Array
  twentyEight: Float64Array
  /** What no day's number of people can exceed: its impressions or visits. */
  ceiling: Float64Array
  /** What people and ceiling are called in workings. */
  names: { people: string; ceiling: string }
}

const NOTHING = new Float64Array(0)

/** The windows of one metric of people at a profile. */
export function peopleWindows(metric: UniqueMetric, { first, columns }: DenseDays): PeopleWindows {
  const { 1: one, 7: seven, 28: twentyEight } = metric.windows
  return {
    first,
    one: columns[one] ?? NOTHING,
    seven: columns[seven] ?? NOTHING,
    twentyEight: columns[twentyEight] ?? NOTHING,
    ceiling: columns[metric.ceiling] ?? NOTHING,
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
export function dayCost({ first, one, ceiling }: PeopleWindows, day: number): number {
  const people = one[day - first] ?? Number.NaN
  const shown = ceiling[day - first] ?? Number.NaN
  if (people !== people) return shown === shown ? shown : Infinity
  return shown < people ? shown : people
}

/**
 * The cheapest way to have covered some days: what it costs, and the window that was taken last by its length and where
 * it ends in the columns. Infinity where a day is in no window.
 */
interface Covered {
  cost: Float64Array
  size: Uint8Array
  end: Int32Array
}

function noneCovered(length: number): Covered {
  return {
    cost: new Float64Array(length + 1),
    size: new Uint8Array(length + 1),
    end: new Int32Array(length + 1),
  }
}

/** Room for the cheapest cover that is being worked out: thousands are, one after the other. */
let room = noneCovered(400)

function emptyRoom(length: number): Covered {
  if (room.cost.length <= length) room = noneCovered(2 * length)
  room.size.fill(0, 0, length + 1)
  return room
}

/** Never more than the 28 windows that cover a day, and the next, stand in a queue; its places come round again. */
const ROUND = 31
const queue = () => ({ ends: new Int32Array(ROUND + 1), totals: new Float64Array(ROUND + 1) })
const QUEUES = { 7: queue(), 28: queue() }

/**
 * The cheapest window of a length that covers a day, as the days are gone through one after the other: with each day
 * one window comes into reach and one goes out of it. Those in reach stand in a queue from the cheapest to the newest;
 * one that another came after and undercuts can never be the cheapest again.
 */
class WindowsInReach {
  private readonly ends: Int32Array
  private readonly totals: Float64Array
  private front = 0
  private back = 0
  /** Where the next window ends in the column. */
  private next: number

  /**
   * @param place  where the first day stands in the column
   * @param step   1 where they are gone through forwards, −1 backwards
   */
  constructor(
    private readonly covered: Covered,
    private readonly values: Float64Array,
    private readonly length: 7 | 28,
    place: number,
    private readonly step: 1 | -1,
  ) {
    ;({ ends: this.ends, totals: this.totals } = QUEUES[length])
    // windows that reach over the edge leave no days to others
    this.next = step > 0 ? place : place + length - 1
    for (let index = 1; index < length; index++) this.add(0)
  }

  /** Takes in the window that leaves so many days to the others. */
  private add(left: number): void {
    const end = this.next
    this.next += this.step
    if (end < 0 || end >= this.values.length) return
    const total = this.values[end]! + this.covered.cost[left]!
    if (total !== total) return
    while (this.back > this.front && this.isUndercut(this.totals[(this.back - 1) & ROUND]!, total)) this.back--
    this.ends[this.back & ROUND] = end
    this.totals[this.back++ & ROUND] = total
  }

  /** Of two that cost the same the one that ends first is taken. */
  private isUndercut(older: number, newer: number): boolean {
    return this.step > 0 ? older > newer : older >= newer
  }

  /**
   * Offers the cheapest window that covers a day as the last one taken.
   *
   * @param away   the number of days that are covered with it
   * @param place  where the day stands in the column
   */
  offer(away: number, place: number): void {
    this.add(away - 1)
    while (this.front < this.back && this.isOut(this.ends[this.front & ROUND]!, place)) this.front++
    if (this.front === this.back) return
    const { cost, size, end } = this.covered
    const total = this.totals[this.front & ROUND]!
    if (!(total < cost[away]!)) return
    cost[away] = total
    size[away] = this.length
    end[away] = this.ends[this.front & ROUND]!
  }

  private isOut(end: number, place: number): boolean {
    return this.step > 0 ? end < place : end > place + this.length - 1
  }
}

/**
 * The windows that cover some days with the fewest people added up, or undefined when a day is covered by none. Whoever
 * was there on one of the days was in one of the windows, so the people of all windows added are no fewer than the
 * people of the days, whether or not the windows overlap each other or reach over the ends. Found as a shortest path
 * over the days: each step takes one window.
 *
 * @param from   the number of the first day
 * @param length how many days from there
 * @param needs  whether the day at a place has to be covered; every day where it is left out
 */
export function cheapestCover(
  windows: PeopleWindows,
  from: number,
  length: number,
  needs?: Uint8Array,
): Tile[] | undefined {
  const { first, seven, twentyEight } = windows
  const covered = emptyRoom(length)
  const { cost, size, end } = covered
  const weeks = new WindowsInReach(covered, seven, 7, from - first, 1)
  const months = new WindowsInReach(covered, twentyEight, 28, from - first, 1)
  for (let place = 1; place <= length; place++) {
    const day = from + place - 1
    const isNeeded = !needs || needs[place - 1] === 1
    cost[place] = isNeeded ? dayCost(windows, day) + cost[place - 1]! : cost[place - 1]!
    if (isNeeded) {
      size[place] = 1
      end[place] = day - first
    }
    // where a day need not be covered, no window is cheaper than leaving it out
    weeks.offer(place, day - first)
    months.offer(place, day - first)
  }
  if (cost[length] === Infinity) return undefined
  const tiles: Tile[] = []
  for (let place = length; place > 0; ) {
    if (size[place] === 0) {
      place--
      continue
    }
    const last = end[place]! + first
    const before = Math.max(0, last - size[place]! + 1 - from)
    tiles.push({ length: size[place] as Tile['length'], end: last, people: cost[place]! - cost[before]! })
    place = before
  }
  return tiles.reverse()
}

/** The cheapest covers of the days next to an edge. */
export interface CoversBeside {
  /** The fewest people that cover so many days next to the edge. */
  people: Float64Array
  /** The windows that do. */
  tiles: (days: number) => Tile[]
}

/**
 * For each number of days next to an edge, the windows that cover them with the fewest people.
 *
 * @param edge      the number of the last day that is not to be covered
 * @param direction 1 for the days after it, −1 for the days before it
 * @param most      for how many days at the most
 */
export function coversBeside(windows: PeopleWindows, edge: number, direction: 1 | -1, most: number): CoversBeside {
  const { first, seven, twentyEight } = windows
  const covered = noneCovered(most)
  const { cost, size, end } = covered
  // the days between the edge and the near end of a window are left for the others
  const offsetOf = (length: number) => (direction > 0 ? first - length - edge : edge - 1 - first)
  const weeks = new WindowsInReach(covered, seven, 7, edge + direction - first, direction)
  const months = new WindowsInReach(covered, twentyEight, 28, edge + direction - first, direction)
  for (let away = 1; away <= most; away++) {
    const day = edge + direction * away
    cost[away] = dayCost(windows, day) + cost[away - 1]!
    size[away] = 1
    end[away] = day - first
    weeks.offer(away, day - first)
    months.offer(away, day - first)
  }
  const tiles = (days: number): Tile[] => {
    if (days === 0) return []
    const before = size[days] === 1 ? days - 1 : Math.max(0, offsetOf(size[days]!) + direction * end[days]!)
    return [
      ...tiles(before),
      { length: size[days] as Tile['length'], end: end[days]! + first, people: cost[days]! - cost[before]! },
    ]
  }
  return { people: cost, tiles }
}

/** The sum of some tiles; single days that follow each other are said in one. */
export function tilesAdded(calc: Calculator, label: string, tiles: readonly Tile[], { names }: PeopleWindows): Working {
  if (!calc.explains)
    return calc.given(
      label,
      tiles.reduce((sum, { people }) => sum + people, 0),
    )
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
    while (sorted[index + 1]?.length === 1 && sorted[index + 1]!.end === sorted[index]!.end + 1)
      people += sorted[++index]!.people
    const last = sorted[index]!.end
    operands.push(
      calc.given(
        last === end
          ? `Daily ${word}, ${describeDay(dayFromNumber(end))}`
          : `Daily ${word}, ${describePeriodShort({ from: dayFromNumber(end), to: dayFromNumber(last) })}, added`,
        people,
      ),
    )
  }
  return calc.step(label, 'sum', operands)
}
