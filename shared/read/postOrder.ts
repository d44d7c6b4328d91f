import { isPostFigure } from '../../core/posts/postFigures'

/** The orders in which posts are listed, as they are chosen by name. */
export const POST_ORDERS = [
  { value: 'newest', name: 'Newest first' },
  { value: 'oldest', name: 'Oldest first' },
  { value: 'interactions', name: 'Most interactions' },
  { value: 'fewest_interactions', name: 'Fewest interactions' },
  { value: 'times', name: 'Most by what is usual' },
  { value: 'fewest_times', name: 'Least by what is usual' },
  { value: 'impressions', name: 'Most impressions' },
  { value: 'fewest_impressions', name: 'Fewest impressions' },
  { value: 'rate', name: 'Highest rate' },
  { value: 'sure', name: 'Highest rate that is sure' },
  { value: 'lowest', name: 'Lowest rate that is sure' },
] as const

/** What posts are ordered by: when they were published, what is usual, a figure, or the near end of its interval. */
export interface PostOrder {
  by: 'published' | 'times' | 'figure' | 'sure'
  /** Which figure, of the last two. */
  figure: string
  /** Whether the smallest comes first. */
  isRising: boolean
}

/**
 * An order as it stands in an address: a named one, or any figure by its id, with a minus where the smallest comes first
 * and `sure.` where a share goes by the near end of its interval.
 *
 * @returns undefined where it has no meaning
 * @example readPostOrder('-sure.click_rate') // { by: 'sure', figure: 'click_rate', isRising: true }
 */
export function readPostOrder(text: string): PostOrder | undefined {
  if (text === 'newest' || text === 'oldest') return { by: 'published', figure: '', isRising: text === 'oldest' }
  if (text === 'sure') return { by: 'sure', figure: 'rate', isRising: false }
  if (text === 'lowest') return { by: 'sure', figure: 'rate', isRising: true }
  const [, minus = '', sure, name = ''] = /^(-|fewest_)?(sure\.)?([a-z_]+)$/.exec(text) ?? []
  if (name === 'times' && !sure) return { by: 'times', figure: '', isRising: minus !== '' }
  if (!isPostFigure(name)) return undefined
  return { by: sure ? 'sure' : 'figure', figure: name, isRising: minus !== '' }
}

/** An order for an address, by the name that it has where it has one. */
export function writePostOrder({ by, figure, isRising }: PostOrder): string {
  if (by === 'published') return isRising ? 'oldest' : 'newest'
  if (by === 'sure' && figure === 'rate') return isRising ? 'lowest' : 'sure'
  const name = by === 'times' ? 'times' : `${by === 'sure' ? 'sure.' : ''}${figure}`
  const fewest = `fewest_${name}`
  return !isRising ? name : POST_ORDERS.some(({ value }) => value === fewest) ? fewest : `-${name}`
}
