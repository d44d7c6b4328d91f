import { object, string, type InferType } from 'yup'
import { isPostFigure } from '../../core/posts/postFigures'
import type { ListedPost } from './content'
import { postFilterFields } from './postFilter'
import { readPostOrder } from './postOrder'

/** How many posts are sent together. */
export const POSTS_AT_A_TIME = 50

/** How many figures can be chosen as columns. */
export const MOST_POST_COLUMNS = 6
/** The figures that a list shows where nobody has chosen any. */
export const USUAL_POST_COLUMNS = ['impressions', 'interactions', 'rate'] as const

/** The figures that an address asks for as columns; what it does not know is left out. */
export const postColumnsOf = (text: string): string[] => {
  const known = [...new Set(text.split(','))].filter((id) => isPostFigure(id) || id === 'times')
  return known.length === 0 ? [...USUAL_POST_COLUMNS] : known.slice(0, MOST_POST_COLUMNS)
}

/** What the list of posts is asked for: their order, what they have to be, and after which one it goes on. */
export const postListSchema = object({
  order: string()
    .max(60)
    .test(
      'known',
      ({ value }) => `Posts are not ordered by “${value}”.`,
      (value = 'newest') => readPostOrder(value) !== undefined,
    )
    .default('newest'),
  /** One format; every one, when it is left out. */
  only: string().max(40).default(''),
  ...postFilterFields,
  /** Which figures stand in columns. */
  columns: string()
    .max(300)
    .matches(/^[a-z_,]*$/, 'Choose figures from the list.')
    .default(''),
  after: string().max(200).default(''),
})
export type PostListQuery = InferType<typeof postListSchema>

/** Some posts of a list, in its order. */
export interface PostList {
  posts: ListedPost[]
  /** What the next ones are asked by; null when these are the last. */
  next: string | null
  /** How many there are in all, and of which formats whatever the format is; only with the first of them. */
  total?: number
  formats?: string[]
}
