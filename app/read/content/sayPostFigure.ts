import { formatCount, formatShare, oneDecimal } from '~~/core/format/numbers'
import type { PostFigure } from '~~/core/posts/bestAndWorst'

/**
 * A figure by which posts are ranked, as it stands on the page.
 *
 * @example sayPostFigure('times', 3.14, 'en-GB') // '3.1 ×'
 */
export function sayPostFigure(by: PostFigure, value: number, locale: string): string {
  if (by === 'rate') return formatShare(value, locale)
  return by === 'times' ? `${oneDecimal(value, locale)} ×` : formatCount(Math.round(value), locale)
}
