import { createHash } from 'node:crypto'
import { expect, it } from 'vitest'
import { canonicalJson } from '../../core/reports/canonicalJson'

// RFC 8785 (JSON Canonicalization Scheme), section 3.2.4 with appendix B: order of keys, literals, shortest numbers
it('writes the example of RFC 8785 as it prescribes', () => {
  const given = JSON.parse(
    '{"numbers":[333333333.33333329,1E30,4.50,2e-3,0.000000000000000000000000001],' +
      '"string":"\\u20ac$\\u000F\\u000aA\'\\u0042\\u0022\\u005c\\\\\\"\\/","literals":[null,true,false]}',
  ) as unknown
  expect(canonicalJson(given)).toBe(
    '{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\\u000f\\nA\'B\\"\\\\\\\\\\"/"}',
  )
})

// RFC 8785, section 3.2.3: keys are ordered by their UTF-16 code units
it('orders keys by their code units', () => {
  const given = {
    '\u20ac': 'Euro Sign',
    '\r': 'Carriage Return',
    '\ufb33': 'Hebrew Letter Dalet With Dagesh',
    '1': 'One',
    '\ud83d\ude00': 'Emoji',
    '\u0080': 'Control',
    '\u00f6': 'Latin Small Letter O With Diaeresis',
  }
  expect(
    Object.values(
      JSON.parse(
        canonicalJson(
          Object.entries(given)
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([, name]) => name),
        ),
      ) as string[],
    ),
  ).toEqual([
    'Carriage Return',
    'One',
    'Control',
    'Latin Small Letter O With Diaeresis',
    'Euro Sign',
    'Emoji',
    'Hebrew Letter Dalet With Dagesh',
  ])
  expect(canonicalJson(given).indexOf('Carriage')).toBeLessThan(canonicalJson(given).indexOf('One'))
})

// FIPS 180-4, the example "abc" (value from memory): the hash that stands on every edition
it('is hashed with SHA-256', () =>
  expect(createHash('sha256').update('abc').digest('hex')).toBe(
    'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
  ))
