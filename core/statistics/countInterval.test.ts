import { expect, it } from 'vitest'
import { countInterval } from './countInterval'

it('of a count is the score interval: both ends are 1.96 of their own standard deviations away', () => {
  for (const count of [0, 1, 10, 100, 10_000]) {
    const { low, high } = countInterval(count)
    // the ends solve (x − mean)² = z² · mean
    for (const mean of [low, high])
      expect((count - mean) ** 2).toBeCloseTo(1.959963984540054 ** 2 * Math.max(0, mean), 4)
    expect(low).toBeLessThanOrEqual(count)
  }
})
it('of a difference rests on everything that was counted on both sides', () => {
  const { low, high } = countInterval(2, 600)
  expect((high - low) / 2).toBeCloseTo(1.959963984540054 * Math.sqrt(600 + 0.9604), 2)
  expect((high + low) / 2).toBe(2)
})
