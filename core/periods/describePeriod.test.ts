import { expect, it } from 'vitest'
import { describeInstant } from './describePeriod'

it('the day of an instant is that of its zone', () => {
  const late = new Date('2026-10-28T23:30:00Z')
  expect([describeInstant(late), describeInstant(late, 'Europe/Paris'), describeInstant(late, 'America/Lima')]).toEqual(
    ['28 Oct 2026', '29 Oct 2026', '28 Oct 2026'],
  )
})
