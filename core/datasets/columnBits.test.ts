import { expect, it } from 'vitest'
import { bitOf, bitsOf, hasBit } from './columnBits'
import { valueColumns } from './dataset'
import { DATASETS, PROFILE_DAY } from './datasets'

it.each(DATASETS.map((dataset) => [dataset.id, dataset] as const))(
  'every column of %s has a bit of its own, which fits into an exact number',
  (_, dataset) => {
    const columns = valueColumns(dataset)
    expect(new Set(columns.map((column) => bitOf(dataset, column))).size).toBe(columns.length)
    for (const column of columns) expect(Math.log2(bitOf(dataset, column))).toBeLessThan(40)
  },
)

it('keeps any set of columns', () => {
  const all = valueColumns(PROFILE_DAY)
  const some = all.filter((_, index) => index % 3 === 0)
  const bits = bitsOf(PROFILE_DAY, [...some, some[0]!])
  expect(all.filter((column) => hasBit(PROFILE_DAY, bits, column))).toEqual(some)
})

it('does not take a column of another dataset', () => {
  expect(() => bitOf(PROFILE_DAY, 'remote_id')).toThrow('profile_day has no column "remote_id"')
})
