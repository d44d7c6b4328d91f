import { boolean, number, object, string, type InferType } from 'yup'
import { asksForNothing, readHashtags } from '../../core/tags/tagRule'
import { POST_FORMATS } from '../../core/networks/postFormats'
import { whoField } from '../figures/scopeFields'
import { dayField } from '../platform/dayField'
import { text } from '../platform/text'
import { wordsFields, wordsOf } from './postWords'

/** A tag as somebody makes it: its colour is one of the theme's series, by number. */
export const tagSchema = object({
  name: text().required('Give it a name.').max(40, 'Keep the name under 40 characters.'),
  colour: number().integer().min(1, 'Choose a colour.').max(8, 'Choose a colour.').default(1),
})
export type TagInput = InferType<typeof tagSchema>

const listOf = (known: readonly string[]) => (value: string) =>
  value.split(',').every((one) => one === '' || known.includes(one))

/** Whether a rule, as it is written, asks for nothing; what cannot be read is refused where it stands. */
function isForNothing({
  formats,
  hashtags,
  ...words
}: Record<'any' | 'all' | 'none' | 'hashtags' | 'formats', string>) {
  try {
    return asksForNothing({
      ...wordsOf(words),
      hashtags: readHashtags(hashtags),
      formats: formats.split(',').filter(Boolean),
    })
  } catch {
    return false
  }
}

/** A rule that sets a tag by itself. */
export const tagRuleSchema = object({
  ...wordsFields,
  hashtags: string()
    .typeError('Write hashtags.')
    .max(1000, 'Those are too many hashtags.')
    .default('')
    .test(function test(value) {
      try {
        readHashtags(value)
        return true
      } catch (error) {
        return this.createError({ message: (error as Error).message })
      }
    }),
  formats: string().max(400).default('').test('known', 'Choose formats from the list.', listOf(POST_FORMATS)),
  who: whoField().default('all'),
  from: dayField().notRequired().nullable().default(null),
  to: dayField().notRequired().nullable().default(null),
  isOn: boolean().typeError('A rule is on or off.').default(true),
})
  .test(function test(rule) {
    // days and profiles alone would tag everything
    return isForNothing(rule)
      ? this.createError({
          path: 'any',
          message: 'This rule would tag every post. Say which words, hashtags or formats the posts have.',
        })
      : true
  })
  .test(function test({ from, to }) {
    return from && to && to < from
      ? this.createError({ path: 'to', message: 'The rule ends before it begins. Choose a later day.' })
      : true
  })
export type TagRuleInput = InferType<typeof tagRuleSchema>

/** How many posts can be tagged by hand at once; for more there are rules. */
export const MOST_BY_HAND = 2000

/** A rule with what it has tagged. */
export interface TagRuleView extends TagRuleInput {
  id: number
  posts: number
}

/** A tag with its rules, and how many posts have it. */
export interface TagView {
  id: number
  name: string
  colour: number
  /** How many of the client's own posts have it, and how many of them by hand. */
  posts: number
  byHand: number
  /** How many posts of rivals have it, for whoever may see them. */
  rivals?: number
  rules: TagRuleView[]
}

/** What a rule would tag, before it is kept. */
export interface TagPreview {
  matches: number
  /** How many of these are of rivals. */
  rivals: number
  /** How many of these have the tag already. */
  already: number
  examples: { profile: number; id: string; name: string; day: string; format: string; text: string }[]
}
