import { describe, expect, it } from 'vitest'
import { bySize, contributions } from '../../core/why/contributions'
import { describeWhy } from '../../core/why/describeWhy'
import { factorContributions } from '../../core/why/factors'
import { mixAndRate, type PartOfRate } from '../../core/why/mixAndRate'
import { scatter, unit } from '../../demo/random'

const WORLDS = 150
const say = (amount: number) => amount.toFixed(3)
const between = (low: number, high: number, ...key: (string | number)[]) => low + (high - low) * unit(...key)

interface Planted {
  /** How much more is shown of the part, and how much better it does. */
  shown?: number
  rate?: number
}

/** A client's parts over two periods, in which nothing happens but chance, beside what is planted in one of them. */
function world(seed: number, target: number, { shown = 1, rate = 1 }: Planted): PartOfRate[] {
  const parts = 3 + Math.floor(unit(seed, 'parts') * 6)
  return Array.from({ length: parts }, (_, part) => {
    const mean = between(4000, 30_000, seed, part, 'size')
    const chance = between(0.02, 0.12, seed, part, 'rate')
    const side = (name: string, times: number, better: number) => {
      const denominator = scatter(mean * times, seed, part, name)
      return { numerator: scatter(denominator * chance * better, seed, part, name, 'response'), denominator }
    }
    const isTarget = part === target % parts
    return {
      key: `Part ${part}`,
      from: side('before', 1, 1),
      to: side('after', isTarget ? shown : 1, isTarget ? rate : 1),
    }
  })
}
const nameOf = (parts: readonly PartOfRate[], target: number) => parts[target % parts.length]!.key
const named = (sentence: string) => /(?:Mostly|cancel out|other way:) (Part \d+|[a-z ]+?) \(/.exec(sentence)?.[1]

// common practice: an explanation is believed when it finds the cause that was put there
describe('a cause that was planted in a generated world is named first', () => {
  it('a part that halves, of a total', () => {
    for (let seed = 0; seed < WORLDS; seed++) {
      const parts = world(seed, seed, { shown: 0.5 })
      const found = contributions(
        parts.map(({ key, from, to }) => ({ key, from: from.denominator, to: to.denominator })),
      )
      const change = found.reduce((sum, part) => sum + part.change, 0)
      expect([seed, found[0]!.key, named(describeWhy(change, found, say))]).toEqual([
        seed,
        nameOf(parts, seed),
        nameOf(parts, seed),
      ])
    }
  })

  it('a part that does half as well, of a rate: by its rate, not by its weight', () => {
    for (let seed = 0; seed < WORLDS; seed++) {
      // in the part that brings most: in a small one chance can be larger than the cause
      const brings = world(seed, seed, {}).map(({ from }) => from.numerator)
      const target = brings.indexOf(Math.max(...brings))
      const parts = world(seed, target, { rate: 0.5 })
      const found = mixAndRate(parts)!
      expect([seed, found.parts[0]!.key, named(describeWhy(found.to - found.from, found.parts, say))]).toEqual([
        seed,
        nameOf(parts, target),
        nameOf(parts, target),
      ])
      expect(Math.abs(found.parts[0]!.rate)).toBeGreaterThan(10 * Math.abs(found.parts[0]!.mix))
      expect(Math.abs(found.rate)).toBeGreaterThan(Math.abs(found.mix))
    }
  })

  it('more of the part that does worst, of a rate: by the mix, not by the rates', () => {
    let judged = 0
    for (let seed = 0; seed < WORLDS; seed++) {
      const quiet = world(seed, seed, {})
      const rates = quiet.map(({ from }) => from.numerator / from.denominator)
      const worst = rates.indexOf(Math.min(...rates))
      const parts = world(seed, worst, { shown: 6 })
      const found = mixAndRate(parts)!
      expect(found.to).toBeLessThan(found.from)
      // chance moves rates by a little in every world; where all parts do alike there is no mix to speak of
      if (Math.max(...rates) - Math.min(...rates) < 0.03) continue
      judged++
      expect([seed, Math.abs(found.mix) > 2 * Math.abs(found.rate)]).toEqual([seed, true])
      expect(found.parts.find(({ key }) => key === nameOf(parts, worst))!.mix).toBeLessThan(0)
    }
    expect(judged).toBeGreaterThan(0.8 * WORLDS)
  })

  it.each(['posts', 'impressions for each post', 'interactions for each impression'])('%s, of a product', (cause) => {
    for (let seed = 0; seed < WORLDS; seed++) {
      const factors = [
        ['posts', between(10, 60, seed, 'posts')],
        ['impressions for each post', between(500, 4000, seed, 'each')],
        ['interactions for each impression', between(0.02, 0.1, seed, 'rate')],
      ] as const
      const found = bySize(
        factorContributions(
          factors.map(([key, from]) => ({
            key,
            from,
            to: from * between(0.93, 1.07, seed, key, 'chance') * (key === cause ? 0.6 : 1),
          })),
        ),
      )
      const change = found.reduce((sum, part) => sum + part.change, 0)
      expect([seed, found[0]!.key, named(describeWhy(change, found, say))]).toEqual([seed, cause, cause])
    }
  })
})
