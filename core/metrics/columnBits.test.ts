import { expect, it } from 'vitest'
import { bitOf, bitsOf, hasBit } from './columnBits'
import { FACT_COLUMNS } from './metric'

it('gives every stored column a bit of its own, which fits into an exact number', () => {
  expect(new Set(FACT_COLUMNS.map(bitOf)).size).toBe(FACT_COLUMNS.length)
  for (const column of FACT_COLUMNS) expect(Math.log2(bitOf(column))).toBeLessThan(40)
})

it('keeps any set of columns', () => {
  const some = FACT_COLUMNS.filter((_, index) => index % 3 === 0)
  const bits = bitsOf([...some, some[0]!])
  expect(FACT_COLUMNS.filter((column) => hasBit(bits, column))).toEqual(some)
})
