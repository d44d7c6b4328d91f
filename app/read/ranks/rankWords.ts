import { oneDecimal } from '~~/core/format/numbers'
import { RANK_KINDS, type RankKind } from '~~/core/ranks/found'
import type { Lead } from '~~/core/ranks/leadsUpTo'
import { DEPTH, moveOf, type MiddleRank, type Rank } from '~~/core/ranks/rankFigures'
import { rhythmById } from '~~/core/ranks/rankRhythm'
import type { RankCheck, RankPoint, RankRow, RankView, RankWatch } from '~~/shared/read/ranks'

/** A rank where there is little room: a number, or a dash for what is not among the first 20. */
export const rankMark = (rank: Rank | undefined): string => (rank === undefined ? '' : (rank?.toString() ?? '–'))

/** A rank in words. */
export const rankWords = (rank: Rank): string => rank?.toString() ?? `not among the first ${DEPTH}`

/**
 * A middle of ranks in words; where it is known on one side alone, both sides.
 *
 * @example middleWords({ low: 18, high: null }, 'en-GB') // '18 or lower'
 */
export function middleWords({ low, high }: MiddleRank, locale: string): string {
  if (low === null) return `beyond ${DEPTH}`
  return high === null ? `${low} or lower` : oneDecimal(low, locale).replace(/[.,]0$/, '')
}

/** Where the results stand, in words. */
export const kindWords = (kind: RankKind): string => RANK_KINDS.find(({ id }) => id === kind)!.name

/** What is looked for, in one line. */
export const watchWords = ({ keyword, place, kind }: Pick<RankWatch, 'keyword' | 'place' | 'kind'>): string =>
  `“${keyword}” ${kindWords(kind)}, ${place.name}`

/** From where and how often it is looked at. */
export function gridWords({ grid, points, rhythm }: Pick<RankWatch, 'grid' | 'points' | 'rhythm'>): string {
  const from =
    grid.shape === 'point'
      ? 'at its door'
      : `from ${points} points, ${grid.spacing.toLocaleString('en')} m apart, as ${grid.shape === 'square' ? 'squares' : 'hexagons'}`
  return `${from}, ${rhythmById(rhythm).name}`
}

/** What parts two periods, in words: never more than the ranks bear. */
export function verdictWords({ now, before, chance }: Pick<RankRow, 'now' | 'before' | 'chance'>): string {
  if (!before) return ''
  if (chance === undefined) return now.checks === 0 || before.checks === 0 ? 'not compared' : 'too few checks to say'
  return chance < 0.05 ? 'a clear change' : 'within its usual wobble'
}

/** How far a place leads, in words. */
export function leadWords(lead: Lead | undefined, locale: string): string {
  if (!lead) return '—'
  if (lead.km === 0) return 'nowhere'
  return lead.isBeyond ? `${oneDecimal(lead.km, locale)} km and beyond` : `≈ ${oneDecimal(lead.km, locale)} km`
}

/** A point in words, as whoever does not see the map hears it. */
export function pointWords(point: RankPoint, locale: string): string {
  const where = point.km < 0.001 ? 'at its door' : `${oneDecimal(point.km, locale)} km ${point.wind}`
  return `Point ${point.number}, ${where}: ${rankWords(point.rank)}`
}

/** How a number of points differs from before, and whether that is more than usual. */
export function differenceWords(now: number, before: number, usual: number | undefined): string {
  if (now === before) return `as before`
  const said = `${now > before ? 'up' : 'down'} from ${before}`
  if (usual === undefined) return `${said}; too few checks to say what is usual`
  return Math.abs(now - before) > usual ? `${said}, more than usual` : `${said}, as usual`
}

/** How a point has moved since before: towards the top is more than zero; undefined where nothing is known of it. */
export const movedAt = (now: RankCheck, before: RankCheck | undefined, index: number) =>
  before ? moveOf(before.points[index]?.rank ?? null, now.points[index]!.rank) : undefined

/** What the move of a point is, beside what is usual. */
export function moveWords(view: Pick<RankView, 'now' | 'before' | 'usual'>, index: number): string {
  const { now, before, usual } = view
  if (!now || !before) return ''
  const past = before.points[index]?.rank ?? null
  const move = movedAt(now, before, index)
  if (!move) return `It was not among the first ${DEPTH} either.`
  if (move.places === 0) return 'It stood there before, too.'
  const said = `It was ${rankWords(past)} before.`
  if (usual.move === undefined) return `${said} Too few checks came before to say what is usual.`
  const far = oneDecimal(usual.move, 'en').replace(/\.0$/, '')
  return Math.abs(move.places) > usual.move
    ? `${said} From one check to the next a point here moves by up to ${far}, so this is more than wobble.`
    : `${said} From one check to the next a point here moves by up to ${far}: that is its usual wobble.`
}
