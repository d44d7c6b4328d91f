import { describe, expect, it } from 'vitest'
import { closestReference, fits, placeBeside, REFERENCE_MEASURES, referenceMeasure, type Reference } from './reference'

const reference = (part: Partial<Reference> & { day?: string } = {}) => ({
  measure: 'week_posts' as const,
  network: '',
  middle: 3,
  day: '2026-01-01',
  ...part,
})

describe('references of an industry', () => {
  it('are of measures that have a name, and of no others', () => {
    expect(new Set(REFERENCE_MEASURES.map(({ id }) => id)).size).toBe(REFERENCE_MEASURES.length)
    expect(referenceMeasure('click_rate').name).toBe('Click rate')
    expect(() => referenceMeasure('reach')).toThrow('there is no measure')
  })
  it('fit a network and a size', () => {
    const profile = { network: 'tintype', followers: 1000 }
    expect(fits(reference(), profile)).toBe(true)
    expect(fits(reference({ network: 'commons' }), profile)).toBe(false)
    expect(fits(reference({ from: 1000 }), profile)).toBe(true)
    expect(fits(reference({ from: 1001 }), profile)).toBe(false)
    expect(fits(reference({ below: 1000 }), profile)).toBe(false)
    expect(fits(reference({ below: 1001 }), { network: 'tintype' })).toBe(false)
    expect(fits(reference({}), { network: 'tintype' })).toBe(true)
    // a listing cannot be followed: what is usual of accounts says nothing of it, but for a figure of its own network
    expect(fits(reference({}), { network: 'waymark' })).toBe(false)
    expect(fits(reference({ network: 'waymark' }), { network: 'waymark' })).toBe(true)
  })
  it('are chosen by network, then by the narrowest size, then by date', () => {
    const profile = { network: 'tintype', followers: 5000 }
    const [any, sized, own, narrow, old] = [
      reference({ middle: 1, day: '2026-09-01' }),
      reference({ middle: 2, from: 1000, below: 10_000 }),
      reference({ middle: 3, network: 'tintype' }),
      reference({ middle: 4, network: 'tintype', from: 1000, below: 10_000 }),
      reference({ middle: 5, network: 'tintype', from: 1000, below: 10_000, day: '2025-01-01' }),
    ]
    const pick = (...some: ReturnType<typeof reference>[]) => closestReference(some, profile)?.middle
    expect(pick(any, sized, own, old, narrow)).toBe(4)
    expect(pick(any, sized, own)).toBe(3)
    expect(pick(any, sized)).toBe(2)
    expect(pick(old, any)).toBe(5)
    expect(pick(reference({ from: 10_000 }))).toBeUndefined()
    expect(pick(reference({ middle: 6, from: 100 }), reference({ middle: 7, from: 4000 }))).toBe(7)
    expect(pick(reference({ middle: 8 }), reference({ middle: 9, day: '2026-02-01' }))).toBe(9)
  })
  it('say in which quarter a value lies, or on which side of the middle', () => {
    const whole = reference({ lower: 2, middle: 3, upper: 5 })
    expect([1.9, 2, 3, 4, 5, 5.1].map((value) => placeBeside(value, whole))).toEqual([
      'lowest quarter',
      'below the middle',
      'at the middle',
      'above the middle',
      'above the middle',
      'highest quarter',
    ])
    expect([0, 9].map((value) => placeBeside(value, reference()))).toEqual(['below the middle', 'above the middle'])
  })
})
