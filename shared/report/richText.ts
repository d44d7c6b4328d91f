import type { Nodes } from 'mdast'
import { fromMarkdown } from 'mdast-util-from-markdown'

/** A piece of a text with its marks. There is no markup in it: nothing that is written can become a part of the page. */
export type RichNode =
  | { kind: 'text'; text: string }
  | { kind: 'break' }
  | { kind: 'paragraph' | 'bold' | 'italic' | 'item' | 'bullets'; inside: RichNode[] }
  | { kind: 'numbers'; first: number; inside: RichNode[] }
  | { kind: 'link'; to: string; inside: RichNode[] }

/** What CommonMark has beyond bold, italic, lists and links stays as it was typed. */
const LEFT_AS_TYPED = [
  'autolink',
  'blockQuote',
  'characterReference',
  'codeFenced',
  'codeIndented',
  'codeText',
  'definition',
  'headingAtx',
  'htmlFlow',
  'htmlText',
  'labelStartImage',
  'setextUnderline',
  'thematicBreak',
]

/** A link leads to a page or to a mailbox, and nowhere else. */
const LEADS = /^(https?:\/\/[^/\s]|mailto:[^\s@]+@)/i

/** Lists in lists in lists, or hundreds of marks: nobody writes that, and reading it would take long. */
const TOO_DEEP = /^[ \t]*(?:(?:[-*+]|\d{1,9}[.)])[ \t]+){8}/m
const MOST_MARKS = 500
const isTooMuch = (text: string) => TOO_DEEP.test(text) || (text.match(/[*_[]/g)?.length ?? 0) > MOST_MARKS

const KINDS = { paragraph: 'paragraph', strong: 'bold', emphasis: 'italic', listItem: 'item' } as const

/** A text with its line breaks. */
const linesOf = (text: string): RichNode[] =>
  text
    .split('\n')
    .flatMap((line, index): RichNode[] => [
      ...(index > 0 ? [{ kind: 'break' as const }] : []),
      ...(line === '' ? [] : [{ kind: 'text' as const, text: line }]),
    ])

function grow(node: Nodes, written: string): RichNode[] {
  const inside = () => ('children' in node ? node.children.flatMap((child) => grow(child, written)) : [])
  switch (node.type) {
    case 'root':
      return inside()
    case 'paragraph':
    case 'strong':
    case 'emphasis':
    case 'listItem':
      return [{ kind: KINDS[node.type], inside: inside() }]
    case 'list':
      return [
        node.ordered
          ? { kind: 'numbers', first: node.start ?? 1, inside: inside() }
          : { kind: 'bullets', inside: inside() },
      ]
    case 'link':
      if (LEADS.test(node.url)) return [{ kind: 'link', to: node.url, inside: inside() }]
      // what leads nowhere stands as it was typed
      return linesOf(written.slice(node.position?.start.offset, node.position?.end.offset))
    case 'break':
      return [{ kind: 'break' }]
    case 'text':
      return linesOf(node.value)
    default:
      return linesOf(written.slice(node.position?.start.offset, node.position?.end.offset))
  }
}

/**
 * Reads a text in which **bold**, *italic*, lists and [links](https://…) are marked as in CommonMark; all else stays as
 * it was written. A line ends where it ends.
 *
 * @example
 * richText('**Up** again') // [{ kind: 'paragraph', inside: [{ kind: 'bold', inside: [{ kind: 'text', text: 'Up' }] }, … ] }]
 */
export const richText = (text: string): RichNode[] =>
  isTooMuch(text)
    ? [{ kind: 'paragraph', inside: linesOf(text) }]
    : grow(fromMarkdown(text, { extensions: [{ disable: { null: LEFT_AS_TYPED } }] }), text)

/** Whether a text has marks, so that it will look other than it is written. */
export const hasMarks = (text: string): boolean =>
  richText(text).some(
    (node) => node.kind !== 'paragraph' || node.inside.some(({ kind }) => kind !== 'text' && kind !== 'break'),
  )
