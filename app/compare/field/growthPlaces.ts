import type { FieldMember } from '~~/shared/compare/field'
import { axisOf } from '~/figures/charts/lineDrawing'

/** A member whose size and growth are known. */
export type GrowingMember = FieldMember & Required<Pick<FieldMember, 'growth' | 'followers'>>

/** Room for the marks at the ends, as a factor of the smallest and the largest following. */
const MARGIN = 1.35
/** How far apart names stand from each other, and from where on they stand on the left of their marks. */
const [APART, LEFT_FROM] = [14, 0.6]
/** No more sizes than these are written below. */
const MOST_SIZES = 5

/** Where things stand in a drawing of growth (in percent, upwards) over following (on a scale of logarithms). */
export interface GrowthScale {
  /** The growths that are written, in percent, from the lowest. */
  marks: number[]
  /** The followings that are written: 1, 2 and 5 times powers of ten. */
  sizes: number[]
  x: (followers: number) => number
  y: (growth: number) => number
}

/**
 * The scale on which members of a field fit.
 *
 * @param members  one at the least
 * @example growthScale(members, 470, 210).x(10_000)
 */
export function growthScale(members: readonly GrowingMember[], width: number, height: number): GrowthScale {
  const followings = members.map(({ followers }) => followers)
  const [low, high] = [Math.min(...followings) / MARGIN, Math.max(...followings) * MARGIN]
  const growths = members.flatMap(({ growth }) => [growth.low * 100, growth.high * 100])
  const upwards = axisOf([Math.max(0.1, ...growths)], false).marks
  const step = upwards[1]! - upwards[0]!
  const below = Math.ceil(Math.max(0, -Math.min(...growths)) / step)
  const marks = [...Array.from({ length: below }, (_, index) => -step * (below - index)), ...upwards]
  const [least, most] = [marks[0]!, marks.at(-1)!]
  const sizes = Array.from({ length: 10 }, (_, power) => [1, 2, 5].map((times) => times * 10 ** power))
    .flat()
    .filter((size) => size >= low && size <= high)
  return {
    marks,
    sizes: sizes.length > MOST_SIZES ? sizes.filter((_, index) => index % 2 === 0) : sizes,
    x: (followers) => (Math.log(followers / low) / Math.log(high / low)) * width,
    y: (growth) => height - ((growth * 100 - least) / (most - least)) * height,
  }
}

/** Where the names of members stand: beside their marks, on the side that has room, apart from each other. */
export function namePlaces(
  members: readonly GrowingMember[],
  { x, y }: GrowthScale,
  width: number,
): { member: GrowingMember; isLeft: boolean; y: number }[] {
  let above = -Infinity
  return [...members]
    .sort((a, b) => y(a.growth.value) - y(b.growth.value))
    .map((member) => {
      above = Math.max(y(member.growth.value) + 4, above + APART)
      return { member, isLeft: x(member.followers) > width * LEFT_FROM, y: above }
    })
}
