import type { Breakdown } from '../../core/breakdowns/breakdowns'
import type { Day } from '../../core/days/day'
import type { TimesBounds } from '../../core/breakdowns/timesBounds'

/** A breakdown of a scope, as far as its networks give it. */
export interface BreakdownView {
  breakdown: string
  kind: Breakdown['kind']
  /** Of levels: the day of the newest snapshot. */
  asOf?: Day
  rows: PartFigure[]
  times: TimesOfProfile[]
  /** Days with data, of those that could have it, over all profiles that give it. */
  present: number
  expected: number
  profiles: string[]
  /** Profiles whose network does not give it. */
  without: number
  /** What its changes rest on, or why there are none, in a sentence; absent where they rest on every day. */
  compared?: string
  /** What the networks keep back, in a sentence. */
  withheld?: string
}

/** One part of a breakdown over a period. */
export interface PartFigure {
  part: string
  name: string
  /** The sum over days and profiles; absent for people, who are not added. */
  value?: number
  /** Of people: the largest single day of a profile, and all days and profiles added. */
  low?: number
  high?: number
  /** The part of all parts, where they add up; of an hour, of all followers. */
  share?: number
  /** Of an hour: the part of the fullest one. */
  ofFullest?: number
  /** The change over the days that both periods have. */
  from?: number
  to?: number
  /** Chance alone may be all of that change; absent of levels, which are counted without chance. */
  isUnclear?: true
}

/** How many people saw something how often, on one profile, in the days that end the period. */
export interface TimesOfProfile {
  profile: number
  name: string
  windowDays: number
  /** Of the window's last day, which is the period's last. */
  counts: { part: string; name: string; people: number; share: number }[]
  people: number
  bounds: TimesBounds
  /** Impressions in the window divided by the people; absent when a day of impressions is missing. */
  frequency?: number
  /** Whether the frequency can be the mean of these counts. */
  fits?: boolean
}

/** The breakdowns that a scope has, and one of them. */
export interface BreakdownChoice {
  breakdowns: string[]
  view: BreakdownView | null
}
