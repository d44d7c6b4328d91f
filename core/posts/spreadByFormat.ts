import { quantile } from '../statistics/median'
import { LEAST_POSTS } from '../why/carryingPosts'
import { thinned } from './thinned'

/** How the posts of a format are spread over a figure. */
export interface FormatSpread {
  format: string
  /** How many posts have the figure, and how many have not. */
  posts: number
  unknown: number
  /** The figures, the smallest first; of many, as many evenly over their order as there is room for. */
  dots: number[]
  /** The quartiles with both ends (type 7 of Hyndman & Fan 1996); absent with fewer than five posts. */
  box?: { least: number; lower: number; middle: number; upper: number; most: number }
}

/**
 * Formats beside each other as distributions, never as means only: one post that spread would make a format of many weak
 * ones look strong. The format with the highest median comes first; those with too few posts to say come last.
 *
 * @param posts     with what they are spread over; null where that is not known
 * @param mostDots  how many single posts are told of a format
 * @example         spreadByFormat([{ format: 'photo', value: 3 }, { format: 'photo', value: 5 }, …], 300)[0].box.middle // 5
 */
export function spreadByFormat(
  posts: readonly { format: string; value: number | null }[],
  mostDots: number,
): FormatSpread[] {
  const formats = new Map<string, { values: number[]; unknown: number }>()
  for (const { format, value } of posts) {
    const own = formats.get(format) ?? { values: [], unknown: 0 }
    if (value === null) own.unknown++
    else own.values.push(value)
    formats.set(format, own)
  }
  const spreads = [...formats].map(([format, { values, unknown }]): FormatSpread => {
    const sorted = [...Float64Array.from(values).sort()]
    const at = (share: number) => quantile(sorted, share)!
    return {
      format,
      posts: sorted.length,
      unknown,
      dots: thinned(sorted, mostDots),
      ...(sorted.length >= LEAST_POSTS && {
        box: { least: sorted[0]!, lower: at(0.25), middle: at(0.5), upper: at(0.75), most: sorted.at(-1)! },
      }),
    }
  })
  const key = ({ box }: FormatSpread) => box?.middle ?? -Infinity
  return spreads.sort((a, b) => (key(b) > key(a) ? 1 : key(b) < key(a) ? -1 : a.format < b.format ? -1 : 1))
}
