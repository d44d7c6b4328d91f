import { describe, expect, it } from 'vitest'
import { unit } from '../../demo/random'
import { normalQuantile } from '../statistics/normalQuantile'
import { chanceOf, countsApart } from '../statistics/twoCounts'
import { CLEAR_LEVEL, clearTogether } from './clearTogether'
import { scatterOf, USUAL_SCATTER } from './scatter'
import { usualOf } from './usual'

/**
 * Worlds in which nothing changes. In 3,000 of them a share of 0.05 comes out between 0.041 and 0.059 with 97.5 %
 * (1.96 × √(0.05 × 0.95 / 3000) = 0.008): a claim that holds at most one time in twenty stays below 0.06.
 */
const WORLDS = 3000
const MOST_CLEAR = 0.06

const normal = (...key: (string | number)[]) => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, unit(...key))))
/** A count whose variance is `times` its mean; whole and never below zero. */
const count = (mean: number, times: number, ...key: (string | number)[]) =>
  Math.max(0, Math.round(mean + Math.sqrt(mean * times) * normal(...key)))
const apart = (now: number, then: number) => countsApart({ count: now, exposure: 28 }, { count: then, exposure: 28 })

/** Four weeks beside the four before them, with the scatter of so many weeks before, or none of which is known. */
function shareClear(mean: number, times: number, past: number): number {
  let clear = 0
  for (let world = 0; world < WORLDS; world++) {
    const week = (at: number) => count(mean, times, 'clear', mean, times, past, world, at)
    const weeks = Array.from({ length: past }, (_, at) => week(at))
    const scatter =
      past > 0 ? scatterOf(weeks.slice(1).flatMap((now, at) => apart(now, weeks[at]!) ?? [])) : USUAL_SCATTER
    const four = (from: number) => [0, 1, 2, 3].reduce((sum, at) => sum + week(past + from + at), 0)
    const score = apart(four(4), four(0))
    if (score !== undefined && chanceOf(score / Math.sqrt(scatter.times), scatter.freedom) < CLEAR_LEVEL) clear++
  }
  return clear / WORLDS
}

describe('where nothing changes', () => {
  it.each([
    [40, 1, 0],
    [40, 2, 0],
    [700, 2, 0],
    [40, 1, 13],
    [700, 1, 13],
    [700, 3, 13],
    [5000, 6, 25],
  ])(
    'counts of %d with %d times the scatter of chance and %d earlier pairs are called clear at most one time in twenty',
    (mean, times, past) => expect(shareClear(mean, times, past)).toBeLessThan(MOST_CLEAR),
  )

  it('a page of forty figures has one called clear in one of twenty worlds at the most', () => {
    let pages = 0
    for (let world = 0; world < 1000; world++) {
      const chances = Array.from({ length: 40 }, (_, row) =>
        chanceOf(apart(count(300, 1, 'page', world, row, 1), count(300, 1, 'page', world, row, 0))!),
      )
      if (clearTogether(chances).includes(true)) pages++
    }
    expect(pages / 1000).toBeLessThan(0.07)
  })

  it.each([12, 13, 25])('four of five changes are as usual with %d earlier ones', (past) => {
    let held = 0
    for (let world = 0; world < WORLDS; world++) {
      const values = Array.from({ length: past + 2 }, (_, at) => Math.exp(5 + 0.2 * normal('usual', past, world, at)))
      const pairs = values.slice(1, past + 1).map((to, at) => ({ from: values[at]!, to }))
      const { low, high } = usualOf(pairs, 'relative')!
      const change = values[past + 1]! / values[past]! - 1
      if (change >= low && change <= high) held++
    }
    // 0.8 ± 2.5 × √(0.8 × 0.2 / 3000) = 0.018
    expect(held / WORLDS).toBeGreaterThan(0.78)
    expect(held / WORLDS).toBeLessThan(0.84)
  })
})

describe('where something changes', () => {
  it('a third more of 700 is clear in nearly every world', () => {
    let clear = 0
    for (let world = 0; world < 500; world++) {
      const score = apart(count(930, 2, 'more', world, 1), count(700, 2, 'more', world, 0))!
      if (chanceOf(score / Math.sqrt(USUAL_SCATTER.times)) < CLEAR_LEVEL) clear++
    }
    expect(clear / 500).toBeGreaterThan(0.9)
  })
})
