import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftDifferences, joinDrafts, type DraftLike } from './joinDrafts'

const block = (id: string, more: object = {}) => ({
  id,
  kind: 'chart',
  text: '',
  comment: '',
  metrics: ['reach'],
  ...more,
})
const base: DraftLike = {
  title: 'October',
  period: 'last-month',
  against: 'before',
  blocks: [block('a'), block('b'), block('c')],
}
const ids = ({ blocks }: DraftLike) => blocks.map(({ id }) => id).join('')
const withBlock = (id: string, more: object): DraftLike => ({
  ...base,
  blocks: base.blocks.map((each) => (each.id === id ? { ...each, ...more } : each)),
})

describe('two versions of a report, joined', () => {
  it('have what each side has changed', () => {
    const joined = joinDrafts(
      base,
      { ...withBlock('a', { comment: 'mine' }), title: 'Mine' },
      { ...withBlock('b', { metrics: ['posts'] }), period: '2026' },
    )
    expect(joined).toEqual({
      title: 'Mine',
      period: '2026',
      against: 'before',
      blocks: [block('a', { comment: 'mine' }), block('b', { metrics: ['posts'] }), block('c')],
    })
  })

  it('lose no text: what both have written stands one below the other', () => {
    expect(
      joinDrafts(base, withBlock('a', { comment: 'mine' }), withBlock('a', { comment: 'theirs' })).blocks[0]!.comment,
    ).toBe('mine\n\ntheirs')
    expect(
      joinDrafts(base, withBlock('a', { comment: 'same' }), withBlock('a', { comment: 'same' })).blocks[0]!.comment,
    ).toBe('same')
  })

  it('keep a block that one side has removed and the other changed, and drop one that the other has not touched', () => {
    const without = { ...base, blocks: base.blocks.filter(({ id }) => id !== 'b') }
    expect(ids(joinDrafts(base, without, base))).toBe('ac')
    expect(ids(joinDrafts(base, base, without))).toBe('ac')
    expect(ids(joinDrafts(base, without, withBlock('b', { comment: 'x' })))).toBe('abc')
  })

  it('stand in the order of whoever has moved them, with what the other has added behind its neighbour', () => {
    const moved = { ...base, blocks: [base.blocks[2]!, base.blocks[0]!, base.blocks[1]!] }
    const added = { ...base, blocks: [base.blocks[0]!, block('n'), base.blocks[1]!, base.blocks[2]!] }
    expect(ids(joinDrafts(base, moved, added))).toBe('canb')
    expect(ids(joinDrafts(base, added, moved))).toBe('canb')
  })

  it('are one version where nobody else has changed anything', () => {
    const text = fc.constantFrom('', 'one', 'two')
    const blocks = fc.uniqueArray(
      fc.record({
        id: fc.constantFrom('a', 'b', 'c', 'd'),
        kind: fc.constant('chart'),
        text,
        comment: text,
        metrics: fc.constant(['reach']),
      }),
      { selector: ({ id }) => id },
    )
    const draft = fc.record({ title: text, period: text, against: text, blocks })
    fc.assert(
      fc.property(draft, draft, (a, b) => {
        expect(joinDrafts(a, b, a)).toEqual(b)
        expect(joinDrafts(a, a, b)).toEqual(b)
        expect(joinDrafts(a, b, b)).toEqual(b)
      }),
    )
  })

  it('are shown in what they differ', () => {
    const named = (each: { id: string }) => `Block ${each.id}`
    expect(
      draftDifferences(
        { ...withBlock('a', { comment: 'mine' }), title: 'Mine' },
        { ...base, blocks: [base.blocks[1]!, base.blocks[0]!, block('n')] },
        named,
      ),
    ).toEqual([
      { what: 'Title', mine: 'Mine', theirs: 'October' },
      { what: 'Block a: comment', mine: 'mine', theirs: '' },
      { what: 'Block c', mine: 'there', theirs: 'not there' },
      { what: 'Block n', mine: 'not there', theirs: 'there' },
      { what: 'Order of the blocks', mine: 'as on this page', theirs: 'changed' },
    ])
  })
})
