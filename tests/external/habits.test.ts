import { binomialDistribution, cumulativeStdNormalProbability } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { habitsOf, type HabitPost } from '../../core/habits/postingHabits'
import { discoveries } from '../../core/statistics/discoveries'
import { rankSum } from '../../core/ranks/rankSum'
import { medianInterval } from '../../core/statistics/medianInterval'
import { normalQuantile } from '../../core/statistics/normalQuantile'
import { rankScore } from '../../core/statistics/rankScore'
import { addDays } from '../../core/days/day'
import { unit } from '../../demo/random'

describe('the interval of a median', () => {
  it('leaves out as many values as binomial chances allow (simple-statistics, MIT)', () => {
    for (let count = 1; count <= 60; count++)
      for (const level of [0.8, 0.9, 0.95, 0.99]) {
        const chances = binomialDistribution(count, 0.5)!
        let sum = 0
        const outside = chances.findIndex((chance) => (sum += chance) > (1 - level) / 2)
        const interval = medianInterval(
          Array.from({ length: count }, (_, index) => index),
          level,
        )
        expect([count, level, interval?.low], `${count} at ${level}`).toEqual([
          count,
          level,
          outside === 0 ? undefined : outside - 1,
        ])
        if (interval) expect(interval.high).toBe(count - outside)
      }
  })
  it('is the fourth and the twelfth of fifteen, at 95 % (Conover 1999, table of the sign test; value from memory)', () => {
    const { low, high } = medianInterval([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15], 0.95)!
    expect([low, high]).toEqual([4, 12])
  })
  it('holds the middle of a skewed world in nine of ten cases or more', () => {
    for (const count of [5, 9, 20, 57]) {
      let held = 0
      const WORLDS = 2000
      for (let world = 0; world < WORLDS; world++) {
        // log-logistic about 1: half of what comes is below, and the mean is far above
        const { low, high } = medianInterval(
          Array.from({ length: count }, (_, index) => {
            const drawn = unit('median', count, world, index)
            return (drawn / (1 - drawn)) ** 1.5
          }),
        )!
        if (low <= 1 && high >= 1) held++
      }
      expect(held / WORLDS, `of ${count}`).toBeGreaterThan(0.885)
    }
  })
})

describe('the rank score', () => {
  it('says as the exact rank-sum test does how far two groups are parted', () => {
    for (let world = 0; world < 200; world++) {
      const values = Array.from({ length: 24 }, (_, index) => Math.floor(20 * unit('rank score', world, index)))
      const [first, second] = [values.slice(0, 9), values.slice(9)]
      const score = rankScore(values)(first.map((_, index) => index))
      const chance = 2 * (1 - cumulativeStdNormalProbability(Math.abs(score)))
      // a rank is better where it is smaller, which a test with two sides does not mind
      expect(Math.abs(chance - rankSum(first, second)!), `world ${world}`).toBeLessThan(0.02)
    }
  })
})

describe('discoveries among many tests', () => {
  it('are the four of the fifteen of Benjamini & Hochberg 1995, section 2.3 (values from memory)', () => {
    const chances = [
      0.0001, 0.0004, 0.0019, 0.0095, 0.0201, 0.0278, 0.0298, 0.0344, 0.0459, 0.324, 0.4262, 0.5719, 0.6528, 0.759, 1,
    ]
    const mixed = chances.map((_, index) => chances[(index * 7) % 15]!)
    const found = discoveries(
      mixed.map((chance) => normalQuantile(1 - Math.min(chance, 0.999))),
      0.05,
    )
    expect(mixed.filter((_, index) => found[index]).sort()).toEqual([0.0001, 0.0004, 0.0019, 0.0095])
  })
})

describe('hashtags of worlds that were made', () => {
  const END = '2026-10-28'
  const TAGS = Array.from({ length: 40 }, (_, index) => `tag${index}`)
  /** 400 posts of four profiles, each with one of forty hashtags; one of them can bring more than usual. */
  const worldOf = (world: number, effect: number): HabitPost[] =>
    Array.from({ length: 400 }, (_, index) => {
      const key = ['habits', world, index] as const
      const day = addDays(END, -Math.floor(unit(...key, 'day') * 360))
      const profile = 1 + (index % 4)
      const tag = Math.floor(unit(...key, 'tag') * TAGS.length)
      const noise = Math.exp(0.8 * (unit(...key, 'a') + unit(...key, 'b') + unit(...key, 'c') - 1.5))
      return {
        member: profile === 1 ? 0 : profile,
        profile,
        network: 'loft',
        format: index % 3 ? 'photo' : 'clip',
        text: `#${TAGS[tag]}`,
        at: Date.parse(`${day}T10:00:00Z`),
        day,
        interactions: Math.round(100 * profile ** 2 * noise * (index % 3 ? 1 : 2) * (tag === 0 ? effect : 1)),
      }
    })
  const asked = {
    members: [0, 2, 3, 4],
    period: { from: addDays(END, -363), to: END },
    terms: 'hashtags',
    term: '',
    corners: 'weekday',
  } as const
  const stands = (posts: HabitPost[]) =>
    habitsOf(posts, asked).terms.flatMap(({ term, stands: said }) => (said ? [`${term} ${said}`] : []))

  it('stand out in no more worlds without an effect than one in ten', () => {
    const WORLDS = 200
    const found = Array.from({ length: WORLDS }, (_, world) => stands(worldOf(world, 1))).filter(
      (said) => said.length > 0,
    )
    expect(found.length / WORLDS).toBeLessThan(0.13)
  })
  it('are found where they bring three times as much, and hardly another with them', () => {
    const WORLDS = 60
    const found = Array.from({ length: WORLDS }, (_, world) => stands(worldOf(world, 3)))
    expect(found.filter((said) => said.includes('tag0 above')).length / WORLDS).toBeGreaterThan(0.8)
    const all = found.flat()
    expect(all.filter((said) => said !== 'tag0 above').length / all.length).toBeLessThan(0.1)
  })
})
