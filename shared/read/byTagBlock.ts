import type { PostTotals } from '../../core/tags/tagTotals'
import { declareBlock } from '../report/declareBlock'

/** What the posts of a tag have brought; `tag` is absent for those without any. */
export interface TagRow extends PostTotals {
  tag?: number
  name: string
  colour?: number
}

/** The posts of a scope by their tags, and all of them together. */
export interface ByTag {
  rows: TagRow[]
  all: PostTotals
}
export interface FilledByTag {
  kind: 'byTag'
  byTag: ByTag
}

export const byTagBlock = declareBlock<FilledByTag>()({
  kind: 'byTag',
  name: 'Posts by tag',
  version: 1,
  isScoped: true,
  headingOf: () => 'Posts by tag',
})
