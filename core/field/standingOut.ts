import { discoveries } from '../statistics/discoveries'
import { median, quantile } from '../statistics/median'
import { normalQuantile } from '../statistics/normalQuantile'
import { changePoint } from '../statistics/changePoint'
import { weeklyGrowth } from './growth'
import { sizeClassOf } from './sizeClasses'

/** A member is set beside others of its size where there are so many of them; beside all others elsewhere. */
const LEAST_OTHERS = 3
/** Of how many weeks growth has to be known. */
const LEAST_WEEKS = 13
/** How much of what is said to stand out may be chance. */
const CHANCE = 0.1

/** No score is larger: weeks that are all alike have no spread. */
const SUREST = 40

/** A member of a field with its size and its growth week by week, on the scale of logarithms. */
export interface Growing {
  followers?: number
  growths: readonly (number | undefined)[]
}

/** How a member grows beside others. */
export interface StandingOut {
  /** Whether it grows faster, or more slowly, than three quarters of the others, by more than chance explains. */
  is: 'faster' | 'slower' | 'alike'
  /** How many others, and whether they are of its size or the whole field. */
  others: number
  ofSize: boolean
  /** The middle of their mean growth in a week, on the scale of logarithms. */
  middle: number
}

/** From when on a member grows otherwise than before. */
export interface GrowthTurn {
  /** The place of the first week of the new pace. */
  week: number
  /** The median growth of a week before and from then on, on the scale of logarithms. */
  before: number
  after: number
}

/**
 * How each member grows beside the others of its size, or beside all where its size has fewer than three others: it
 * stands out where its pace lies beyond the quarter of the others that grows fastest, or slowest, by more than its own
 * weeks explain, and over all members so that of ten said to stand out one is chance at the most (Benjamini & Hochberg).
 * Weeks are taken as independent.
 *
 * @returns of each member in its place; undefined where fewer than 13 weeks are known, or no three others
 * @example standingOut(members)[2] // { is: 'faster', others: 3, ofSize: true, middle: 0.002 }
 */
export function standingOut(members: readonly Growing[]): (StandingOut | undefined)[] {
  const paces = members.map(({ growths }) => {
    const pace = weeklyGrowth(growths)
    return pace && pace.weeks >= LEAST_WEEKS ? pace : undefined
  })
  const judged = members.map(({ followers }, index) => {
    const pace = paces[index]
    if (!pace) return undefined
    const others = members.flatMap((other, place) =>
      place !== index && paces[place] ? [{ ...other, mean: paces[place].mean }] : [],
    )
    const near = others.filter(
      (other) =>
        followers !== undefined &&
        other.followers !== undefined &&
        sizeClassOf(other.followers) === sizeClassOf(followers),
    )
    const ofSize = near.length >= LEAST_OTHERS
    const means = (ofSize ? near : others).map(({ mean }) => mean)
    if (means.length < LEAST_OTHERS) return undefined
    const sure = pace.spread / Math.sqrt(pace.weeks)
    const beyond = Math.max(pace.mean - quantile(means, 0.75)!, quantile(means, 0.25)! - pace.mean)
    return {
      score: beyond > 0 ? Math.min(SUREST, beyond / sure) : 0,
      is: pace.mean > quantile(means, 0.5)! ? ('faster' as const) : ('slower' as const),
      others: means.length,
      ofSize,
      middle: quantile(means, 0.5)!,
    }
  })
  // either side is a find, so each has half of the chance
  const found = discoveries(
    judged.map((one) => one?.score ?? 0),
    CHANCE / 2,
  )
  return judged.map((one, index) => {
    if (!one) return undefined
    const { score: _, is, ...beside } = one
    return { is: found[index] ? is : 'alike', ...beside }
  })
}

/** A chance as a score, however small or large it is. */
const scoreOf = (chance: number): number => normalQuantile(1 - Math.min(1 - 1e-12, Math.max(1e-12, chance)))

/**
 * Since when each member grows otherwise, where that is clear: its one change point (Pettitt), over all members so that
 * of ten dates one is chance at the most.
 *
 * @returns of each member in its place; undefined where its pace has not changed, or is known of fewer than sixteen weeks
 * @example growthTurns([[...Array(30).fill(0.001), ...Array(12).fill(0.01)]]) // [{ week: 30, before: 0.001, after: 0.01 }]
 */
export function growthTurns(all: readonly (readonly (number | undefined)[])[]): (GrowthTurn | undefined)[] {
  const tried = all.map((growths) => {
    const weeks = growths.flatMap((growth, week) => (growth === undefined ? [] : [{ growth, week }]))
    return { weeks, found: changePoint(weeks.map(({ growth }) => growth)) }
  })
  const isFound = discoveries(
    tried.map(({ found }) => (found ? scoreOf(found.chance) : -SUREST)),
    CHANCE,
  )
  return tried.map(({ weeks, found }, index) => {
    if (!found || !isFound[index]) return undefined
    const middle = (some: typeof weeks) => median(some.map(({ growth }) => growth))!
    return {
      week: weeks[found.at]!.week,
      before: middle(weeks.slice(0, found.at)),
      after: middle(weeks.slice(found.at)),
    }
  })
}
