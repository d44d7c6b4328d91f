import MarkdownIt from 'markdown-it'

/** A piece of a text with its marks. There is no markup in it, so that nothing a person writes can become a part of the page. */
export type RichNode =
  | { kind: 'text'; text: string }
  | { kind: 'break' }
  | { kind: 'paragraph' | 'bold' | 'italic' | 'item' | 'bullets'; inside: RichNode[] }
  | { kind: 'numbers'; first: number; inside: RichNode[] }
  | { kind: 'link'; to: string; inside: RichNode[] }

type Token = ReturnType<MarkdownIt['parse']>[number]

const CommonMark = new MarkdownIt('zero', { html: false, breaks: true }).enable(['list', 'emphasis', 'link', 'newline', 'escape'])
/** A link leads to a page or to a mailbox, and nowhere else. */
const LEADS = /^(https?:\/\/[^/\s]|mailto:[^\s@]+@)/i
CommonMark.validateLink = (to) => LEADS.test(to)

const KINDS: Record<string, 'paragraph' | 'bold' | 'italic' | 'item' | 'bullets'> = { paragraph: 'paragraph', strong: 'bold', em: 'italic', list_item: 'item', bullet_list: 'bullets' }

function opened(token: Token): RichNode & { inside: RichNode[] } {
  const name = token.type.replace('_open', '')
  if (name === 'link') return { kind: 'link', to: token.attrGet('href') ?? '', inside: [] }
  if (name === 'ordered_list') return { kind: 'numbers', first: Number(token.attrGet('start') ?? 1), inside: [] }
  return { kind: KINDS[name] ?? 'paragraph', inside: [] }
}

function grow(tokens: readonly Token[]): RichNode[] {
  const root: RichNode[] = []
  const open = [root]
  for (const token of tokens) {
    const here = open.at(-1)!
    if (token.nesting === 1) {
      const node = opened(token)
      here.push(node)
      open.push(node.inside)
    } else if (token.nesting === -1) open.pop()
    else if (token.type === 'inline') here.push(...grow(token.children ?? []))
    else if (token.type === 'hardbreak' || token.type === 'softbreak') here.push({ kind: 'break' })
    else if (token.content !== '') here.push({ kind: 'text', text: token.content })
  }
  return root
}

/**
 * Reads a text in which **bold**, *italic*, lists and [links](https://…) are marked as in CommonMark; all else stays as it was written. A line ends where it ends.
 *
 * @example richText('**Up** again') // [{ kind: 'paragraph', inside: [{ kind: 'bold', inside: [{ kind: 'text', text: 'Up' }] }, { kind: 'text', text: ' again' }] }]
 */
export const richText = (text: string): RichNode[] => grow(CommonMark.parse(text, {}))

/** Whether a text has marks, so that it will look other than it is written. */
export const hasMarks = (text: string): boolean => richText(text).some((node) => node.kind !== 'paragraph' || node.inside.some(({ kind }) => kind !== 'text' && kind !== 'break'))
