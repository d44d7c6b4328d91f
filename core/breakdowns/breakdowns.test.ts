import { describe, expect, it } from 'vitest'
import { AUDIENCE_BASES, audienceBreakdown, FACETS } from './audienceBreakdowns'
import { metricById } from '../metrics/catalogue'
import { reportsMetric } from '../metrics/reportsMetric'
import { networkById } from '../networks/networks'
import { partName, breakdownById, BREAKDOWNS, STORED_BREAKDOWNS } from './breakdowns'
import { fitsTimes, timesBounds } from './timesBounds'

describe('breakdowns', () => {
  it('are of metrics that their networks report, and of kinds that fit: people are never parts of a sum', () => {
    for (const { id, metric, kind, networks } of BREAKDOWNS) {
      expect(
        Object.keys(networks).every((network) => reportsMetric(networkById(network), metric)),
        id,
      ).toBe(true)
      const kinds = {
        parts: 'flow',
        nested: 'flow',
        levels: 'stock',
        overlapping: 'unique',
        times: 'unique',
        hours: 'stock',
      } as const
      expect(metricById(metric).kind, id).toBe(kinds[kind])
    }
  })
  it('have a name and a code each, which no other has', () => {
    for (const of of [STORED_BREAKDOWNS.map(({ id }) => id), STORED_BREAKDOWNS.map(({ code }) => code)])
      expect(new Set<string | number>(of).size).toBe(of.length)
    // a code that another breakdown had taken would leave the audience’s out without a word
    for (const { id, codes } of FACETS)
      for (const { id: base } of AUDIENCE_BASES)
        expect(breakdownById(audienceBreakdown(base, id)).code, `${id} of ${base}`).toBe(codes[base])
  })
  it('name their parts, and open ones name themselves', () => {
    expect(partName(breakdownById('impressions_by_source'), 'shared')).toBe('Through sharing')
    expect(partName(breakdownById('visits_by_site'), 'farrowpost.example')).toBe('farrowpost.example')
    expect([
      partName(breakdownById('followers_by_country'), 'IE'),
      partName(breakdownById('followers_by_country'), 'elsewhere'),
      partName(breakdownById('calls_by_hour'), '9'),
    ]).toEqual(['Ireland', 'elsewhere', '09:00'])
    expect(() => breakdownById('by_magic')).toThrow('there is no breakdown "by_magic"')
  })
})

describe('people by times', () => {
  it('bound their mean from both ends', () => {
    expect(
      timesBounds(
        new Map([
          ['1', 60],
          ['3-4', 40],
        ]),
      ),
    ).toEqual({ people: 100, low: 1.8, high: 2.2 })
  })
  it('do not bound it from above when somebody is in the open class', () => {
    expect(
      timesBounds(
        new Map([
          ['1', 50],
          ['9', 50],
        ]),
      ),
    ).toEqual({ people: 100, low: 5 })
  })
  it('say nothing of nobody', () => expect(timesBounds(new Map([['2', 0]]))).toBeUndefined())
  it('tell a frequency that contradicts them', () => {
    const bounds = { people: 100, low: 1.8, high: 2.2 }
    expect([1.5, 1.8, 2, 2.2, 2.6].map((frequency) => fitsTimes(frequency, bounds))).toEqual([
      false,
      true,
      true,
      true,
      false,
    ])
    expect(fitsTimes(40, { people: 1, low: 5 })).toBe(true)
  })
})
