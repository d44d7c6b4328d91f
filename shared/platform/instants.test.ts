import { expect, it } from 'vitest'
import { readAnswer } from './instants'

it('an instant arrives as one, and only what is called one', () => {
  const at = new Date('2026-10-29T06:00:00.000Z')
  const given = { issuedAt: at, seenAt: null, endsAt: 'soon', title: at.toISOString(), list: [{ createdAt: at }] }
  expect(readAnswer(JSON.stringify(given))).toEqual(given)
})

it('what is no JSON stays as it is', () => {
  expect([readAnswer(''), readAnswer('<p>no</p>'), readAnswer('7')]).toEqual(['', '<p>no</p>', 7])
})
