import { expect, it } from 'vitest'
import { describeWhy } from './describeWhy'

const say = (amount: number) => `${amount > 0 ? '+' : ''}${amount}`

it('names the largest first, and what went the other way', () => {
  const parts = [
    { key: 'Clips', change: 15 },
    { key: 'Photos', change: -3 },
    { key: 'Stories', change: 2 },
    { key: 'Text', change: 1 },
  ]
  expect(describeWhy(15, parts, say)).toBe('Mostly Clips (+15), Stories (+2); against it Photos (-3).')
  expect(describeWhy(-9, [{ key: 'Clips', change: -9 }], say)).toBe('Mostly Clips (-9).')
})
it('says so when nothing moved, or when it cancels out', () => {
  expect(describeWhy(0, [{ key: 'Clips', change: 0 }], say)).toBe('No part has changed.')
  expect(
    describeWhy(
      0,
      [
        { key: 'Clips', change: 4 },
        { key: 'Photos', change: -4 },
      ],
      say,
    ),
  ).toBe('Up and down cancel out Clips (+4), Photos (-4).')
})
