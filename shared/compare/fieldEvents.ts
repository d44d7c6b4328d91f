import { object, type InferType } from 'yup'
import type { Day } from '../../core/days/day'
import { declareBlock } from '../report/declareBlock'
import { occasionsFields } from '../read/occasionsBlock'
import { fieldFields } from '../figures/fieldFields'

/** Which event is followed through a field: the posts with a tag, around some days. */
export const fieldEventsSchema = object({ ...fieldFields, ...occasionsFields })
export type FieldEventsQuery = InferType<typeof fieldEventsSchema>

/** What a profile has posted around one day of the event. */
export interface EventPart {
  on: Day
  posts: number
  /** Reactions, comments and shares of those posts of which anybody can see them; absent where there is none. */
  interactions?: number
  /** How many posts these are. */
  counted: number
  /** How many days of the window are known of the profile, of those that are over; nothing is said where none is. */
  known: number
  of: number
}

/** An event through the field: a row for each profile, the days of the event beside each other. */
export interface FieldEvents {
  /** Absent where none is chosen, or it was removed. */
  tag?: { id: number; name: string; colour: number }
  before: number
  after: number
  days: Day[]
  rows: {
    member: number
    name: string
    isOwn: boolean
    profile: number
    profileName: string
    networkName: string
    parts: EventPart[]
  }[]
}

export interface FilledFieldEvents {
  kind: 'fieldEvents'
  events: FieldEvents
}

export const fieldEventsBlock = declareBlock<FilledFieldEvents>()({
  kind: 'fieldEvents',
  name: 'An event through the field',
  version: 1,
  isScoped: true,
  fields: fieldEventsSchema,
  headingOf: ({ events: { tag } }) => (tag ? `“${tag.name}” through the field` : 'An event through the field'),
})
