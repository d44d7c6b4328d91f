import { array, number, object, string, type InferType } from 'yup'
import { RANK_KINDS, type RankKind } from '../../core/ranks/found'
import { GRID_SHAPES, gridSize, MOST_RINGS, type GridShape, type RankGrid } from '../../core/ranks/rankGrid'
import type { MiddleRank, Rank } from '../../core/ranks/rankFigures'
import type { Lead } from '../../core/ranks/leadsUpTo'
import { RHYTHMS, type Rhythm } from '../../core/ranks/rankRhythm'
import type { Day } from '../../core/days/day'
import { text } from '../platform/text'

/** How far apart the points of a grid can be, in metres. */
export const [LEAST_SPACING, MOST_SPACING] = [100, 10_000]

const whole = (words: string, least: number, most: number) =>
  number().typeError(words).integer(words).min(least, words).max(most, words)

const rhythmField = () =>
  string<Rhythm>()
    .oneOf(
      RHYTHMS.map(({ id }) => id),
      'Choose how often from the list.',
    )
    .required('Say how often.')
export const rhythmSchema = object({ rhythm: rhythmField() })

/** What somebody wants to have looked for. */
export const rankWatchSchema = object({
  place: whole('Choose a place.', 1, 4_294_967_295).required('Choose a place.'),
  keyword: text().required('Write what people search for.').max(80, 'Keep the keyword under 80 letters.'),
  kind: string<RankKind>()
    .oneOf(
      RANK_KINDS.map(({ id }) => id),
      'Results stand on the map, among pages, or among pages on telephones.',
    )
    .required('Say where the results stand.'),
  rhythm: rhythmField(),
  shape: string<GridShape>().oneOf(GRID_SHAPES, 'Choose a shape from the list.').default('point'),
  spacing: whole(
    `Points are ${LEAST_SPACING} to ${MOST_SPACING.toLocaleString('en')} metres apart.`,
    LEAST_SPACING,
    MOST_SPACING,
  ).default(500),
  rings: whole(`There are ${MOST_RINGS} rings at the most.`, 0, MOST_RINGS).default(0),
}).test(function test({ shape, rings }) {
  return shape !== 'point' && rings === 0
    ? this.createError({ path: 'rings', message: 'A grid around the place has one ring at the least.' })
    : true
})
export type RankWatchInput = InferType<typeof rankWatchSchema>

/** What a check has found, as it is kept. */
export const foundSchema = object({
  listings: array(
    object({
      id: string().required().max(300),
      name: string().required().max(200),
      lat: number().required(),
      lon: number().required(),
    }).required(),
  ).required(),
  points: array(array(number().integer().min(0).required()).required()).required(),
})

/** The grid of what somebody wants; of the place alone there is no ring. */
export const gridOf = ({ shape, spacing, rings }: Pick<RankWatchInput, 'shape' | 'spacing' | 'rings'>): RankGrid => ({
  shape,
  spacing,
  rings: shape === 'point' ? 0 : rings,
})
export const pointsOf = (input: Pick<RankWatchInput, 'shape' | 'spacing' | 'rings'>): number => gridSize(gridOf(input))

/** Something that is looked for. */
export interface RankWatch {
  id: number
  place: { id: number; name: string }
  keyword: string
  kind: RankKind
  rhythm: Rhythm
  grid: RankGrid
  /** How many points a check takes. */
  points: number
  /** When it was checked last and when it will be again. */
  last: Day | null
  next: Day | null
}

/** How the ranks at the place itself were over some days. */
export interface RanksOver {
  checks: number
  /** How many of them among the first three. */
  first: number
  middle?: MiddleRank
  best?: Rank
  worst?: Rank
}

/** Something that is looked for, with how it stood in the period and in the one before. */
export interface RankRow extends RankWatch {
  /** The last check of the period, at the place itself. */
  here?: { day: Day; rank: Rank }
  now: RanksOver
  before?: RanksOver
  /** How often chance alone would part the two as far; absent where either has fewer than four checks. */
  chance?: number
}
export interface RanksView {
  rows: RankRow[]
}

/** What the agency may ask for in a month, and how far it goes. */
export interface RankAllowance {
  today: Day
  limit: number
  used: number
  /** What is still to come this month at the rhythms that are chosen. */
  toCome: number
  /** The day on which it will not be enough; null where it is. */
  runsOutOn: Day | null
}

/** A point of a grid, with who stands there: the first one first, as places in the list of listings. */
export interface RankPoint {
  number: number
  lat: number
  lon: number
  /** How far it is from the place and in which direction. */
  km: number
  wind: string
  rank: Rank
  found: number[]
}
/** A check as it is drawn. */
export interface RankCheck {
  day: Day
  points: RankPoint[]
  listings: { name: string; lat: number; lon: number; isOwn: boolean }[]
  lead?: Lead
  middle: MiddleRank
  first: number
}

/** How somebody stands over all points, at both dates. */
export interface RankStanding {
  name: string
  isOwn: boolean
  first: number
  middle: MiddleRank
  /** Absent where there is nothing to compare with. */
  before?: { first: number; middle: MiddleRank }
}

/** One of what is looked for: its last check in the period beside the last one of the comparison, and all checks. */
export interface RankView {
  watch: RankWatch
  /** What each point stands for, in square kilometres. */
  area: number
  now?: RankCheck
  before?: RankCheck
  standings: RankStanding[]
  /** How far a point, and how many points in the first three, usually differ from one check to the next. */
  usual: { move?: number; first?: number; checks: number }
  lines: { day: Day; here: Rank; first: number }[]
}
