import { number, object, string } from 'yup'
import type { PostFigure, RankedPost } from '../../core/posts/bestAndWorst'
import { declareBlock } from '../report/declareBlock'
import type { ListedPost } from './content'
import { postFilterFields } from './postFilter'

/** What posts can be ranked by, in words: what stands at either end, and beside a post. */
export const RANKINGS: Record<PostFigure, { name: string; best: string; worst: string; figure: string }> = {
  interactions: {
    name: 'interactions',
    best: 'Most interactions',
    worst: 'Fewest interactions',
    figure: 'interactions',
  },
  times: {
    name: 'times its profile’s usual',
    best: 'Most above its profile’s usual',
    worst: 'Most below its profile’s usual',
    figure: 'times usual',
  },
  impressions: {
    name: 'impressions',
    best: 'Most impressions',
    worst: 'Fewest impressions',
    figure: 'impressions',
  },
  rate: {
    name: 'interactions for each impression',
    best: 'Highest rate that is sure',
    worst: 'Lowest rate that is sure',
    figure: 'interactions for each impression',
  },
}

/** How many posts stand at each end where nothing else was chosen, and how many can. */
export const USUAL_ENDS = 3
export const MOST_ENDS = 10

/** How many dots the strip has at the most; of more posts, as many evenly over their order. */
export const MOST_DOTS = 300

/** The best and the worst posts beside each other. */
export interface Ends {
  by: PostFigure
  best: RankedPost<ListedPost>[]
  worst: RankedPost<ListedPost>[]
  ranked: number
  unranked: number
  /** The figures of the posts, the smallest first, for the strip. */
  values: number[]
}
export interface FilledEnds {
  kind: 'ends'
  ends: Ends
}

const HOW_MANY = `At each end can stand 1 to ${MOST_ENDS} posts.`

/** What is asked of the best and the worst, by the page. */
export const endsSchema = object({
  by: string<PostFigure>()
    .oneOf(Object.keys(RANKINGS) as PostFigure[], 'Posts are not ranked by “${value}”.')
    .default('interactions'),
  rows: number().typeError(HOW_MANY).integer(HOW_MANY).min(1, HOW_MANY).max(MOST_ENDS, HOW_MANY).default(USUAL_ENDS),
  only: string().max(40).default(''),
  ...postFilterFields,
})

export const endsBlock = declareBlock<FilledEnds>()({
  kind: 'ends',
  name: 'Best and worst posts',
  version: 1,
  isScoped: true,
  option: {
    label: 'Ranked by',
    choices: Object.entries(RANKINGS).map(([value, { name }]) => ({ value, name: `by ${name}` })),
  },
  fields: object({
    rows: number().integer().min(1).max(MOST_ENDS, HOW_MANY),
    /** Every format, when it is left out. */ format: string().max(40),
    ...postFilterFields,
  }),
  headingOf: ({ ends }) => `Best and worst posts, by ${RANKINGS[ends.by].name}`,
})
