import { expect, it } from 'vitest'
import { bandOutline, lifeStrokes, placeOfAge } from './lifePlaces'

const SCALE = { last: 168, most: 10, width: 100, height: 50 }

it('gives the first hours more room', () => {
  expect([placeOfAge(0, 168), placeOfAge(168, 168)]).toEqual([0, 1])
  expect(placeOfAge(6, 168) - placeOfAge(0, 168)).toBeGreaterThan(placeOfAge(168, 168) - placeOfAge(72, 168))
})

it('breaks the line where nobody has looked', () => {
  const points = [0, 2, 30, 40].map((hours) => ({ hours, value: hours / 4 }))
  expect(lifeStrokes(points, SCALE).match(/[ML]/g)).toEqual(['M', 'L', 'M', 'L'])
  expect(
    lifeStrokes(
      [
        { hours: 0, value: 0 },
        { hours: 200, value: 5 },
      ],
      SCALE,
    ),
  ).toBe('M0.0 50.0')
})

it('draws the middle half as one shape', () => {
  expect(bandOutline([], SCALE)).toBe('')
  const band = [0, 168].map((hours) => ({ hours, lower: 0, middle: 5, upper: 10, posts: 9 }))
  expect(bandOutline(band, SCALE)).toBe('M0.0 0.0L100.0 0.0L100.0 50.0L0.0 50.0Z')
})
