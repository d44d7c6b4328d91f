import { beforeAll, describe, expect, it } from 'vitest'
import { hashPassword, verifyPassword } from './password'
import { newToken, seal, tokenHash, unseal } from './secrets'

beforeAll(() => {
  process.env.ZAFFER_SECRET = 'a secret that is only for the tests, and long enough'
})

describe('sealed text', () => {
  it('opens to what was sealed, and is never the same twice', () => {
    expect(unseal(seal('access and refresh'))).toBe('access and refresh')
    expect(unseal(seal('Größe €'))).toBe('Größe €')
    expect(seal('same').equals(seal('same'))).toBe(false)
    expect(seal('a secret').toString('latin1')).not.toContain('a secret')
  })

  it('does not open when a single bit was changed', () => {
    const sealed = seal('access')
    for (let at = 0; at < sealed.length; at++) {
      const changed = Buffer.from(sealed)
      changed[at]! ^= 1
      expect(() => unseal(changed)).toThrow()
    }
  })
})

describe('secret links', () => {
  it('are long, safe in an address, and kept as a hash', () => {
    const tokens = Array.from({ length: 200 }, newToken)
    expect(new Set(tokens).size).toBe(200)
    for (const token of tokens) expect(token).toMatch(/^[\w-]{43}$/)
    expect(tokenHash('abc').toString('hex')).toBe('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad')
  })
})

describe('passwords', () => {
  it('are kept as salted scrypt hashes', async () => {
    const [first, second] = [await hashPassword('a password'), await hashPassword('a password')]
    expect(first).toMatch(/^\$scrypt\$/)
    expect(first).not.toBe(second)
    expect(await verifyPassword(first, 'a password')).toBe(true)
    expect(await verifyPassword(first, 'another')).toBe(false)
  })
})
