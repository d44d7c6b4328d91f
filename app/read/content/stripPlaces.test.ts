import { expect, test } from 'vitest'
import { placesOnStrip } from './stripPlaces'

test('figures keep their order on the strip, from nothing to the most', () => {
  expect(placesOnStrip([0, 25, 100], 100)).toEqual([0, 50, 100])
  expect(placesOnStrip([0, 0], 0)).toEqual([0, 0])
})
