import fc from 'fast-check'
import { expect, it } from 'vitest'
import { plainText, safeText } from './packageText'

it('a text comes back as it was, and is never a formula', () => {
  const text = fc.oneof(
    fc.string({ unit: 'grapheme' }),
    fc
      .tuple(fc.constantFrom('=', '+', '-', '@', "'", ' =', '\t', '\r\n', '＝'), fc.string())
      .map((all) => all.join('')),
  )
  fc.assert(
    fc.property(text, (given) => {
      const safe = safeText(given)
      expect(plainText(safe)).toBe(given)
      expect(safe.trimStart()).not.toMatch(/^[=+\-@＝＋－＠]/u)
    }),
  )
})
