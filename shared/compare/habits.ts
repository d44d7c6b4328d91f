import { object, string, type InferType } from 'yup'
import { CORNERS, TERMS, type CornerKind, type TermKind } from '../../core/habits/habitKinds'
import type { Habits } from '../../core/habits/postingHabits'
import { fieldFields } from '../figures/fieldFields'
import type { Field } from './field'

const LONGEST_TERM = 60

/** The parts of the page, each of which can stand in a report by itself. */
export const HABIT_PARTS = [
  { id: 'rhythm', name: 'How often and when the field posts' },
  { id: 'formats', name: 'What formats the field uses' },
  { id: 'terms', name: 'Hashtags and words of the field' },
  { id: 'only', name: 'What nobody else in the field uses' },
  { id: 'corners', name: 'Where rivals are quiet' },
] as const
export type HabitPart = (typeof HABIT_PARTS)[number]['id']

/** How the habits of a field are looked at, as it stands in an address and in a block. */
export const habitsSchema = object({
  ...fieldFields,
  /** Hashtags or words. */
  terms: string<TermKind>()
    .oneOf(
      TERMS.map(({ id }) => id),
      'Look at hashtags or words.',
    )
    .default('hashtags'),
  /** One of them by itself; none where it is empty. */
  term: string()
    .trim()
    .lowercase()
    // as texts are read: accents in one way, and one apostrophe
    .transform((term: unknown) => (typeof term === 'string' ? term.normalize('NFC').replaceAll('’', "'") : term))
    .max(LONGEST_TERM, `A hashtag or a word has ${LONGEST_TERM} letters at the most.`)
    .matches(/^[\p{L}\p{M}\p{N}_'-]*$/u, 'Write one hashtag or word, without its sign.')
    .default(''),
  /** What parts the corners in which rivals can be quiet. */
  corners: string<CornerKind>()
    .oneOf(
      CORNERS.map(({ id }) => id),
      'Look for quiet corners by weekday, format, both, or hashtag.',
    )
    .default('weekday'),
})
export type HabitsQuery = InferType<typeof habitsSchema>

/** What the members of a field post, by what everybody can see of it. */
export interface HabitsView extends Habits, Pick<Field, 'hidden' | 'networks'> {
  members: { id: number; name: string; isOwn: boolean }[]
  /** How many of the newest posts are looked at where there are more. */
  cutAt?: number
  /** Posts after this day are still gathering, and are not judged yet. */
  judgedTo: string
  /** The year of which rhythm, corners and a single term are told. */
  year: { from: string; to: string }
}
