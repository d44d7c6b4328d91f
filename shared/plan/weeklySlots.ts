import { array, boolean, number, object, string, type InferType } from 'yup'
import type { WeeklySlot } from '../../core/plan/freeSlots'
import { localTime, MOST_AT_ONCE, plannedIds, whichId } from './plannedPosts'

/** Puts many posts on free slots, those of the client or those that are suggested: only looked at, or done. */
export const placeManySchema = object({
  ids: plannedIds,
  by: string<'own' | 'suggested'>()
    .oneOf(['own', 'suggested'], 'Slots are your own or suggested.')
    .required('Say on which slots.'),
  apart: number()
    .typeError('Write a number of hours.')
    .min(0, 'No less than no hours.')
    .max(336, 'Two weeks, which are 336 hours, at the most.')
    .default(4),
  isTaken: boolean().default(false),
})
export type PlaceMany = InferType<typeof placeManySchema>
/** When each of several posts is; empty for one without a time. */
export const plannedTimesSchema = object({
  times: array(object({ id: whichId('Choose posts from the list.').required(), at: localTime().defined('Say when.') }))
    .min(1, 'Choose at least one post.')
    .max(MOST_AT_ONCE, `${MOST_AT_ONCE} posts are changed at once at the most.`)
    .required('Choose at least one post.'),
})
/** Times of the week, each once. */
export const slotsField = array(
  object({
    weekday: number()
      .typeError('Choose a weekday.')
      .integer()
      .min(1, 'Choose a weekday.')
      .max(7, 'Choose a weekday.')
      .required('Choose a weekday.'),
    minutes: number()
      .typeError('Write a time, as 18:00.')
      .integer('Write a time, as 18:00.')
      .min(0, 'Write a time, as 18:00.')
      .max(1439, 'Write a time, as 18:00.')
      .required('Write a time, as 18:00.'),
  }),
)
  .max(50, 'There are 50 slots in a week at the most.')
  .test(
    'once',
    'Each slot stands here once.',
    (all) => new Set(all?.map(({ weekday, minutes }) => weekday * 1440 + minutes)).size === (all?.length ?? 0),
  )
  .required('Say which slots.')
/** The times of the week at which posts go out. */
export const weeklySlotsSchema = object({ slots: slotsField })
/** The client’s slots of a week, and when one of them is free next. */
export interface WeeklySlots {
  slots: WeeklySlot[]
  /** On the client’s clocks. */
  free: string[]
}

/** Where many posts would go, or went; and those for which there was no slot. */
export interface PlacedMany {
  placed: { id: number; text: string; before: string; at: string }[]
  left: { id: number; text: string }[]
}
