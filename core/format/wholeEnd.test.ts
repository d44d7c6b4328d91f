import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { wholeEnd } from './wholeEnd'

describe('an end of a range in a file', () => {
  it('is whole for people and counts, and as it is for everything else', () => {
    expect([wholeEnd(19_063.4, 'people', 'down'), wholeEnd(22_000.2, 'count', 'up')]).toEqual([19_063, 22_001])
    expect([wholeEnd(0.0512345, 'share', 'down'), wholeEnd(83.4, 'seconds', 'up')]).toEqual([0.0512345, 83.4])
    expect(wholeEnd(undefined, 'people', 'up')).toBeUndefined()
  })

  it('is never inside the range', () =>
    fc.assert(
      fc.property(fc.double({ min: -1e9, max: 1e9, noNaN: true }), (value) => {
        expect(wholeEnd(value, 'people', 'down')!).toBeLessThanOrEqual(value)
        expect(wholeEnd(value, 'people', 'up')!).toBeGreaterThanOrEqual(value)
      }),
    ))
})
