import { randomInt } from 'node:crypto'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { newCode, CODE_LETTERS, CODE_LENGTH, codesIn, isLinkCode } from './linkCode'
import { withCampaign } from './withCampaign'

const NONE = { source: '', medium: '', campaign: '', content: '' }

describe('codes', () => {
  it('are of the letters that a code can have', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(...CODE_LETTERS), minLength: 7, maxLength: 7 }), isLinkCode),
    )
    expect(['b2c3d4', 'b2c3d4f5', 'a2c3d4f', 'b2c3d4l', 'b1c3d4f', ''].filter(isLinkCode)).toEqual([])
    expect(CODE_LENGTH).toBe(7)
    expect(isLinkCode(newCode((below) => below - 1))).toBe(true)
    expect(new Set(Array.from({ length: 200 }, () => newCode(randomInt))).size).toBe(200)
  })
  it('are found in a text, each once, and only whole', () => {
    expect(
      codesIn('See https://h.example/l/b2c3d4f, again http://h.example/l/b2c3d4f and h.example/l/zzz2222.'),
    ).toEqual(['b2c3d4f', 'zzz2222'])
    expect(codesIn('https://h.example/l/b2c3d4ff and https://h.example/shop/b2c3d4f')).toEqual([])
  })
})

describe('an address with its campaign', () => {
  it('says what is not empty, after what it says already and before its fragment', () => {
    expect(
      withCampaign('https://g.example/visit?day=sun#map', { ...NONE, source: 'tintype', campaign: 'Night & day' }),
    ).toBe('https://g.example/visit?day=sun&utm_source=tintype&utm_campaign=Night+%26+day#map')
    expect(withCampaign('javascript:alert(1)', NONE)).toBeUndefined()
    expect(withCampaign('nowhere', NONE)).toBeUndefined()
    expect(withCampaign('https://g.example/a?b=%20c', NONE)).toBe('https://g.example/a?b=%20c')
  })
  it('says each once', () =>
    expect(withCampaign('https://g.example/?utm_source=old&x=1', { ...NONE, source: 'new' })).toBe(
      'https://g.example/?utm_source=new&x=1',
    ))
})
