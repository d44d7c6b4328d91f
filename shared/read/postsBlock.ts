import { number, object, string } from 'yup'
import type { ListedPost } from './content'
import { POST_ORDERS } from './postOrder'
import { postFilterFields } from './postFilter'
import { declareBlock } from '../report/declareBlock'

/** How many posts are listed where nothing else was chosen. */
export const USUAL_ROWS = 10

/** Posts, in an order. */
export interface FilledPosts {
  kind: 'posts'
  order: string
  posts: ListedPost[]
}

export const postsBlock = declareBlock<FilledPosts>()({
  kind: 'posts',
  name: 'Posts',
  version: 1,
  isScoped: true,
  option: {
    label: 'Order',
    choices: [
      ...POST_ORDERS.filter(({ value }) => value === 'interactions'),
      ...POST_ORDERS.filter(({ value }) => value !== 'interactions'),
    ].map(({ value, name }) => ({ value, name: name.toLowerCase() })),
  },
  fields: object({
    rows: number().integer().min(1).max(50, 'A block can list 50 posts.'),
    /** Every format, when it is left out. */ format: string().max(40),
    ...postFilterFields,
  }),
  headingOf: () => 'Posts',
})
