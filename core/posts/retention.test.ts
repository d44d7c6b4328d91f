import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readRetention } from './retention'

describe('readRetention', () => {
  it('reads a curve as with pencil', () => {
    const reading = readRetention([
      { at: 0, plays: 200 },
      { at: 25, plays: 120 },
      { at: 50, plays: 90 },
      { at: 75, plays: 95 },
      { at: 100, plays: 30 },
    ])!
    // (160 + 105 + 92.5 + 62.5) × 25 = 10,500 of 20,000
    expect(reading.seen).toBeCloseTo(0.525, 12)
    // from 120 to 90 over 25 points: 100 lies two thirds of the way
    expect(reading.half).toBeCloseTo(25 + (20 / 30) * 25, 12)
    // at an even pace 170 / 4 = 42.5 would leave in a quarter: 80 are not twice that, so no place stands out
    expect(reading.losses).toEqual([])
  })

  it('has no half where more than half stayed to the end', () => {
    expect(
      readRetention([
        { at: 0, plays: 100 },
        { at: 100, plays: 51 },
      ]),
    ).toEqual({ seen: 0.755, losses: [] })
  })

  it('names the places that lose twice as many as an even pace, the worst first', () => {
    const plays = [100, 60, 58, 56, 54, 52, 50, 30, 28, 26, 20]
    expect(readRetention(plays.map((value, index) => ({ at: index * 10, plays: value })))!.losses).toEqual([
      // 80 are lost over the whole, 8 in each tenth
      { from: 0, to: 10, plays: 40, share: 0.4 },
      { from: 60, to: 70, plays: 20, share: 0.2 },
    ])
  })

  it('says nothing of a few plays, or of a curve that breaks off', () => {
    expect(
      readRetention([
        { at: 0, plays: 29 },
        { at: 100, plays: 3 },
      ]),
    ).toBeUndefined()
    expect(
      readRetention([
        { at: 0, plays: 290 },
        { at: 95, plays: 3 },
      ]),
    ).toBeUndefined()
    expect(readRetention([])).toBeUndefined()
  })

  it('has been seen between nothing and whole where nobody goes back, and half is reached once', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 5000 }), { minLength: 2, maxLength: 40 }), (plays) => {
        const falling = [...plays].sort((a, b) => b - a)
        falling[0] = Math.max(30, falling[0]!)
        const points = falling.map((value, index) => ({ at: (index * 100) / (falling.length - 1), plays: value }))
        const { seen, half } = readRetention(points)!
        expect(seen).toBeGreaterThanOrEqual(0)
        expect(seen).toBeLessThanOrEqual(1)
        expect(half !== undefined).toBe(falling.at(-1)! <= falling[0]! / 2)
      }),
    )
  })
})
