import { string } from 'yup'
import { declareBlock } from '../report/declareBlock'
import { HABIT_PARTS, habitsSchema, type HabitPart, type HabitsView } from './habits'

/** A part of what the members of a field post. */
export interface FilledHabits {
  kind: 'habits'
  part: HabitPart
  habits: HabitsView
  /** How hashtags or words, and corners, were looked at. */
  terms: string
  corners: string
}

export const habitsBlock = declareBlock<FilledHabits>()({
  kind: 'habits',
  name: 'Habits of the field',
  version: 1,
  isScoped: true,
  fields: habitsSchema.omit(['term']).shape({
    part: string<HabitPart>()
      .oneOf(
        HABIT_PARTS.map(({ id }) => id),
        'Choose a part of the habits.',
      )
      .default('terms'),
  }),
  headingOf: ({ part }) => HABIT_PARTS.find(({ id }) => id === part)!.name,
})
