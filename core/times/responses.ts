import type { PostMeasure } from '../datasets/datasets'
import type { PostCounts } from '../posts/postFigures'

/** What can be wanted of a post, and is counted of it. */
export const RESPONSES = [
  { id: 'interactions', name: 'interactions', columns: ['reactions', 'comments', 'shares', 'saves'] },
  { id: 'clicks', name: 'clicks', columns: ['clicks'] },
  { id: 'comments', name: 'comments', columns: ['comments'] },
  { id: 'shares', name: 'shares', columns: ['shares'] },
  { id: 'watch', name: 'seconds watched', columns: ['watch_seconds'] },
] as const satisfies readonly { id: string; name: string; columns: readonly PostMeasure[] }[]
export type ResponseId = (typeof RESPONSES)[number]['id']

/** For each of what it is counted. */
export const RESPONSE_BASES = [
  { id: 'reach', name: 'for each person reached', column: 'reach' },
  { id: 'impressions', name: 'for each impression', column: 'impressions' },
  { id: 'views', name: 'for each view', column: 'views' },
  { id: 'post', name: 'for each post', column: undefined },
] as const satisfies readonly { id: string; name: string; column: PostMeasure | undefined }[]
export type ResponseBase = (typeof RESPONSE_BASES)[number]['id']

/**
 * The response of a post over its base.
 *
 * @returns response and base; undefined where either is not known, or where the base is nothing
 * @example responseOf({ clicks: 12, reach: 300 }, 'clicks', 'reach') // { response: 12, base: 300 }
 */
export function responseOf(
  post: PostCounts,
  response: ResponseId,
  base: ResponseBase,
): { response: number; base?: number } | undefined {
  const known = RESPONSES.find(({ id }) => id === response)!.columns.flatMap((column) => post[column] ?? [])
  if (known.length === 0) return undefined
  const column = RESPONSE_BASES.find(({ id }) => id === base)!.column
  const sum = known.reduce((all, count) => all + count, 0)
  if (!column) return { response: sum }
  const bottom = post[column]
  return bottom ? { response: sum, base: bottom } : undefined
}
