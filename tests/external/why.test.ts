import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contributions } from '../../core/why/contributions'
import { factorContributions, logarithmicMean } from '../../core/why/factors'
import { mixAndRate } from '../../core/why/mixAndRate'

const count = fc.integer({ min: 0, max: 100_000 })

describe('a total over its parts', () => {
  it('is explained to the last one', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ key: fc.string(), from: count, to: count })), (parts) => {
        const change = parts.reduce((sum, { from, to }) => sum + to - from, 0)
        expect(contributions(parts).reduce((sum, part) => sum + part.change, 0)).toBe(change)
      }),
    )
  })
})

describe('mix and rate (Kitagawa 1955, J Am Stat Assoc 50:1168)', () => {
  // worked by hand after the formulas of the paper, sections I and II: rates of 10 % and 2 %, weights of 50:50 and then
  // 80:20
  it('of a pure change of weights is mix alone', () => {
    const found = mixAndRate([
      { key: 'high', from: { numerator: 50, denominator: 500 }, to: { numerator: 80, denominator: 800 } },
      { key: 'low', from: { numerator: 10, denominator: 500 }, to: { numerator: 4, denominator: 200 } },
    ])!
    expect(found.from).toBeCloseTo(0.06, 12)
    expect(found.to).toBeCloseTo(0.084, 12)
    expect(found.mix).toBeCloseTo(0.024, 12)
    expect(found.rate).toBeCloseTo(0, 12)
  })
  it('of a pure change of rates is rate alone', () => {
    const found = mixAndRate([
      { key: 'high', from: { numerator: 50, denominator: 500 }, to: { numerator: 120, denominator: 1000 } },
      { key: 'low', from: { numerator: 10, denominator: 500 }, to: { numerator: 20, denominator: 1000 } },
    ])!
    expect(found.mix).toBeCloseTo(0, 12)
    expect(found.rate).toBeCloseTo(0.01, 12)
    expect(found.parts[0]).toMatchObject({ key: 'high' })
  })
  // both at once: mix 0.3·(0.11 − 0.02) … by the symmetric formula Σ Δw·r̄ and Σ Δr·w̄
  it('of both at once shares the interaction evenly', () => {
    const found = mixAndRate([
      { key: 'a', from: { numerator: 50, denominator: 500 }, to: { numerator: 96, denominator: 800 } },
      { key: 'b', from: { numerator: 10, denominator: 500 }, to: { numerator: 4, denominator: 200 } },
    ])!
    expect(found.mix).toBeCloseTo(0.3 * 0.11 - 0.3 * 0.02, 12)
    expect(found.rate).toBeCloseTo(0.02 * 0.65, 12)
  })
  it('adds up exactly, with parts that come and go', () => {
    const side = fc.tuple(count, count).map(([a, b]) => ({ numerator: Math.min(a, b), denominator: b }))
    fc.assert(
      fc.property(
        fc.array(fc.record({ key: fc.string(), from: side, to: side }), { minLength: 1, maxLength: 8 }),
        (parts) => {
          const found = mixAndRate(parts)
          if (!found) return
          expect(found.mix + found.rate).toBeCloseTo(found.to - found.from, 9)
          expect(found.parts.reduce((sum, { change }) => sum + change, 0)).toBeCloseTo(found.to - found.from, 9)
        },
      ),
    )
  })
})

describe('factors of a product (additive LMDI, Ang 2005, Energy Policy 33:867)', () => {
  // the logarithmic mean L(a, b) = (a − b) / ln(a / b) lies between the geometric and the arithmetic mean (common
  // practice)
  it('rests on the logarithmic mean', () => {
    expect(logarithmicMean(10, 10)).toBe(10)
    expect(logarithmicMean(2, 8)).toBeCloseTo(6 / Math.log(4), 12)
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9999 }), fc.integer({ min: 1, max: 9999 }), (a, b) => {
        expect(logarithmicMean(a, b)).toBeGreaterThanOrEqual(Math.sqrt(a * b) - 1e-9)
        expect(logarithmicMean(a, b)).toBeLessThanOrEqual((a + b) / 2 + 1e-9)
      }),
    )
  })
  // worked by hand: 2 × 10 becomes 4 × 15, ΔV = 40, L = 40 / ln 3
  it('leaves no residual', () => {
    const [posts, each] = factorContributions([
      { key: 'posts', from: 2, to: 4 },
      { key: 'each', from: 10, to: 15 },
    ])
    expect(posts!.change).toBeCloseTo((40 / Math.log(3)) * Math.log(2), 12)
    expect(each!.change).toBeCloseTo((40 / Math.log(3)) * Math.log(1.5), 12)
    expect(posts!.change + each!.change).toBeCloseTo(40, 12)
  })
  // the limits of Ang & Liu 2007, Energy Policy 35:238, table 1: a factor that comes from zero carries the whole change
  it('takes zeros by their limits', () => {
    expect(
      factorContributions([
        { key: 'posts', from: 0, to: 3 },
        { key: 'each', from: 10, to: 20 },
      ]),
    ).toEqual([
      { key: 'posts', change: 60 },
      { key: 'each', change: 0 },
    ])
    expect(
      factorContributions([
        { key: 'posts', from: 3, to: 0 },
        { key: 'each', from: 10, to: 0 },
      ]).map(({ change }) => change),
    ).toEqual([-15, -15])
    expect(
      factorContributions([
        { key: 'posts', from: 0, to: 3 },
        { key: 'each', from: 4, to: 0 },
      ]).map(({ change }) => change),
    ).toEqual([0, 0])
    // the limit itself, with a small number in the place of zero
    const [small] = factorContributions([
      { key: 'posts', from: 1e-200, to: 3 },
      { key: 'each', from: 10, to: 20 },
    ])
    expect(small!.change).toBeCloseTo(60, 0)
  })
  it('adds up exactly for any numbers', () => {
    const factor = fc.record({
      key: fc.string(),
      from: fc.integer({ min: 0, max: 999 }),
      to: fc.integer({ min: 0, max: 999 }),
    })
    fc.assert(
      fc.property(fc.array(factor, { minLength: 1, maxLength: 4 }), (factors) => {
        const product = (side: 'from' | 'to') => factors.reduce((all, each) => all * each[side], 1)
        const sum = factorContributions(factors).reduce((all, { change }) => all + change, 0)
        expect(Math.abs(sum - (product('to') - product('from')))).toBeLessThanOrEqual(
          1e-9 * Math.max(1, product('to'), product('from')),
        )
      }),
    )
    expect(() => factorContributions([{ key: 'posts', from: -1, to: 2 }])).toThrow('below zero')
  })
})
