import { expect, it } from 'vitest'
import { readPeriod } from './readPeriod'

it.each([
  ['this-month', 'month'],
  ['2026-11-01..2026-11-25', 'month'],
  ['2026-10-01..2026-11-25', 'quarter'],
  ['2026-11-23..2026-11-25', 'week'],
  ['last-25-days', undefined],
  ['2026-11-01..2026-11-24', undefined],
  ['2026-10', undefined],
] as const)('%s is %s so far', (words, unit) => expect(readPeriod(words, '2026-11-25').running).toBe(unit))

it.each([
  ['2026-10', undefined],
  ['2026-10-01..2026-10-31', undefined],
  ['2026-q4', 'quarter'],
  ['2026-h2', 'half'],
  ['this-month', 'month'],
] as const)('%s on the first of a month is %s so far', (words, unit) =>
  expect(readPeriod(words, words === 'this-month' ? '2026-11-01' : '2026-10-31').running).toBe(unit),
)
