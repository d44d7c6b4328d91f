import fc from 'fast-check'
import { expect, it } from 'vitest'
import { median } from '../statistics/median'
import { othersMedians, othersOf } from './othersMedians'

it('is the median of all others, whichever is left out', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 6, maxLength: 24 }), (values) => {
      const found = othersMedians(values)!
      values.forEach((value, index) => {
        const others = values.filter((_, at) => at !== index)
        expect(othersOf(value, found)).toBe(median(others))
      })
    }),
  )
})

it('says nothing with fewer than five others', () => expect(othersMedians([1, 2, 3, 4, 5])).toBeUndefined())
