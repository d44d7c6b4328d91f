import fc from 'fast-check'
import { expect, it } from 'vitest'
import { wilson } from '../statistics/wilson'
import { median } from '../statistics/median'
import { bestAndWorst, figureOfPost, POST_FIGURES, withUsual, type RankablePost } from './bestAndWorst'

const post = (
  id: string,
  interactions: number | null,
  impressions: number | null = 1000,
  profile = 1,
): RankablePost => ({
  id,
  profile,
  interactions,
  impressions,
  rate:
    interactions !== null && impressions
      ? { value: interactions / impressions, ...wilson(interactions, impressions) }
      : null,
})
const ids = (posts: readonly RankablePost[]) => posts.map(({ id }) => id).join(' ')

it('ranks by a figure from both ends', () => {
  const posts = [post('a', 5), post('b', 50), post('c', 20), post('d', 7), post('e', null), post('f', 90)]
  const { best, worst, ranked, unranked, values } = bestAndWorst(posts, [], 'interactions', 2)
  expect([ids(best), ids(worst), ranked, unranked]).toEqual(['f b', 'a d', 5, 1])
  expect(values).toEqual([5, 7, 20, 50, 90])
})

it('has no post at both ends: of three the better two are best, of one it is that one', () => {
  const three = bestAndWorst([post('a', 1), post('b', 2), post('c', 3)], [], 'interactions', 5)
  expect([ids(three.best), ids(three.worst)]).toEqual(['c b', 'a'])
  expect(ids(bestAndWorst([post('a', 1)], [], 'interactions', 5).best)).toBe('a')
  expect(bestAndWorst([], [], 'rate', 5)).toEqual({ best: [], worst: [], ranked: 0, unranked: 0, values: [] })
})

it('ranks a rate by what is sure of it', () => {
  // two of three is a higher rate than 60 of 100, and 0 of 3 a lower one than 1 of 100; neither is sure
  const posts = [post('lucky', 2, 3), post('sure', 60, 100), post('unlucky', 0, 3), post('low', 1, 100)]
  const { best, worst } = bestAndWorst(posts, [], 'rate', 1)
  expect([ids(best), ids(worst)]).toEqual(['sure', 'low'])
})

it('puts small profiles beside large ones by what is usual for each', () => {
  const past = [10, 10, 12, 8, 10].map((value, index) => post(`s${index}`, value, 1000, 1))
  const large = [1000, 900, 1100, 1000, 1000].map((value, index) => post(`l${index}`, value, 9000, 2))
  const posts = [post('small', 40, 1000, 1), post('big', 1500, 9000, 2), post('new', 3, 10, 3)]
  const { best, worst, unranked } = bestAndWorst(posts, [...past, ...large], 'times', 1)
  expect(best[0]).toMatchObject({ id: 'small', usual: 10, times: 4 })
  expect(worst[0]).toMatchObject({ id: 'big', times: 1.5 })
  expect(unranked).toBe(1)
  // a post is not part of its own usual
  expect(bestAndWorst([past[2]!], past, 'times', 1)).toMatchObject({ ranked: 0 })
})

it('gives the same order whichever way the posts come, and loses none', () => {
  const posts = Array.from({ length: 40 }, (_, index) => post(`p${index}`, (index * 7) % 11, 100 + index, index % 3))
  for (const by of POST_FIGURES) {
    const one = bestAndWorst(posts, posts, by, 7)
    expect(one).toEqual(bestAndWorst([...posts].reverse(), [...posts].reverse(), by, 7))
    expect(new Set([...one.best, ...one.worst].map(({ id }) => id)).size).toBe(14)
    expect(one.ranked + one.unranked).toBe(40)
    if (by !== 'rate')
      expect(figureOfPost(one.best.at(-1)!, by)!).toBeGreaterThanOrEqual(figureOfPost(one.worst.at(-1)!, by)!)
  }
})

it('takes what is usual from the other posts of the same profile, five at the least', () => {
  const values = fc.array(fc.tuple(fc.nat(2), fc.option(fc.nat(9))), { maxLength: 40 })
  fc.assert(
    fc.property(values, fc.nat(40), (drawn, shown) => {
      const all = drawn.map(([profile, value], index) => post(String(index), value, 1000, profile))
      // some of them lie before the past that is looked at
      const past = all.slice(Math.min(shown, all.length))
      for (const { id, profile, usual } of withUsual(all, past)) {
        const others = past.flatMap((other) =>
          other.profile === profile && other.id !== id ? (other.interactions ?? []) : [],
        )
        expect(usual).toBe(others.length >= 5 ? median(others) : undefined)
      }
    }),
  )
})
