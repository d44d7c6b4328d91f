import { describe, expect, it } from 'vitest'
import { robustSpread } from './robustSpread'

describe('the robust spread of values', () => {
  it('is by the median absolute deviation, which one that lies far off does not move', () => {
    expect(robustSpread([1, 2, 3, 4, 100])).toEqual({ middle: 3, spread: 1.4826, freedom: 0.37 * 4 })
    expect(robustSpread([1, 2, 3, 4, 1e9])).toEqual(robustSpread([1, 2, 3, 4, 100]))
  })
  it('of nothing is not known', () => expect(robustSpread([])).toBeUndefined())
})
