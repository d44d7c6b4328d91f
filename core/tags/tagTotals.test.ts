import { expect, it } from 'vitest'
import { occasionOf } from './occasions'
import { totalsOf } from './tagTotals'

const post = (interactions: number | null, impressions: number | null, day = '2026-10-21', times?: number) => ({
  interactions,
  impressions,
  day,
  ...(times !== undefined && { times }),
})

it('adds what is told, and takes a rate over the posts that tell both', () => {
  const totals = totalsOf([post(15, 148), post(7, null), post(null, 50)])
  expect(totals).toMatchObject({
    posts: 3,
    impressions: { sum: 198, of: 2 },
    interactions: { sum: 22, of: 2 },
  })
  // Newcombe 1998, table I: 15 of 148
  expect([totals.rate!.value, totals.rate!.low, totals.rate!.high].map((each) => each.toFixed(4))).toEqual([
    '0.1014',
    '0.0624',
    '0.1605',
  ])
  expect([totals.middle, totals.times]).toEqual([undefined, undefined])
})

it('says what the middle post is from five on, and nothing of none', () => {
  const five = [1, 2, 3, 4, 100].map((value) => post(value, 1000, '2026-10-21', value / 2))
  expect(totalsOf(five)).toMatchObject({ middle: 3, times: 1.5 })
  expect(totalsOf([])).toEqual({ posts: 0 })
})

it('counts an occasion over its days, each year from the same place', () => {
  const posts = [
    post(5, 100, '2026-10-18'),
    post(10, 100, '2026-10-19'),
    post(null, 100, '2026-10-21'),
    post(20, 100, '2026-10-22'),
    post(40, 100, '2026-10-23'),
  ]
  const found = occasionOf(posts, '2026-10-21', { before: 2, after: 1, last: '2026-10-28' })
  expect(found).toMatchObject({ posts: 3, interactions: { sum: 30, of: 2 }, period: { to: '2026-10-22' } })
  expect(found.soFar).toEqual([
    { day: -2, posts: 1, interactions: 10 },
    { day: -1, posts: 1, interactions: 10 },
    { day: 0, posts: 2, interactions: 10 },
    { day: 1, posts: 3, interactions: 30 },
  ])
  // one that still runs ends with the last day that is over; one to come has none
  expect(occasionOf(posts, '2026-10-21', { before: 2, after: 1, last: '2026-10-20' }).soFar).toHaveLength(2)
  expect(occasionOf(posts, '2026-12-01', { before: 2, after: 1, last: '2026-10-20' }).soFar).toEqual([])
})
