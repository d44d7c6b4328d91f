import type { Rounding } from '~~/core/format/formatter'
import { formatCount, formatDuration, formatShare, oneDecimal } from '~~/core/format/numbers'
import { postFigureById, type PostValue } from '~~/core/posts/postFigures'
import type { ListedPost } from '~~/shared/read/content'

/**
 * A value of a figure of posts, as its unit is written.
 *
 * @example sayPostValue('pass_on', 0.0512, 'en-GB') // '5.1 %'
 */
export function sayPostValue(id: string, value: number, locale: string, rounding?: Rounding): string {
  const { unit, kind } = postFigureById(id)
  if (unit === 'share') return formatShare(value, locale, rounding)
  if (unit !== 'seconds') return formatCount(value, locale, rounding)
  return kind === 'ratio' ? `${oneDecimal(value, locale, rounding)} s` : formatDuration(value, locale, rounding)
}

/** What of a listed post stands in a column, and the interval beside it. */
export function postFigureText(post: ListedPost, column: string, locale: string): { value: string; range: string } {
  if (column === 'times')
    return { value: post.times === undefined ? '—' : `${oneDecimal(post.times, locale)} ×`, range: '' }
  const figure = valueOf(post, column)
  if (!figure) return { value: '—', range: '' }
  const { value, low, high } = figure
  const say = (one: number, rounding?: Rounding) => sayPostValue(column, one, locale, rounding)
  return {
    value: say(value),
    range: low === undefined || high === undefined ? '' : `${say(low, 'down')} to ${say(high, 'up')}`,
  }
}

/** A figure of a post: of those that are asked for, or one that every list has. */
function valueOf(post: ListedPost, column: string): PostValue | undefined {
  if (post.figures) return post.figures[column]
  if (column === 'rate') return post.rate ?? undefined
  const known = { impressions: post.impressions, interactions: post.interactions }[column]
  return known === null || known === undefined ? undefined : { value: known }
}
