import { describe, expect, it } from 'vitest'
import { CATALOGUE } from './catalogue'
import { ENTRIES, entriesIn } from './entriesIn'
import { WORDS } from './words'

describe('entriesIn', () => {
  it('finds the words that stand in a text, and no part of a longer one', () => {
    expect(entriesIn('Reach against last year').map(({ word }) => word)).toEqual(['Reach', 'against'])
    expect(entriesIn('unreached preaching')).toEqual([])
  })
  it('finds a word in the plural, and an unusual day alone', () => {
    expect(entriesIn('3 editions; one unusual day').map(({ word }) => word)).toEqual(['unusual days', 'edition'])
  })
  it('knows every metric by its name, and every word of ours', () => {
    for (const { name } of CATALOGUE) expect(entriesIn(`The ${name}.`).map(({ word }) => word)).toContain(name)
    for (const [word] of WORDS) expect(entriesIn(word).map(({ word: found }) => found)).toContain(word)
  })
  it('has a place of its own for each entry', () =>
    expect(new Set(ENTRIES.map(({ id }) => id)).size).toBe(ENTRIES.length))
})
