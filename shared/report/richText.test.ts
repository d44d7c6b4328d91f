import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hasMarks, richText, type RichNode } from './richText'

const words = (nodes: readonly RichNode[]): string =>
  nodes.map((node) => ('inside' in node ? words(node.inside) : node.kind === 'text' ? node.text : '\n')).join('')
const links = (nodes: readonly RichNode[]): string[] =>
  nodes.flatMap((node) => ('inside' in node ? [...(node.kind === 'link' ? [node.to] : []), ...links(node.inside)] : []))

describe('richText', () => {
  it('reads bold, italic, lists and links', () => {
    expect(richText('**Up** and *up*\n\n- [one](https://example.com/a)\n- two')).toEqual([
      {
        kind: 'paragraph',
        inside: [
          { kind: 'bold', inside: [{ kind: 'text', text: 'Up' }] },
          { kind: 'text', text: ' and ' },
          { kind: 'italic', inside: [{ kind: 'text', text: 'up' }] },
        ],
      },
      {
        kind: 'bullets',
        inside: [
          {
            kind: 'item',
            inside: [
              {
                kind: 'paragraph',
                inside: [{ kind: 'link', to: 'https://example.com/a', inside: [{ kind: 'text', text: 'one' }] }],
              },
            ],
          },
          { kind: 'item', inside: [{ kind: 'paragraph', inside: [{ kind: 'text', text: 'two' }] }] },
        ],
      },
    ])
  })

  it('keeps the number with which a list begins, so that a date stays one', () => {
    expect(richText('31. October was wet')).toMatchObject([{ kind: 'numbers', first: 31 }])
  })

  it('ends a line where it ends, and a paragraph at a blank line', () => {
    expect(richText('one\ntwo\n\nthree')).toMatchObject([
      { inside: [{ text: 'one' }, { kind: 'break' }, { text: 'two' }] },
      { inside: [{ text: 'three' }] },
    ])
  })

  it('takes no markup and no heading: they stand as they were written', () => {
    for (const text of ['<img src=x onerror=alert(1)>', '# A heading', '> said', '`code`'])
      expect(words(richText(text))).toBe(text)
    expect(richText('<b>x</b>')).toEqual([{ kind: 'paragraph', inside: [{ kind: 'text', text: '<b>x</b>' }] }])
  })

  it('links to pages and mailboxes alone', () => {
    for (const to of [
      'javascript:alert(1)',
      'JaVaScRiPt:alert(1)',
      'data:text/html,x',
      'vbscript:x',
      'file:///etc/passwd',
      '//example.com',
      '/inside',
      'java\tscript:alert(1)',
      '&#106;avascript:alert(1)',
    ])
      expect(links(richText(`[a](${to})`)), to).toEqual([])
    expect(links(richText('[a](mailto:ada@halyardrow.example) [b](http://example.com)'))).toEqual([
      'mailto:ada@halyardrow.example',
      'http://example.com',
    ])
  })

  it('never makes a link of anything else, whatever is written, and always ends', () => {
    const pieces = fc.array(
      fc.constantFrom(
        '**',
        '*',
        '_',
        '[',
        '](',
        ')',
        '- ',
        '1. ',
        '\n',
        '\n\n',
        '  ',
        'javascript:',
        'https://a.b',
        'a',
        '\\',
        '&#58;',
        '<a href="javascript:x">',
      ),
      { maxLength: 60 },
    )
    fc.assert(
      fc.property(pieces, (parts) => links(richText(parts.join(''))).every((to) => /^(https?:\/\/|mailto:)/i.test(to))),
    )
    const long = ['[', '**a ', '*', '- - ', '- '.repeat(9) + 'a\n', '[a](', '_a*', '1. ', '\n  - a'].map((part) =>
      part.repeat(20_000 / part.length),
    )
    for (const text of long) expect(richText(text).length).toBeGreaterThan(0)
    // hundreds of marks are no text that somebody wrote: they stand as they were typed
    expect(words(richText('_a*'.repeat(6000)))).toBe('_a*'.repeat(6000))
  })
})

describe('hasMarks', () => {
  it('tells a text that looks other than it is written', () => {
    expect(hasMarks('plain\nwords')).toBe(false)
    expect(hasMarks('a **b**')).toBe(true)
    expect(hasMarks('- a')).toBe(true)
  })
})
