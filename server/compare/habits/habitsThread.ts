import { habitsOf, type HabitPost, type Habits, type HabitsAsked } from '../../../core/habits/postingHabits'

/** What a thread of its own works out: see `threadOf`. */
export default ({ posts, asked }: { posts: readonly HabitPost[]; asked: HabitsAsked }): Habits => habitsOf(posts, asked)
