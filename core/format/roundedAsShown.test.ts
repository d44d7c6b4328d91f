import { describe, expect, it } from 'vitest'
import { formatCompact } from './numbers'
import { roundedAsShown } from './roundedAsShown'

describe('an estimate in a file', () => {
  it('is rounded as on the page', () => {
    expect([61_823.4, 999.6, 1049, 999_600, 123_456_789, 0].map((value) => roundedAsShown(value, 'people'))).toEqual([
      61_800, 1000, 1000, 1_000_000, 123_000_000, 0,
    ])
    expect(roundedAsShown(0.05123, 'share')).toBe(0.051)
    expect(roundedAsShown(83.4, 'seconds')).toBe(83)
    expect([roundedAsShown(2.349, 'times'), roundedAsShown(-1.26, 'times')]).toEqual([2.3, -1.3])
  })

  it('reads on the page as before it was rounded', () => {
    for (let value = 1; value < 5e8; value = value * 1.37 + 3)
      expect(formatCompact(roundedAsShown(value, 'count'), 'en-GB')).toBe(formatCompact(value, 'en-GB'))
  })
})
