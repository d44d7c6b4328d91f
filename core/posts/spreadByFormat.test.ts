import { quantileSorted } from 'd3-array'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { spreadByFormat } from './spreadByFormat'
import { thinned } from './thinned'

const post = (format: string, value: number | null) => ({ format, value })

it('a format is told by its quartiles, and one of few posts only by these', () => {
  // by hand: of 1, 2, 4, 8, 100 the quartiles are 2, 4 and 8; the mean of 23 is that of no post
  const posts = [8, 1, 100, 4, 2].map((value) => post('photo', value))
  const few = [50, 60, 70, 80].map((value) => post('video', value))
  expect(spreadByFormat([...few, ...posts, post('photo', null)], 300)).toEqual([
    {
      format: 'photo',
      posts: 5,
      unknown: 1,
      dots: [1, 2, 4, 8, 100],
      box: { least: 1, lower: 2, middle: 4, upper: 8, most: 100 },
    },
    { format: 'video', posts: 4, unknown: 0, dots: [50, 60, 70, 80] },
  ])
  expect(spreadByFormat([post('text', null)], 300)).toEqual([{ format: 'text', posts: 0, unknown: 1, dots: [] }])
})

it('quartiles are those of d3, and each post is told once', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(5000), { minLength: 5, maxLength: 400 }), (values) => {
      const [spread] = spreadByFormat(
        values.map((value) => post('photo', value)),
        300,
      )
      const sorted = [...values].sort((a, b) => a - b)
      const { lower, middle, upper, least, most } = spread!.box!
      expect([lower, middle, upper]).toEqual([0.25, 0.5, 0.75].map((share) => quantileSorted(sorted, share)))
      expect([least, most, spread!.posts]).toEqual([sorted[0], sorted.at(-1), values.length])
      expect(spread!.dots).toEqual(thinned(sorted, 300))
      expect(spread!.dots.length).toBe(Math.min(300, values.length))
    }),
  )
})
