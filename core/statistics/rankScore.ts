/** Fewer values than these have no score: the normal distribution would be too rough. */
const LEAST = 5

/**
 * How far some of many values stand from the others: the rank sum, in standard deviations from what it would be by
 * chance (Wilcoxon F 1945, Biometrics Bulletin 1:80–83; Mann HB, Whitney DR 1947, Annals of Mathematical Statistics
 * 18:50–60), with the correction for ties and half a rank for continuity.
 *
 * @param values  all of them; those that are not known have no rank
 * @returns       a function of the places of some of them, each once: above 0 where they are larger than the others; 0
 *                for fewer than five, and where fewer than five are left to compare with
 * @example       rankScore([1, 2, 3, 4, 5, 6, 7, 8, 9, 10])([5, 6, 7, 8, 9]) // 2.51
 */
export function rankScore(values: readonly (number | undefined)[]): (places: readonly number[]) => number {
  // the values in order, each once, with the rank that those alike share: numbers alone are put in order fastest
  const sorted = Float64Array.from(values.filter((value) => value !== undefined)).sort()
  const all = sorted.length
  const [distinct, midranks] = [new Float64Array(all), new Float64Array(all)]
  let [size, ties] = [0, 0]
  for (let from = 0; from < all; ) {
    let to = from
    while (to < all && sorted[to] === sorted[from]) to++
    distinct[size] = sorted[from]!
    midranks[size++] = (from + to + 1) / 2
    ties += (to - from) ** 3 - (to - from)
    from = to
  }
  const rankOf = (value: number): number => {
    let [low, high] = [0, size]
    while (low < high) {
      const middle = (low + high) >> 1
      if (distinct[middle]! < value) low = middle + 1
      else high = middle
    }
    return midranks[low]!
  }
  const ranks = Float64Array.from(values, (value) => (value === undefined ? 0 : rankOf(value)))
  return (places) => {
    let [sum, count] = [0, 0]
    for (const place of places)
      if (ranks[place]! > 0) {
        sum += ranks[place]!
        count++
      }
    const others = all - count
    if (count < LEAST || others < LEAST) return 0
    const off = sum - (count * (all + 1)) / 2
    const variance = ((count * others) / 12) * (all + 1 - ties / (all * (all - 1)))
    return variance > 0 ? (Math.sign(off) * Math.max(0, Math.abs(off) - 0.5)) / Math.sqrt(variance) : 0
  }
}
