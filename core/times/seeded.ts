/**
 * Numbers from 0 (included) to 1 that look drawn by chance and are the same each time: Mulberry32 by T. Ettinger.
 *
 * @param seed  a whole number
 * @example     seeded(7)() === seeded(7)() // true
 */
export function seeded(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 0x1_0000_0000
  }
}
