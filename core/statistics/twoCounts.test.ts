import { describe, expect, it } from 'vitest'
import { chanceOf, countsApart, sharesApart } from './twoCounts'

const of = (count: number, exposure = 1) => ({ count, exposure })

describe('two samples', () => {
  it('of counts lie apart by the conditional test, the same from both sides', () => {
    // a link's clicks, 679 and 646: the score is 33 / √1325 = 0.907
    expect(countsApart(of(679), of(646))).toBeCloseTo(0.907, 2)
    expect(chanceOf(countsApart(of(646), of(679))!)).toBeCloseTo(0.365, 2)
    for (const [a, b] of [
      [3, 9],
      [0, 5],
      [40, 61],
    ] as const)
      expect(countsApart(of(a), of(b))!).toBeCloseTo(-countsApart(of(b), of(a))!, 9)
  })

  it('of few have the chance that a sum by hand gives: 0 of 5 is 1/64 below, half of 1/32', () =>
    expect(chanceOf(countsApart(of(0), of(5))!)).toBeCloseTo(2 / 64, 5))

  it('go by how much each was counted over', () => {
    expect(countsApart(of(310, 31), of(280, 28))).toBeCloseTo(0, 2)
    expect(countsApart(of(100, 10), of(100, 20))!).toBeGreaterThan(4)
  })

  it('of nothing say nothing', () => {
    expect(countsApart(of(0), of(0))).toBeUndefined()
    expect(countsApart(of(1, 0), of(1))).toBeUndefined()
    expect(sharesApart(of(0, 10), of(0, 20))).toBeUndefined()
  })

  it('of proportions lie apart by the score test with the pooled share', () =>
    // 81/263 and 15/148 (Newcombe 1998): pooled 96/411, z = 0.2066 / (√(0.2336 × 0.7664) × √(1/263 + 1/148)) = 4.75
    expect(sharesApart(of(81, 263), of(15, 148))).toBeCloseTo(4.75, 2))

  it('have a chance by the normal distribution, and by Student’s where the scatter was measured', () => {
    expect(chanceOf(1.959964)).toBeCloseTo(0.05, 6)
    // Student's t with ten degrees of freedom leaves 0.05 beyond 2.228 (Abramowitz & Stegun 1964, table 26.10)
    expect(chanceOf(2.228, 10)).toBeCloseTo(0.05, 3)
    expect(chanceOf(2.776, 4)).toBeCloseTo(0.05, 2)
    expect(chanceOf(40)).toBe(0)
  })
})
