import { array, number, object, string, type InferType } from 'yup'
import { whoField } from '../figures/scope'
import { text } from '../platform/text'

export const BLOCK_KINDS = [
  'figures',
  'chart',
  'table',
  'parts',
  'why',
  'unusual',
  'subject',
  'targets',
  'posts',
  'open',
  'profiles',
  'found',
  'text',
  'page',
] as const

/** The kinds of block that show some profiles or all; the others are about the client as a whole. */
export const SCOPED_KINDS: readonly (typeof BLOCK_KINDS)[number][] = [
  'figures',
  'chart',
  'table',
  'parts',
  'why',
  'unusual',
  'subject',
  'posts',
]

/** One part of a report. */
/** How many letters a title, a text and a comment can have. */
export const LONGEST_TITLE = 160
export const LONGEST_TEXT = 20_000
export const LONGEST_COMMENT = 4000

export const blockSchema = object({
  id: string().required().max(40),
  kind: string().oneOf(BLOCK_KINDS).required(),
  title: text().max(LONGEST_TITLE, 'Keep the title under 160 letters.').default(''),
  metrics: array(string().required().max(40)).max(12).default([]),
  /**
   * What a kind of block needs beside metrics: the rows of a table, the way a figure is split, the order of posts, an
   * index for a chart.
   */
  option: string().max(40).default(''),
  /** Of posts: how many, and of which format; every one, when it is left out. */
  rows: number().integer().min(1).max(50, 'A block can list 50 posts.'),
  format: string().max(40),
  /** Of whom: everybody, or the profiles and sets that were chosen for this block. */
  who: whoField().default('all'),
  text: string().max(LONGEST_TEXT, 'A text can be 20,000 letters long.').default(''),
  comment: string().max(LONGEST_COMMENT, 'A comment can be 4,000 letters long.').default(''),
})
export type Block = InferType<typeof blockSchema>
