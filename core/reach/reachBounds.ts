import { dayFromNumber, dayNumber } from '../days/day'
import type { Calculator, Working } from '../figures/working'
import { describeDay } from '../periods/describePeriod'
import { lengthOf, type Period } from '../periods/period'
import { WINDOW_REACH_DAYS } from '../rollup/aggregate'
import type { DayMask } from '../rollup/daysWith'
import { cheapestCover, coversBeside, tilesAdded, type PeopleWindows, type Tile } from './cover'

/** What is known of the number of different people over some days: the number itself, or bounds. */
export interface ReachBounds {
  exact?: Working
  low: Working
  /** Absent when nothing bounds the reach from above. */
  high?: Working
}

/**
 * The reach of one profile over days, from every window that touches them.
 *
 * Write R(A) for the number of different people on a set of days A. Two things hold for every set of people, whatever
 * their habits: R(A) ≤ R(B) where A is part of B, and R(A ∪ B) ≤ R(A) + R(B). From them follow the bounds:
 *
 * - *exact* when a window of 1, 7 or 28 days is the very days asked for;
 * - *at most*: any windows that cover the days, added (they may overlap, and reach over the ends); the cheapest cover
 * is a shortest path over the days.
 *   A day whose reach is not known counts with its impressions;
 * - *at least*: a window W that lies inside the days; or one that reaches over them, less what the days outside can
 * have brought: from
 *   R(W) ≤ R(W ∩ days) + R(W outside) follows R(days) ≥ R(W) − cheapest cover of W outside.
 *
 * Nothing is taken from differences of windows that both reach over an end (which would hold too, people being counted
 * once): networks round their windows, and a difference of two large rounded numbers has an error as large as itself.
 *
 * @param period  the period; `mask` leaves some of its days out
 * @returns       undefined when the network gives nothing for any of the days
 * @example       reachBounds(calculator(false), peopleWindows(metric, days), { from: '2026-10-01', to: '2026-10-31' })
 */
export function reachBounds(
  calc: Calculator,
  windows: PeopleWindows,
  period: Period,
  mask?: DayMask,
): ReachBounds | undefined {
  const start = dayNumber(period.from)
  const firstIndex = mask ? mask.indexOf(1) : 0
  if (firstIndex < 0) return undefined
  const lastIndex = mask ? mask.lastIndexOf(1) : lengthOf(period) - 1
  const days: Days = {
    first: start + firstIndex,
    last: start + lastIndex,
    needs: holes(mask?.subarray(firstIndex, lastIndex + 1)),
  }
  if (!hasWindow(windows, days)) return undefined
  const exact = days.needs ? undefined : exactWindow(calc, windows, days)
  if (exact) return { exact, low: exact, high: exact }
  const low = atLeast(calc, windows, days)
  const tiles = cheapestCover(windows, days.first, days.last - days.first + 1, days.needs)
  if (!tiles) return { low }
  const high = tilesAdded(calc, 'At most: windows that cover the days, added', tiles, windows)
  return {
    low,
    high:
      high.value < low.value
        ? calc.step('At most; the windows of the network contradict each other', 'largest', [low, high])
        : high,
  }
}

/** From the first to the last day that counts, by number; `needs` is there where days between them do not count. */
interface Days {
  first: number
  last: number
  needs?: Uint8Array
}

const holes = (mask: DayMask | undefined): Uint8Array | undefined => (mask?.includes(0) ? mask : undefined)

const counts = ({ first, needs }: Days, day: number): boolean => !needs || needs[day - first] === 1

function hasWindow({ first, one, seven, twentyEight }: PeopleWindows, days: Days): boolean {
  for (let day = days.first; day <= days.last; day++) {
    const index = day - first
    if (counts(days, day) && (one[index]! >= 0 || seven[index]! >= 0 || twentyEight[index]! >= 0)) return true
  }
  return false
}

function exactWindow(calc: Calculator, windows: PeopleWindows, { first, last }: Days): Working | undefined {
  const length = last - first + 1
  const values =
    length === 1 ? windows.one : length === 7 ? windows.seven : length === 28 ? windows.twentyEight : undefined
  const people = values?.[last - windows.first] ?? Number.NaN
  const word = windows.names.people.toLowerCase()
  return people >= 0 ? calc.given(length === 1 ? `Daily ${word}` : `${length}-day ${word}`, people) : undefined
}

/** A window and what has to be taken from it. */
interface Candidate {
  size: 1 | 7 | 28
  end: number
  people: number
  outside: () => Tile[]
  isInside: boolean
  least: number
}

function atLeast(calc: Calculator, windows: PeopleWindows, days: Days): Working {
  const before = coversBeside(windows, days.first, -1, WINDOW_REACH_DAYS)
  const after = coversBeside(windows, days.last, 1, WINDOW_REACH_DAYS)
  const between = coveredHoles(windows, days)
  const inside: Candidate[] = []
  let over: Candidate | undefined
  const look = (size: 1 | 7 | 28, values: Float64Array) => {
    let best: Candidate | undefined
    let [most, mostOver] = [0, over?.least ?? 0]
    // the holes that a window touches follow each other, and move on with it
    let [hole, nextHole] = [0, 0]
    const consider = (index: number) => {
      const people = values[index]!
      // no more people than the window itself counts can be left of it: most windows are put aside by this alone
      if (!(people > most || people > mostOver)) return
      const end = index + windows.first
      const from = end - size + 1
      while (hole < between.length && between[hole]!.last < from) hole++
      while (nextHole < between.length && between[nextHole]!.first <= end) nextHole++
      const isInside = from >= days.first && end <= days.last && hole >= nextHole
      if (!(people > (isInside ? most : mostOver)) || (size === 1 && !counts(days, end))) return
      const [left, right] = [Math.max(0, days.first - from), Math.max(0, end - days.last)]
      let least = people - before.people[left]! - after.people[right]!
      for (let each = hole; each < nextHole; each++) least -= between[each]!.people
      if (!(least > (isInside ? most : mostOver))) return
      const holed = between.slice(hole, nextHole)
      const candidate: Candidate = {
        size,
        end,
        people,
        least,
        isInside,
        outside: () => [...before.tiles(left), ...holed.flatMap(({ tiles }) => tiles), ...after.tiles(right)],
      }
      if (isInside) [best, most] = [candidate, least]
      else [over, mostOver] = [candidate, least]
    }
    const first = Math.max(0, days.first - windows.first)
    const last = Math.min(days.last + size - 1 - windows.first, values.length - 1)
    // the windows that lie between the ends: where no day between them is left out, the largest is the one
    const [firstWithin, lastWithin] = [first + size - 1, Math.min(days.last - windows.first, last)]
    for (let index = first; index < Math.min(firstWithin, last + 1); index++) consider(index)
    if (between.length > 0) for (let index = firstWithin; index <= lastWithin; index++) consider(index)
    else if (lastWithin >= firstWithin) consider(indexOfLargest(values, firstWithin, lastWithin))
    for (let index = Math.max(firstWithin, lastWithin + 1); index <= last; index++) consider(index)
    if (best) inside.push(best)
  }
  look(1, windows.one)
  look(7, windows.seven)
  look(28, windows.twentyEight)
  const found = [...inside, ...(over ? [over] : [])]
  return found.length === 0
    ? calc.given('Nothing bounds it from below', 0)
    : calc.step(
        'At least',
        'largest',
        found.map((candidate) => candidateWorking(calc, windows, candidate)),
      )
}

/** Where the first of the largest values stands; where there is none, the first place. */
function indexOfLargest(values: Float64Array, first: number, last: number): number {
  let found = first
  let largest = -Infinity
  for (let index = first; index <= last; index++) {
    if (!(values[index]! > largest)) continue
    largest = values[index]!
    found = index
  }
  return found
}

function candidateWorking(
  calc: Calculator,
  windows: PeopleWindows,
  { size, end, people, outside, isInside }: Candidate,
): Working {
  const word = windows.names.people.toLowerCase()
  const window = calc.given(
    size === 1
      ? `Largest daily ${word}, ${describeDay(dayFromNumber(end))}`
      : `${isInside ? 'Largest ' : ''}${size}-day ${word} up to ${describeDay(dayFromNumber(end))}`,
    people,
  )
  return isInside
    ? window
    : calc.step('A longer window, less what its other days can have brought', 'difference', [
        window,
        tilesAdded(calc, 'Days outside, at most', outside(), windows),
      ])
}

interface Hole {
  first: number
  last: number
  people: number
  tiles: Tile[]
}

/** The runs of days between the first and the last that do not count, each with its cheapest cover. */
function coveredHoles(windows: PeopleWindows, { first, needs }: Days): Hole[] {
  const runs: Hole[] = []
  for (let index = 0; needs && index < needs.length; index++) {
    if (needs[index]) continue
    const from = index
    while (!needs[index + 1]) index++
    const tiles = cheapestCover(windows, first + from, index - from + 1)
    runs.push({
      first: first + from,
      last: first + index,
      tiles: tiles ?? [],
      people: tiles ? tiles.reduce((sum, { people }) => sum + people, 0) : Infinity,
    })
  }
  return runs
}
