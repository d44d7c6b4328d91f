import { describe, expect, it } from 'vitest'
import { carryingPosts } from './carryingPosts'

const post = (id: string, value: number, profile = 1) => ({ id, profile, value })
const past = [
  post('a', 10),
  post('b', 20),
  post('c', 30),
  post('d', 40),
  post('e', 50),
  post('f', 60),
  post('x', 999, 2),
]

describe('the posts behind a change', () => {
  it('stand beside the median of their profile’s other posts', () => {
    const { best } = carryingPosts([post('f', 60)], past, 3)
    // without itself: 10 20 30 40 50
    expect(best).toEqual([{ id: 'f', profile: 1, value: 60, usual: 30, times: 2 }])
  })

  it('have no usual where their profile has too few others, and no multiple of nothing', () => {
    expect(carryingPosts([post('x', 999, 2)], past, 3).best).toEqual([post('x', 999, 2)])
    expect(
      carryingPosts(
        [post('z', 5)],
        past.map((each) => ({ ...each, value: 0 })),
        3,
      ).best[0],
    ).toEqual({ ...post('z', 5), usual: 0 })
  })

  it('are the largest and the smallest, none of them twice', () => {
    const { best, weakest } = carryingPosts(past.slice(0, 6), past, 2)
    expect([best, weakest].map((list) => list.map(({ id }) => id).join(''))).toEqual(['fe', 'ab'])
    expect(carryingPosts(past.slice(0, 3), past, 2).weakest.map(({ id }) => id)).toEqual(['a'])
    expect(carryingPosts([], past, 2)).toEqual({ best: [], weakest: [] })
  })
})
