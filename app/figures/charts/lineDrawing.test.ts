import { expect, test } from 'vitest'
import { axisOf, strokesOf } from './lineDrawing'

test('an axis has round numbers, begins at zero, and of a level fits it', () => {
  expect(axisOf([3, 18], false)).toEqual({ least: 0, most: 20, marks: [0, 5, 10, 15, 20] })
  expect(axisOf([66_200, 66_500], true).marks).toEqual([66_200, 66_300, 66_400, 66_500])
  expect(axisOf([-4, 3], false).least).toBeLessThanOrEqual(-4)
  expect(axisOf([], false)).toEqual({ least: 0, most: 1, marks: [0, 0.25, 0.5, 0.75, 1] })
  expect(axisOf([7, 7], true).most).toBeGreaterThanOrEqual(7)
  for (const values of [
    [0.012, 0.034],
    [1, 1e9],
    [12_345, 54_321],
  ])
    expect(axisOf(values, false).most).toBeGreaterThanOrEqual(Math.max(...values))
})

test('a gap in the days stays a gap in the line', () => {
  const axis = axisOf([0, 10], false)
  expect(strokesOf([0, 10, null, 5], axis, { width: 30, height: 10 })).toBe('M0.0,10.0L10.0,0.0M30.0,5.0')
  expect(strokesOf([null], axis, { width: 30, height: 10 })).toBe('')
})
