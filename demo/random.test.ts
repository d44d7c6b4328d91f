import { expect, it } from 'vitest'
import { unit } from './random'

/** The same as it is defined: FNV-1a over the signs of the joined key, then the finaliser of MurmurHash3. */
function defined(text: string): number {
  let hash = 0x811c9dc5
  for (const sign of text) hash = Math.imul(hash ^ sign.codePointAt(0)!, 0x01000193)
  hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b)
  hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35)
  return ((hash ^ (hash >>> 16)) >>> 0) / 2 ** 32
}

it('depends on its key alone, whatever signs stand in it', () => {
  for (const key of [[], [''], ['a'], ['mossgate', '2026-10-28', 7], [-1.5, 'é—😀', 'x'], ['😀', 0]])
    expect(unit(...key), key.join('|')).toBe(defined(key.join('|')))
})
