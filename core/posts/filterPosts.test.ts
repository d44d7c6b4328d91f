import { describe, expect, it } from 'vitest'
import { hasWords, readWords, writeWords } from './filterPosts'

describe('words', () => {
  it.each([
    ['tea', ['tea']],
    ['Tea, garden;  open', ['tea', 'garden', 'open']],
    ['tea, "open late" #lanterns', ['tea', 'open late', '#lanterns']],
    ['“night openings” tea tea', ['night openings', 'tea']],
    ['  ,, ', []],
    ['100% _x_', ['100%', '_x_']],
  ])('%s', (text, words) => {
    expect(readWords(text)).toEqual(words)
    expect(readWords(writeWords(words))).toEqual(words)
  })

  it('have a limit', () => {
    expect(() => readWords('a b c d e f g h i j k l m')).toThrow('12 words at the most')
    expect(() => readWords('x'.repeat(61))).toThrow('longer than 60 letters')
  })
})

it.each([
  ['any of them', { any: ['tea', 'LANTERN'], all: [], none: [] }, true],
  ['not all of them', { any: [], all: ['lantern', 'tea'], none: [] }, false],
  ['one that must not be', { any: ['lantern'], all: [], none: ['garden'] }, false],
  ['an accent', { any: [], all: ['cafe'], none: [] }, true],
  ['none asked for', { any: [], all: [], none: [] }, true],
] as const)('a text has %s', (_, words, has) => {
  expect(hasWords('Lanterns in the garden café', words)).toBe(has)
})
