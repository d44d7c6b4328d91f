import { hasWords, type PostWords } from '../posts/filterPosts'
import { Unreadable } from '../unreadable'

/** What a post has to be for a rule to tag it; what is empty is not asked. */
export interface TagRule extends PostWords {
  /** Any of these hashtags, without their sign. */
  hashtags: readonly string[]
  /** Any of these formats. */
  formats: readonly string[]
  /** Of any of these profiles; of every one, where it is left out. */
  profiles?: readonly number[]
  /** From and to which day it was published, both included. */
  from?: string
  to?: string
}

/** A post, as far as rules look at it. */
export interface TaggablePost {
  profile: number
  day: string
  format: string
  text: string
}

/** How many hashtags a rule can ask for, and how long one can be. */
const MOST_HASHTAGS = 12
const LONGEST_HASHTAG = 60

/**
 * Hashtags as somebody has typed them, with or without their sign, apart by blanks or commas.
 *
 * @throws  Unreadable when one is no hashtag, or there are too many
 * @example readHashtags('#Lanterns, nightopening') // ['lanterns', 'nightopening']
 */
export function readHashtags(text: string): string[] {
  const found = text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map((word) => word.replace(/^#/, '').toLowerCase())
  const wrong = found.find((word) => !/^[\p{L}\p{N}_]+$/u.test(word) || word.length > LONGEST_HASHTAG)
  if (wrong !== undefined)
    throw new Unreadable(`“${wrong.slice(0, 20)}” is no hashtag: it is one word of letters, digits and underlines.`)
  if (found.length > MOST_HASHTAGS) throw new Unreadable(`Look for ${MOST_HASHTAGS} hashtags at the most.`)
  return [...new Set(found)]
}

/**
 * The hashtags of a text, small and without their sign.
 *
 * @example hashtagsIn('Tonight! #NightOpening #lanterns') // ['nightopening', 'lanterns']
 */
export const hashtagsIn = (text: string): string[] => [
  ...new Set([...text.matchAll(/(?<![\p{L}\p{N}_])#([\p{L}\p{N}_]+)/gu)].map(([, word]) => word!.toLowerCase())),
]

/**
 * Whether a rule tags a post. All that the rule asks has to hold.
 *
 * @example matchesRule({ profile: 1, day: '2026-10-21', format: 'clip', text: '#lanterns' }, { …, hashtags: ['lanterns'] }) // true
 */
export function matchesRule(post: TaggablePost, rule: TagRule): boolean {
  return (
    hasWords(post.text, rule) &&
    (rule.hashtags.length === 0 || hashtagsIn(post.text).some((word) => rule.hashtags.includes(word))) &&
    (rule.formats.length === 0 || rule.formats.includes(post.format)) &&
    (!rule.profiles || rule.profiles.includes(post.profile)) &&
    (!rule.from || post.day >= rule.from) &&
    (!rule.to || post.day <= rule.to)
  )
}

/**
 * Whether a rule asks for nothing but days and profiles: it would tag everything.
 *
 * @example asksForNothing({ any: [], all: [], none: ['shut'], hashtags: [], formats: [] }) // true
 */
export const asksForNothing = ({ any, all, hashtags, formats }: TagRule): boolean =>
  any.length + all.length + hashtags.length + formats.length === 0
