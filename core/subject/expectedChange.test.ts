import { expect, it } from 'vitest'
import { expectedChange } from './expectedChange'

it('weighs the change of every subject by what was one’s own there', () => {
  expect(
    expectedChange([
      { key: 'a', own: 300, subject: 0.1 },
      { key: 'b', own: 100, subject: -0.1 },
    ]),
  ).toBeCloseTo(0.05, 12)
})
it('is the subject’s own where there is only one', () =>
  expect(expectedChange([{ key: 'a', own: 7, subject: -0.16 }])).toBeCloseTo(-0.16, 12))
it('is not there when there was nothing before', () =>
  expect(expectedChange([{ key: 'a', own: 0, subject: 0.5 }])).toBeUndefined())
