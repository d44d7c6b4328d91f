import { expect, test } from 'vitest'
import { formatPoint } from './formatPoint'

test('a day is said with its value, its range, or that it has none', () => {
  const at = { day: '2026-10-01', present: 2 } as const
  expect(formatPoint({ ...at, value: 1234 }, 'count', 'en')).toBe('1,234')
  expect(formatPoint({ ...at, value: 1234, low: 1000, high: 1500 }, 'people', 'en')).toBe('≈ 1,234 (1,000 to 1,500)')
  expect(formatPoint({ ...at, low: 1000 }, 'people', 'en')).toBe('at least 1,000')
  expect(formatPoint({ ...at, low: 1000, high: 1500 }, 'people', 'en')).toBe('1,000 to 1,500')
  expect(formatPoint(at, 'count', 'en')).toBe('no data')
  expect(formatPoint(undefined, 'count', 'en')).toBe('no data')
})
