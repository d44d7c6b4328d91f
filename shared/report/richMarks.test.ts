import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { linked, listed, wrapped } from './richMarks'
import { hasMarks } from './richText'

const whole = (text: string) => ({ text, from: 0, to: text.length })

describe('wrapped', () => {
  it('sets marks round what is selected, and takes them away again', () => {
    const bold = wrapped({ text: 'it went up', from: 8, to: 10 }, '**')
    expect(bold).toEqual({ text: 'it went **up**', from: 10, to: 12 })
    expect(wrapped(bold, '**')).toEqual({ text: 'it went up', from: 8, to: 10 })
    expect(wrapped(whole('**up**'), '**')).toEqual(whole('up'))
  })
  it('done twice leaves the text as it was', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[a-z ]{0,20}$/), fc.nat(20), fc.nat(20), (text, a, b) => {
        const [from, to] = [Math.min(a, b, text.length), Math.min(Math.max(a, b), text.length)]
        expect(wrapped(wrapped({ text, from, to }, '**'), '**')).toEqual({ text, from, to })
      }),
    )
  })
})

describe('listed', () => {
  it('makes points of the lines that are touched, and lines of points', () => {
    const points = listed({ text: 'why\none\ntwo\nso', from: 5, to: 9 })
    expect(points.text).toBe('why\n- one\n- two\nso')
    expect(points.text.slice(points.from, points.to)).toBe('- one\n- two')
    expect(listed(points).text).toBe('why\none\ntwo\nso')
  })
  it('begins a list in an empty text', () => expect(listed(whole(''))).toEqual({ text: '- ', from: 0, to: 2 }))
})

describe('linked', () => {
  it('asks for the address of the words that were selected', () => {
    const link = linked(whole('the site'))
    expect(link.text).toBe('[the site](https://)')
    expect(link.text.slice(link.from, link.to)).toBe('https://')
  })
  it('asks for the words of an address that was selected', () => {
    expect(linked(whole('https://example.com'))).toEqual({ text: '[](https://example.com)', from: 1, to: 1 })
    expect(hasMarks('[here](https://example.com)')).toBe(true)
  })
})
