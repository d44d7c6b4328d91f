import { array, number, object, string, type InferType } from 'yup'
import { MOOD_IDS, SUBJECT_IDS, type Mood, type Subject } from '../../core/reviews/reviewAbout'
import type { Answering } from '../../core/reviews/answering'
import type { RatingSummary, StarCounts } from '../../core/reviews/ratings'
import { text } from '../platform/text'

/** How many reviews a page shows. */
export const REVIEWS_PER_PAGE = 20

export const REPLY_STATES = ['draft', 'approved', 'sent', 'refused'] as const
export type ReplyState = (typeof REPLY_STATES)[number]

/** Which reviews are looked at, as it stands in an address. */
export const reviewFilterSchema = object({
  state: string().oneOf(['', 'waiting', 'answered', 'late'], 'Reviews are waiting, late or answered.').default(''),
  stars: string()
    .matches(/^([1-5](,[1-5]){0,4})?$/, 'Stars go from 1 to 5.')
    .default(''),
  mood: string()
    .oneOf(['', ...MOOD_IDS], 'There is no mood “${value}”.')
    .default(''),
  about: string()
    .oneOf(['', ...SUBJECT_IDS], 'There is no subject “${value}”.')
    .default(''),
  place: string()
    .matches(/^(\d{1,9})?$/, 'Choose a place from the list.')
    .default(''),
  after: string().max(80).default(''),
})
export type ReviewFilter = InferType<typeof reviewFilterSchema>

export const replySchema = object({
  text: text().required('Write an answer.').max(1000, 'Keep the answer under 1,000 letters.'),
})
export const replyStateSchema = object({
  state: string().oneOf(['draft', 'approved', 'sent'], 'An answer is a draft, approved or sent.').required(),
})
export const readingSchema = object({
  mood: string().oneOf(MOOD_IDS, 'Choose a mood from the list.').required('Say how it sounds.'),
  subjects: array(string().oneOf(SUBJECT_IDS, 'Choose subjects from the list.').required()).max(8).default([]),
})
export type ReadingInput = InferType<typeof readingSchema>

export const wantedHoursSchema = object({
  hours: number()
    .typeError('Write a number of hours.')
    .integer('Write whole hours.')
    .min(1, 'At least one hour.')
    .max(720, 'At most 720 hours, which is a month.')
    .required('Write a number of hours.'),
})

export const templateSchema = object({
  name: text().required('Give the template a name.').max(80, 'Keep the name under 80 letters.'),
  variants: array(
    text().required('Write what it says, or take the text away.').max(1000, 'Keep each text under 1,000 letters.'),
  )
    .min(1, 'Write at least one text.')
    .max(10, 'There are ten texts at the most.')
    .required(),
})
export type TemplateInput = InferType<typeof templateSchema>
export interface ReplyTemplate extends TemplateInput {
  id: number
}

/** A review as it is shown. */
export interface Review {
  profile: number
  id: string
  listing: string
  place?: { id: number; name: string }
  writtenAt: Date
  author: string
  language: string
  stars: number | null
  text: string
  /** What it is about and how it sounds; absent where the words of its language are not known. */
  about?: { mood: Mood; subjects: Subject[]; isByHand: boolean }
  answeredAt?: Date
  answer?: string
  /** Whether it waits for longer than is wanted. */
  isLate: boolean
  /** What is written here, until the network has taken it. */
  reply?: { text: string; state: ReplyState; refusal: string; changedAt: Date }
}

export interface ReviewsPage {
  reviews: Review[]
  /** Where the next page begins. */
  next?: string
}

/** What the reviews of a place, or of all, come to over a period. */
export interface ReviewFigures {
  stars: StarCounts
  rating: RatingSummary
  /** The mean that few reviews do not swing. */
  shrunk?: number
  answering: Answering
}

export interface PlaceReviews extends ReviewFigures {
  profile: number
  name: string
  place?: number
}

/** What the reviews of a rival's listing come to over a period. */
export interface RivalReviews {
  profile: number
  name: string
  /** The rival that it belongs to. */
  rival: string
  stars: StarCounts
  rating: RatingSummary
  /** The same of all that is known until the end of the period. */
  ever: RatingSummary
  answering: Answering
  /** The day of the first review that is known, where the period has begun before it. */
  since?: string
}

/** The reviews of a scope. */
export interface ReviewsView {
  wantedHours: number
  all: ReviewFigures
  before?: { words: string; rating: RatingSummary; perWeek: number }
  ever: RatingSummary
  perWeek: number
  places: PlaceReviews[]
  subjects: { id: Subject; name: string; reviews: number; good: number; mixed: number; bad: number; stars?: number }[]
  moods: Record<Mood, number>
  /** Reviews without words, and those in a language whose words are not known. */
  unread: { silent: number; unknown: number }
  /** Sentences that can be quoted, each with where it stands. */
  quotes: { kind: 'good' | 'bad'; sentence: string; author: string; listing: string; day: string; subjects: string[] }[]
  months: { month: string; reviews: number; mean?: number }[]
  /** Whether there are more reviews than are read at once. */
  isCut: boolean
  /** Those of rivals over the same days, for whoever may read of rivals. */
  rivals?: RivalReviews[]
  /** Whether there are more of theirs than are read at once. */
  isRivalsCut?: boolean
}
