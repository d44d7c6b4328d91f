import { object, string, type InferType } from 'yup'
import { text } from '../platform/text'

/** How many questions a page shows. */
export const QUESTIONS_PER_PAGE = 30

/** Which questions are looked at, as it stands in an address. */
export const questionFilterSchema = object({
  state: string()
    .oneOf(['', 'waiting', 'owner', 'visitor'], 'Questions wait, or were answered by the owner or a visitor.')
    .default(''),
  place: string()
    .matches(/^(\d{1,9})?$/, 'Choose a place from the list.')
    .default(''),
  after: string()
    .matches(/^(\d{1,15}\.\d{1,9}\.[\w.:-]{1,40})?$/, 'The list cannot go on from there. Begin it anew.')
    .default(''),
})
export type QuestionFilter = InferType<typeof questionFilterSchema>

export const questionAnswerSchema = object({
  text: text().required('Write an answer.').max(1000, 'Keep the answer under 1,000 letters.'),
})

/** A question as it is shown. */
export interface Question {
  profile: number
  id: string
  listing: string
  place?: { id: number; name: string }
  askedAt: Date
  author: string
  text: string
  /** How many others want to know it too. */
  wanted: number
  answer?: { answeredAt: Date; text: string; isOwner: boolean; by: string }
}

/** How many were asked of a listing in a period, and who answered them. */
export interface QuestionFigures {
  profile: number
  name: string
  asked: number
  byOwner: number
  byVisitors: number
  waiting: number
}

export interface QuestionsView {
  questions: Question[]
  /** Where the next page begins. */
  next?: string
  listings: QuestionFigures[]
}
