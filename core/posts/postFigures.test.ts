import { expect, it } from 'vitest'
import { POST_COUNTS } from '../datasets/datasets'
import { POST_FIGURE_KINDS, postFigureById, postValue } from './postFigures'

const value = (post: Parameters<typeof postValue>[0], id: string) => postValue(post, postFigureById(id))

it('is there where its sides are known, and never a zero for what is not told', () => {
  expect(value({ reactions: 3, comments: null, shares: 2 }, 'interactions')).toEqual({ value: 5 })
  expect(value({ reactions: null }, 'interactions')).toBeUndefined()
  expect(value({ watch_seconds: 90, views: 12 }, 'watch_average')).toEqual({ value: 7.5 })
  expect(value({ watch_seconds: 90, views: 0 }, 'watch_average')).toBeUndefined()
  expect(value({ watch_seconds: 90 }, 'watch_average')).toBeUndefined()
})

it('is a proportion with its interval, and none above the whole', () => {
  // Newcombe 1998, table I: 15 of 148
  const { value: share, low, high } = value({ shares: 15, reach: 148 }, 'pass_on')!
  expect([share, low, high].map((each) => each!.toFixed(4))).toEqual(['0.1014', '0.0624', '0.1605'])
  expect(value({ shares: 5, reach: 4 }, 'pass_on')).toBeUndefined()
})

it('has a figure for everything that is counted of a post, and each says what it is', () => {
  expect(new Set(POST_FIGURE_KINDS.flatMap(({ top }) => top))).toEqual(new Set(POST_COUNTS))
  for (const { definition, base, kind } of POST_FIGURE_KINDS) {
    expect(definition).toMatch(/\.$/)
    expect(base !== undefined).toBe(kind === 'ratio')
  }
  expect(() => postFigureById('toString')).toThrow('posts have no figure')
})
