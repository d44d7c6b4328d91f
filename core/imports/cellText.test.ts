import { describe, expect, it } from 'vitest'
import { cellText } from './cellText'

describe('a cell of a workbook as text', () => {
  it('keeps an id that is text, and shows that one typed as a number has lost its digits', () => {
    expect(cellText('10220431877650213')).toBe('10220431877650213')
    expect(cellText(Number('10220431877650213'))).toMatch(/e\+16$/)
    expect(cellText(999_999_999_999_999)).toBe('999999999999999')
  })

  it('writes dates by ISO 8601, with the time only where there is one', () => {
    expect(cellText(new Date(Date.UTC(2026, 9, 28)))).toBe('2026-10-28')
    expect(cellText(new Date(Date.UTC(2026, 9, 28, 7, 5)))).toBe('2026-10-28 07:05:00')
    expect(cellText(new Date(Number.NaN))).toBe('')
  })

  it('leaves an empty cell empty and a row one line', () => {
    expect([null, '', 0, 1.5, false].map(cellText)).toEqual(['', '', '0', '1.5', 'false'])
    expect(cellText('two\r\nlines')).toBe('two lines')
  })
})
