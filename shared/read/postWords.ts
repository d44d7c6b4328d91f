import { string } from 'yup'
import { readWords, type PostWords } from '../../core/posts/filterPosts'

const wordsField = () =>
  string()
    .max(1000, 'That is too long to look for.')
    .default('')
    .test(function test(value) {
      try {
        readWords(value)
        return true
      } catch (error) {
        return this.createError({ message: (error as Error).message })
      }
    })

/** What posts are looked for by, in an address. */
export const wordsFields = { any: wordsField(), all: wordsField(), none: wordsField() }

/** The words of an address or of a block; none of what was kept before there were any. */
export const wordsOf = ({
  any = '',
  all = '',
  none = '',
}: {
  any?: string
  all?: string
  none?: string
}): PostWords => ({
  any: readWords(any),
  all: readWords(all),
  none: readWords(none),
})
