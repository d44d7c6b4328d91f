import emojilib from 'emojilib'
import { expect, it } from 'vitest'
import { foundEmoji } from './emojiSearch'

const ALL = {
  '😀': ['grinning_face', 'happy'],
  '🍂': ['fallen_leaf', 'nature', 'autumn'],
  '🍁': ['maple_leaf', 'autumn', 'face_of_fall'],
}

it('finds emoji by all of the words, first what is called so', () => {
  const found = (words: string, most = 10) => foundEmoji(ALL, words, most).map(({ emoji }) => emoji)
  expect(found('')).toEqual(['😀', '🍂', '🍁'])
  expect(found('face')).toEqual(['😀', '🍁'])
  expect(found('  LEAF autumn ')).toEqual(['🍂', '🍁'])
  expect(found('leaf happy')).toEqual([])
  expect(found('', 1)).toEqual(['😀'])
  expect(foundEmoji(ALL, 'maple', 10)).toEqual([{ emoji: '🍁', name: 'maple leaf' }])
})

it('knows those of the standard', () => {
  expect(foundEmoji(emojilib, 'fallen leaf', 5)[0]).toEqual({ emoji: '🍂', name: 'fallen leaf' })
  expect(foundEmoji(emojilib, '', 10_000).length).toBeGreaterThan(1500)
})
