import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { AmbiguousNumber, readNumber } from './readNumber'

const readings = (text: string, locale: string) => {
  try {
    return readNumber(text, locale)
  } catch (error) {
    return error instanceof AmbiguousNumber ? error.readings : (error as Error).message
  }
}

describe('a number as it is typed', () => {
  it('as the page writes it is that number, in every notation', () => {
    expect(['27,000', '1,234,567.5', '0.5', '.5', '12 345', '4.2 %'].map((text) => readings(text, 'en'))).toEqual([
      27_000, 1_234_567.5, 0.5, 0.5, 12_345, 4.2,
    ])
    expect(['27.000', '1.234.567,5', '0,5'].map((text) => readings(text, 'de'))).toEqual([27_000, 1_234_567.5, 0.5])
    expect(['27 000', '27 000,5'].map((text) => readings(text, 'fr'))).toEqual([27_000, 27_000.5])
    expect(readings('27’000.5', 'de-CH')).toBe(27_000.5)
  })

  it('that could be two numbers is asked about', () => {
    expect(readings('27.000', 'en')).toEqual([27, 27_000])
    expect(readings('27,000', 'de')).toEqual([27, 27_000])
    expect(readings('27,000', 'fr')).toEqual([27, 27_000])
    expect(readings('-1.250', 'en')).toEqual([-1.25, -1250])
  })

  it('in another notation is read where only one number can be meant', () => {
    expect(['27,5', '1.234,5', '1.234.567'].map((text) => readings(text, 'en'))).toEqual([27.5, 1234.5, 1_234_567])
    expect(readings('1,234.5', 'de')).toBe(1234.5)
  })

  it('that is none says so', () => {
    for (const text of ['abc', '27,0000,1', '1.2.3', '12e3', '5 people'])
      expect(readings(text, 'en'), text).toMatch(/is not a number/)
    expect(readings(' ', 'en')).toBe('Write a number.')
  })

  it('comes back from what Intl writes', () => {
    const ofLocale = fc.constantFrom('en', 'de', 'fr', 'es', 'pt', 'it', 'nl', 'de-CH', 'en-IN')
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99_999_999 }), ofLocale, (number, locale) => {
        const written = new Intl.NumberFormat(locale, { useGrouping: true }).format(number)
        expect(readNumber(written, locale)).toBe(number)
      }),
    )
  })
})
