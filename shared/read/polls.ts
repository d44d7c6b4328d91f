import { array, boolean, number, object, string, type InferType } from 'yup'
import { dayField } from '../platform/dayField'
import { text } from '../platform/text'

export const MOST_ANSWERS = 20
const people = () =>
  number()
    .typeError('Write a number of people.')
    .integer('Write a whole number of people.')
    .min(0, 'Write a number of people.')
    .max(1_000_000_000, 'That is more people than can be asked.')

/** How people came to answer: nobody drew them, or they were drawn so that everybody had the same chance. */
export const HOW_CHOSEN = { themselves: 'They chose themselves', drawn: 'They were drawn by chance' } as const

/** A poll or a survey, as somebody writes it down. */
export const pollSchema = object({
  question: text().required('Write the question.').max(300, 'Keep the question under 300 letters.'),
  /** How and where people were asked, in words. */
  asked: text().required('Say how people were asked.').max(300, 'Keep it under 300 letters.'),
  chosen: string()
    .oneOf(Object.keys(HOW_CHOSEN) as (keyof typeof HOW_CHOSEN)[], 'Say how people came to answer.')
    .default('themselves' as const)
    .defined(),
  from: dayField(),
  to: dayField(),
  /** Whether a person could give several answers; then how many people answered is written too. */
  isMultiple: boolean().typeError('One answer each, or several.').default(false),
  people: people().nullable().default(null),
  answers: array(
    object({
      text: text().required('Write the answer.').max(120, 'Keep the answer under 120 letters.'),
      count: people().required('Write how many gave it.'),
    }).required(),
  )
    .min(2, 'A question has two answers at the least.')
    .max(MOST_ANSWERS, `A question has ${MOST_ANSWERS} answers at the most.`)
    .required('Write the answers.'),
})
  .test(function test({ from, to }) {
    return from && to && to < from
      ? this.createError({ path: 'to', message: 'It ends before it begins. Choose a later day.' })
      : true
  })
  .test(function test({ isMultiple, people: all, answers }) {
    const most = Math.max(0, ...(answers ?? []).map(({ count }) => count))
    if (!isMultiple)
      return most > 0 ? true : this.createError({ path: 'answers', message: 'Nobody has answered. Write the counts.' })
    if (all === null || all === undefined || all < 1)
      return this.createError({
        path: 'people',
        message: 'Write how many people answered: each could answer more than once.',
      })
    return all < most
      ? this.createError({ path: 'people', message: 'More people gave one of the answers than answered at all.' })
      : true
  })
export type PollInput = InferType<typeof pollSchema>

/** An answer with its share and the interval in which all shares together lie with 95 %. */
export interface PollAnswer {
  text: string
  count: number
  share: number
  low: number
  high: number
}

/** A poll with what follows from it. */
export interface PollView extends Omit<PollInput, 'answers' | 'people'> {
  id: number
  /** How many people answered. */
  people: number
  answers: PollAnswer[]
  /** Whether the most frequent answer is ahead of the next for certain: their intervals do not meet. */
  isLeadSure: boolean
}
