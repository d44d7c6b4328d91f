import { byRank, type Rank } from './rankFigures'

/** More than this many on either side are not needed, and only the newest of them are looked at. */
export const MOST_COMPARED = 30
/** Fewer than this many on either side cannot say anything. */
export const LEAST_COMPARED = 4

/** Doubled midranks of some values: two that are alike share theirs. */
function doubledMidranks(values: readonly Rank[]): number[] {
  const order = values.map((value, index) => ({ value, index })).sort((a, b) => byRank(a.value, b.value))
  const found = new Array<number>(values.length)
  for (let from = 0; from < order.length; ) {
    let to = from
    while (to + 1 < order.length && byRank(order[to + 1]!.value, order[from]!.value) === 0) to++
    for (let at = from; at <= to; at++) found[order[at]!.index] = from + to + 2
    from = to + 1
  }
  return found
}

/**
 * How often chance alone would part two groups of ranks as far as they are parted: the rank-sum test (Wilcoxon 1945; Mann
 * & Whitney 1947), two-sided and exact, over all ways to share the ranks out among the groups. What is not among the
 * first 20 is worse than all others and alike among itself, which is all that the test asks of it.
 *
 * @param before  at least four, of which the newest 30 count
 * @param now     likewise
 * @returns       from 0 to 1; undefined where either has fewer than four
 * @example       rankSum([1, 2, 3, 4], [5, 6, 7, null]) // 0.029
 */
export function rankSum(before: readonly Rank[], now: readonly Rank[]): number | undefined {
  if (before.length < LEAST_COMPARED || now.length < LEAST_COMPARED) return undefined
  const [first, second] = [before.slice(-MOST_COMPARED), now.slice(-MOST_COMPARED)]
  const ranks = doubledMidranks([...first, ...second])
  const size = first.length
  const most = ranks.reduce((sum, rank) => sum + rank, 0)
  // ways[k][s]: how many choices of k ranks have the sum s
  const ways = Array.from({ length: size + 1 }, () => new Float64Array(most + 1))
  ways[0]![0] = 1
  let taken = 0
  for (const rank of ranks) {
    for (let count = Math.min(size, ++taken); count > 0; count--) {
      const [from, into] = [ways[count - 1]!, ways[count]!]
      for (let sum = most; sum >= rank; sum--) into[sum]! += from[sum - rank]!
    }
  }
  const all = ways[size]!
  const total = all.reduce((sum, each) => sum + each, 0)
  const middle = (size * most) / ranks.length
  const far = Math.abs(ranks.slice(0, size).reduce((sum, rank) => sum + rank, 0) - middle)
  let beyond = 0
  all.forEach((each, sum) => {
    if (Math.abs(sum - middle) >= far - 1e-9) beyond += each
  })
  return Math.min(1, beyond / total)
}
