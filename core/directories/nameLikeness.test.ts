import { describe, expect, it } from 'vitest'
import { nameLikeness } from './nameLikeness'

describe('names of places', () => {
  it.each([
    ['Ferry Pier 1', 'Ferry Pier 2 ticket office'],
    ['Pier 1', 'Pier 2'],
    ['Pier 1', 'Pier 11'],
    ['Harbour Coffee North', 'Harbour Coffee South'],
    ['Harbour Coffee East', 'Harbour Coffee West'],
    ['Mossgate Tea Rooms', 'Mossgate Tea Rooms and Shop'],
    ['Upper Gate', 'Lower Gate'],
    ['Studio A', 'Studio B'],
  ])('%s and %s are two places', (one, other) => {
    expect(nameLikeness(one, other)).toBe(0)
    expect(nameLikeness(other, one)).toBe(0)
  })

  it.each([
    ['Mossgate Tea Rooms', 'MOSSGATE TEA ROOM'],
    ['Mossgate Tea Rooms', 'Moss Gate Tearoom'],
    ['The Glass Fernery', 'Glass Fernery Ltd'],
    ['Bellweather Arboretum', 'Bellwether Arboretum'],
    ['Café at the Quay', 'Cafe, the Quay'],
  ])('%s and %s are one', (one, other) => expect(nameLikeness(one, other)).toBeGreaterThanOrEqual(0.9))
})
