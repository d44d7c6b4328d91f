import { string } from 'yup'
import type { PostWords } from '../../core/posts/filterPosts'
import { wordsFields, wordsOf } from './postWords'

/** What posts can be filtered by beside the scope, as it stands in an address and in a block. */
export const postFilterFields = {
  ...wordsFields,
  /** Any of these tags, by number; or `none`, for posts without any. */
  tags: string()
    .matches(/^(none|\d{1,9}(,\d{1,9}){0,19})?$/, 'Choose tags from the list.')
    .default(''),
  /** Paid or organic posts alone. */
  paid: string().oneOf(['', 'paid', 'organic'], 'Posts are paid or organic.').default(''),
  /** Posts published from here alone, or those published elsewhere. */
  published: string().oneOf(['', 'here', 'elsewhere'], 'Posts are published from here or elsewhere.').default(''),
}

/** What posts have to be, beside being of the scope. */
export interface PostFilter {
  format?: string
  words: PostWords
  tags?: readonly number[] | 'none'
  paid?: 'paid' | 'organic'
  published?: 'here' | 'elsewhere'
}

type Asked = Partial<Record<'only' | 'any' | 'all' | 'none' | 'tags' | 'paid' | 'published', string>>

/**
 * The filter of an address or of a block; none of what was kept before there was any. A format is called `only` here:
 * in an address `format` is that of a file.
 *
 * @example postFilterOf({ only: 'clip', tags: '3,5' }) // { format: 'clip', words: …, tags: [3, 5] }
 */
export function postFilterOf({ only = '', tags = '', paid = '', published = '', ...words }: Asked): PostFilter {
  return {
    ...(only && { format: only }),
    words: wordsOf(words),
    ...(tags && { tags: tags === 'none' ? tags : tags.split(',').map(Number) }),
    ...(paid && { paid: paid as 'paid' | 'organic' }),
    ...(published && { published: published as 'here' | 'elsewhere' }),
  }
}
