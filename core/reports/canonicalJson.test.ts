import fc from 'fast-check'
import { expect, it } from 'vitest'
import { canonicalJson } from './canonicalJson'

it('writes keys in order, without spaces, leaving out what is absent', () => {
  expect(canonicalJson({ b: 1, a: [2, undefined, { d: null, c: undefined }] })).toBe('{"a":[2,null,{"d":null}],"b":1}')
})
it('refuses what JSON does not have', () => expect(() => canonicalJson({ a: Number.NaN })).toThrow(TypeError))
it('is the same for the same content, whatever the order of its keys, and reads back as that content', () => {
  fc.assert(
    fc.property(fc.jsonValue(), (value) => {
      const reversed = JSON.parse(JSON.stringify(value), (_, item: unknown) =>
        item && typeof item === 'object' && !Array.isArray(item)
          ? Object.fromEntries(Object.entries(item).reverse())
          : item,
      ) as unknown
      expect(canonicalJson(reversed)).toBe(canonicalJson(value))
      expect(JSON.parse(canonicalJson(value))).toEqual(JSON.parse(JSON.stringify(value)))
    }),
  )
})
