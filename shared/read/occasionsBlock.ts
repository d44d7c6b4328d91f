import { number, object, string } from 'yup'
import type { Occasion } from '../../core/tags/occasions'
import { isDay, yearOf } from '../../core/days/day'
import { FIRST_YEAR, LAST_YEAR } from '../platform/dayField'
import { declareBlock } from '../report/declareBlock'

/** How many occasions are laid over each other, and how many days around each. */
export const MOST_OCCASIONS = 6
const MOST_DAYS = 120
/** What is usual: a month before it, and a week after. */
export const USUAL_WINDOW = { before: 30, after: 7 }

const isKnownDay = (day: string) => isDay(day) && yearOf(day) >= FIRST_YEAR && yearOf(day) <= LAST_YEAR
const window = (usual: number) =>
  number()
    .typeError('Write a number of days.')
    .integer('Write a whole number of days.')
    .min(0, 'Write a number of days.')
    .max(MOST_DAYS, `At most ${MOST_DAYS} days around it.`)
    .default(usual)

/** Which occasions are compared: the posts with a tag, around some days. */
export const occasionsFields = {
  /** The tag, by number. */
  tag: number().integer().min(1).max(4_294_967_295),
  /** The days of the occasions, apart by commas. */
  on: string()
    .max(80)
    .default('')
    .test(
      'days',
      `Choose up to ${MOST_OCCASIONS} days.`,
      (value) => value === '' || (value.split(',').every(isKnownDay) && value.split(',').length <= MOST_OCCASIONS),
    ),
  before: window(USUAL_WINDOW.before),
  after: window(USUAL_WINDOW.after),
}
export const occasionsSchema = object(occasionsFields)

/** The same occasion over the years, or several occasions, laid over each other. */
export interface Occasions {
  /** The tag; absent when it was removed. */
  tag?: { id: number; name: string; colour: number }
  before: number
  after: number
  occasions: Occasion[]
}
export interface FilledOccasions {
  kind: 'occasions'
  occasions: Occasions
}

export const occasionsBlock = declareBlock<FilledOccasions>()({
  kind: 'occasions',
  name: 'An occasion over the years',
  version: 1,
  isScoped: true,
  fields: object(occasionsFields),
  headingOf: ({ occasions: { tag } }) => (tag ? `“${tag.name}” over the years` : 'An occasion over the years'),
})
