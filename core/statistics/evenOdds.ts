/**
 * How likely it is that of so many fair coins at most some fall heads, for numbers of heads that are asked for in order.
 *
 * @param coins  a whole number from 0
 * @returns      a function of the heads: from 0, never fewer than the time before
 * @example      atMost(5)(0) // 0.03125
 */
export function atMost(coins: number): (heads: number) => number {
  // in logarithms: the single chances of many coins are smaller than a number can be
  let [heads, logChance] = [0, -coins * Math.LN2]
  let sum = Math.exp(logChance)
  return (asked) => {
    for (; heads < asked && heads < coins; heads++) {
      logChance += Math.log((coins - heads) / (heads + 1))
      sum += Math.exp(logChance)
    }
    return Math.min(1, sum)
  }
}
