/**
 * The reach of several vehicles together when people see them independently of each other:
 * U·(1 − Π(1 − Rᵢ/U)), the Sainsbury formula of media planning ("random duplication").
 *
 * @param universe  people who could be reached (> 0)
 * @param reaches   people reached by each vehicle (each from 0 to the universe; larger ones count as the universe)
 * @returns         people reached by any of them
 * @throws          RangeError when the universe is not above zero
 * @example         randomDuplication(100, [40, 30]) // 58
 */
export function randomDuplication(universe: number, reaches: readonly number[]): number {
  if (!(universe > 0)) throw new RangeError('the universe must be above zero')
  const missed = reaches.reduce((product, reach) => product * (1 - Math.min(reach, universe) / universe), 1)
  return universe * (1 - missed)
}
