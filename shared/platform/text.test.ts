import { expect, it } from 'vitest'
import { text } from './text'

it('takes the blanks away at both ends, and refuses what is no text with a sentence', () => {
  expect(text().required('Give it a name.').validateSync(' Two words ')).toBe('Two words')
  for (const value of [[], ['a'], {}]) expect(() => text().validateSync(value)).toThrow('Write a text here.')
  expect(() => text().required('Give it a name.').validateSync('  ')).toThrow('Give it a name.')
  expect(text().default('').validateSync(undefined)).toBe('')
})
