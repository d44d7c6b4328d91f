import { expect, it } from 'vitest'
import { asksForNothing, hashtagsIn, matchesRule, readHashtags, type TagRule } from './tagRule'

const NOTHING: TagRule = { any: [], all: [], none: [], hashtags: [], formats: [] }
const POST = { profile: 3, day: '2026-10-21', format: 'clip', text: 'Two hundred lanterns. #NightOpening' }

it.each<[Partial<TagRule>, boolean]>([
  [{}, true],
  [{ any: ['soup', 'lantern'] }, true],
  [{ all: ['soup', 'lantern'] }, false],
  [{ none: ['lantern'] }, false],
  [{ hashtags: ['nightopening'] }, true],
  // a hashtag is a whole word
  [{ hashtags: ['night'] }, false],
  [{ formats: ['photo', 'clip'] }, true],
  [{ formats: ['photo'] }, false],
  [{ profiles: [1, 3] }, true],
  [{ profiles: [] }, false],
  [{ from: '2026-10-21', to: '2026-10-21' }, true],
  [{ from: '2026-10-22' }, false],
  [{ to: '2026-10-20' }, false],
  [{ hashtags: ['nightopening'], formats: ['photo'] }, false],
])('a rule that asks %j matches: %s', (part, expected) =>
  expect(matchesRule(POST, { ...NOTHING, ...part })).toBe(expected),
)

it('reads hashtags as people write them, and refuses what is none', () => {
  expect(readHashtags(' #Lanterns,nightopening  #lanterns')).toEqual(['lanterns', 'nightopening'])
  expect(() => readHashtags('#night-opening')).toThrow('“night-opening” is no hashtag')
  expect(() => readHashtags(Array.from({ length: 13 }, (_, index) => `a${index}`).join(' '))).toThrow('12 hashtags')
})

it('finds hashtags as whole words, in any letters', () => {
  expect(hashtagsIn('#Größe mail#no ##two #a_1, #a_1')).toEqual(['größe', 'two', 'a_1'])
})

it('knows a rule that would tag everything', () => {
  expect(asksForNothing({ ...NOTHING, none: ['shut'], profiles: [1], from: '2026-01-01' })).toBe(true)
  expect(asksForNothing({ ...NOTHING, formats: ['clip'] })).toBe(false)
})
