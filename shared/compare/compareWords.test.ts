import { describe, expect, it } from 'vitest'
import { breakWords } from './breakWords'
import { measureValue, referenceWords, sizeWords } from './industryWords'
import type { Sighting } from './sightings'
import { sightingWords } from './sightingWords'

const plain = (text: string) => text.replaceAll('\u202F', ' ')

describe('what rivals did, in words', () => {
  const said = (part: Partial<Sighting>) =>
    plain(
      sightingWords(
        {
          kind: 'post',
          network: 'tintype',
          networkName: 'Tintype',
          day: '2026-10-19',
          text: '',
          settledBy: '',
          isSettled: false,
          ...part,
        },
        'en-GB',
      ),
    )
  it('is a sentence of each kind', () => {
    expect(said({ amount: 977, usual: 107, text: 'The tea room\nhas plum cake again.' })).toBe(
      'had a post on Tintype with 977 interactions, 9.1 times the usual 107: “The tea room has plum cake again.”',
    )
    expect(said({ amount: 5, usual: 0, text: 'x'.repeat(90) })).toBe(
      `had a post on Tintype with 5 interactions: “${'x'.repeat(80)}…”`,
    )
    expect(said({ kind: 'silence', from: '2026-10-03', amount: 1 })).toBe(
      'had posted nothing since 3 Oct 2026: much longer than any pause of the year before, of which the longest was 1 day.',
    )
    expect(said({ kind: 'hashtag', from: '2026-10-09', text: 'cometclub' })).toBe(
      'began to use #cometclub on 9 Oct 2026, in three posts by 19 Oct 2026.',
    )
    expect(said({ kind: 'network', text: 'glassfernery', amount: 1640 })).toBe(
      'seems to be on Tintype too, as glassfernery, with 1,640 followers.',
    )
    expect(said({ kind: 'network', text: 'glassfernery' })).toBe('seems to be on Tintype too, as glassfernery.')
  })
})

describe('what breaks a series, in words', () => {
  it('says who ends and who begins', () => {
    expect(breakWords({ week: 1, begins: ['Lantern'], ends: ['Cork', 'Murmur'] })).toBe(
      'Cork and Murmur end, Lantern begins',
    )
    expect(breakWords({ week: 1, begins: [], ends: ['Cork'] })).toBe('Cork ends')
  })
})

describe('figures of an industry, in words', () => {
  it('say of which accounts they are, and what is not known', () => {
    expect(
      [{}, { from: 1000 }, { below: 1000 }, { from: 1000, below: 10_000 }].map((of) => sizeWords(of, 'en-GB')),
    ).toEqual([
      'of any size',
      'of 1,000 followers or more',
      'of fewer than 1,000 followers',
      'of 1,000 to 10,000 followers',
    ])
    expect(plain(measureValue('growth', -0.0123, 'en-GB'))).toBe('-1.23 %')
    const figure = {
      measure: 'post_rate' as const,
      network: 'cork',
      middle: 0.02,
      source: 'A yearbook',
      day: '2026-03-01',
    }
    const words = (part: object) => plain(referenceWords({ ...figure, isInvented: false, ...part }, 'en-GB'))
    expect(words({})).toBe('Engagement rate by post on Cork, accounts of any size: 2.00 %. A yearbook, 1 Mar 2026.')
    expect(words({ lower: 0.01, isInvented: true })).toBe(
      'Engagement rate by post on Cork, accounts of any size: 2.00 % (lower quartile 1.00 %). A yearbook, 1 Mar 2026 (invented).',
    )
    expect(words({ upper: 0.03 })).toContain('(upper quartile 3.00 %)')
  })
})
