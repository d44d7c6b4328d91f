import { boolean, number, object, string, type InferType } from 'yup'
import { isDay } from '../../core/days/day'
import { text } from '../platform/text'
import { slotsField } from './weeklySlots'

/** How many lists a client has, and how many posts are in one. */
export const MOST_REFILLS = 20
export const MOST_REFILL_POSTS = 200
/** So many days ahead slots are filled. */
export const REFILL_DAYS = 14

/** A list of posts that keep their value, and the slots of the week that it fills. */
export const refillSchema = object({
  name: text().required('Give the list a name.').max(80, 'Keep the name under 80 letters.'),
  slots: slotsField.min(1, 'Say at least one time of the week.'),
  daysApart: number()
    .typeError('Write a number of days.')
    .integer('Write whole days.')
    .min(1, 'At least one day.')
    .max(366, 'A year at the most.')
    .required('Say how many days lie between two uses.'),
  endsOn: string()
    .test('day', 'Write a day, as 2026-11-30.', (value) => !value || isDay(value))
    .default(''),
  isOn: boolean().default(true),
  /** Whether posts go out by themselves; otherwise they are drafts. */
  goesOut: boolean().default(false),
})
export type RefillInput = InferType<typeof refillSchema>

export interface Refill extends RefillInput {
  id: number
  posts: { id: number; text: string; /** The last time, on the client’s clocks; empty for never. */ usedAt: string }[]
  /** The slots of the coming days: what they have, or that no post has rested long enough. */
  coming: { at: string; planned?: number; text: string }[]
}
export const inRefillSchema = object({ isIn: boolean().required('Say whether it is in the list.') })
