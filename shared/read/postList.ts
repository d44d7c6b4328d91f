import { object, string, type InferType } from 'yup'
import type { ListedPost } from './content'
import { POST_ORDERS } from './postOrder'
import { wordsFields } from './postWords'

/** How many posts are sent together. */
export const POSTS_AT_A_TIME = 50

/** What the list of posts is asked for: their order, what they have to be, and after which one it goes on. */
export const postListSchema = object({
  order: string()
    .oneOf(
      POST_ORDERS.map(({ value }) => value),
      'Posts are not ordered by “${value}”.',
    )
    .default('newest'),
  /** One format; every one, when it is left out. */
  only: string().max(40).default(''),
  ...wordsFields,
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
