import type { AgeBand, AgePoint } from '~~/core/posts/buildUp'
import { isGap } from '~~/core/posts/buildUp'

/** The ages that are written below, in hours. */
export const AGE_MARKS = [
  { hours: 1, label: '1 h' },
  { hours: 3, label: '3 h' },
  { hours: 6, label: '6 h' },
  { hours: 12, label: '12 h' },
  { hours: 24, label: '1 day' },
  { hours: 72, label: '3 days' },
  { hours: 168, label: '7 days' },
  { hours: 672, label: '28 days' },
] as const

/** Where an age stands, from 0 to 1: the first hours take more room, since most comes in then. */
export const placeOfAge = (hours: number, last: number): number => Math.log1p(hours) / Math.log1p(last)

/** What a drawing of a post's life has room for. */
export interface LifeScale {
  /** The oldest age that is shown, in hours. */
  last: number
  most: number
  width: number
  height: number
}
const at = (hours: number, value: number, { last, most, width, height }: LifeScale): string =>
  `${(placeOfAge(hours, last) * width).toFixed(1)} ${(height - (value / most) * height).toFixed(1)}`

/**
 * The strokes of a build-up: one line, broken where nobody has looked.
 *
 * @example lifeStrokes([{ hours: 0, value: 0 }, { hours: 6, value: 3 }], { last: 168, most: 3, width: 100, height: 10 })
 */
export const lifeStrokes = (points: readonly AgePoint[], scale: LifeScale): string =>
  points
    .filter(({ hours }) => hours <= scale.last)
    .map(({ hours, value }, index, all) => {
      const before = all[index - 1]
      return `${!before || isGap(before.hours, hours) ? 'M' : 'L'}${at(hours, value, scale)}`
    })
    .join('')

/** The outline of the middle half of others: up along its upper edge, and back along the lower one. */
export function bandOutline(band: readonly AgeBand[], scale: LifeScale): string {
  if (band.length === 0) return ''
  const up = band.map(({ hours, upper }) => at(hours, upper, scale))
  const down = [...band].reverse().map(({ hours, lower }) => at(hours, lower, scale))
  return `M${[...up, ...down].join('L')}Z`
}
