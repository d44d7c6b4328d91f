import { quantile } from '../statistics/median'
import { inFirst, moveOf, type Rank } from './rankFigures'

/** Of how many earlier moves the usual one is known. */
const [LEAST_MOVES, LEAST_PAIRS] = [20, 4]
/** As large as four of five of them were. */
const USUAL = 0.8

/** The pairs of checks that follow each other. */
const pairs = <T>(checks: readonly T[]): [before: T, now: T][] =>
  checks.slice(1).map((now, index) => [checks[index]!, now])

/**
 * How far a point usually moves from one check to the next: as far as four of five of all moves of its grid did, up or
 * down. One out of the first 20, or into them, counts as the least that it can have been.
 *
 * @param checks  the ranks of each point, check by check, the oldest first, as many in each
 * @returns       in places; undefined where fewer than 20 moves are known
 * @example       usualMove([[1, 2], [1, 4]]) // undefined: two moves are too few
 */
export function usualMove(checks: readonly (readonly Rank[])[]): number | undefined {
  const moves = pairs(checks).flatMap(([before, now]) =>
    now.flatMap((rank, point) => {
      const move = moveOf(before[point] ?? null, rank)
      return move ? [Math.abs(move.places)] : []
    }),
  )
  return moves.length < LEAST_MOVES ? undefined : quantile(moves, USUAL)
}

/**
 * By how many points the number of those in the first three usually differs from one check to the next.
 *
 * @returns undefined where fewer than four such differences are known
 */
export function usualDifference(checks: readonly (readonly Rank[])[]): number | undefined {
  const differences = pairs(checks).map(([before, now]) => Math.abs(inFirst(now) - inFirst(before)))
  return differences.length < LEAST_PAIRS ? undefined : quantile(differences, USUAL)
}
