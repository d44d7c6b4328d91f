import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { slugOf } from './slugOf'

describe('slugOf', () => {
  it('keeps letters and digits and joins them with dashes', () => {
    expect(slugOf('Mossgate Gardens')).toBe('mossgate-gardens')
    expect(slugOf('  Äther & Söhne!  ')).toBe('ather-sohne')
    expect(slugOf('漢字')).toBe('')
  })
  it('is always fit for an address, and no longer than it may be', () => {
    fc.assert(
      fc.property(
        fc.string(),
        (name) => /^([a-z0-9]+(-[a-z0-9]+)*)?$/.test(slugOf(name, 20)) && slugOf(name, 20).length <= 20,
      ),
    )
  })
})
