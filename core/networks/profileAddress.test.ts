import { describe, expect, it } from 'vitest'
import { isHandle, profileAddress, readProfileAddress } from './profileAddress'

describe('addresses of profiles', () => {
  it.each([
    ['https://tintype.example/@mossgate', 'tintype', 'mossgate'],
    ['HTTP://www.commons.example/MossgateGardens/', 'commons', 'mossgategardens'],
    ['cork.example/orrerypress?from=page#top', 'cork', 'orrerypress'],
    ['https://murmur.example/%40kittiwakeline', 'murmur', 'kittiwakeline'],
  ])('reads %s', (address, network, handle) => expect(readProfileAddress(address)).toEqual({ network, handle }))

  it.each([
    'https://elsewhere.example/mossgate',
    'https://tintype.example/',
    'https://tintype.example/posts/12',
    'ftp://tintype.example/mossgate',
    'mossgate',
    '',
    'https://tintype.example/%zz',
    'https://tintype.example.evil.example/mossgate',
  ])('does not read %s', (address) => {
    expect(readProfileAddress(address)).toBeUndefined()
  })

  it('are read back as they were written', () => {
    expect(readProfileAddress(profileAddress({ network: 'guildhall', handle: 'orrery-press' }))).toEqual({
      network: 'guildhall',
      handle: 'orrery-press',
    })
  })

  it('know what can be a handle', () => {
    expect(['@mossgate.nursery', 'a', 'orrery-press'].every(isHandle)).toBe(true)
    expect(['', '@', 'two words', '.dot', 'a/b', 'x'.repeat(61)].some(isHandle)).toBe(false)
  })
})
