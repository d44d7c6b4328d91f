import { expect, it } from 'vitest'
import { contrast } from './contrast'

it('is that of WCAG 2.2', () => {
  expect(contrast('#000000', '#ffffff')).toBe(21)
  expect(contrast('#23409a', '#23409a')).toBe(1)
  // the grey that just fails on white, and the one that just does not (common practice)
  expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.48, 2)
  expect(contrast('#ffffff', '#767676')).toBeCloseTo(4.54, 2)
})
