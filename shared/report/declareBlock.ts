import type { ISchema, Maybe, AnyObject } from 'yup'

/** One kind of block, as both sides know it. */
export interface BlockDeclaration<Filled extends { kind: string } = { kind: string }> {
  kind: Filled['kind']
  /** What it is called where a block is added. */
  name: string
  /**
   * Which form of it an edition freezes now, from 1. A frozen form is never changed: a new one gets the next number, and
   * the drawing of the old one stays.
   */
  version: 1 | 2 | 3
  /** Whether it shows some profiles or all; others are about the client as a whole. */
  isScoped?: boolean
  /** Whether it is written and not worked out: it has no table and needs no comment. */
  isWritten?: boolean
  /** The metrics that a new one has, and how many it can have. */
  metrics?: { usual: readonly string[]; most: number }
  /** What can be chosen for it, the usual choice first. */
  option?: { label: string; choices: readonly { value: string; name: string }[] }
  /** What else is kept of it: an object schema, by the least type of it, since comparing whole ones takes a second each. */
  fields?: ISchema<Maybe<AnyObject>>
  /** What stands over it where nobody gave it a title. */
  headingOf: (filled: Filled) => string
}

/**
 * Declares a kind of block together with what an edition freezes of it.
 *
 * @example declareBlock<FilledPage>()({ kind: 'page', name: 'Page break', version: 1, headingOf: () => '' })
 */
export const declareBlock =
  <Filled extends { kind: string }>() =>
  <const Declaration extends BlockDeclaration<Filled>>(
    declaration: Declaration,
  ): Declaration & { readonly filled?: Filled } =>
    declaration
