import reference from 'talisman/metrics/jaro-winkler'
import { describe, expect, it } from 'vitest'
import { entryComparer } from '../../core/directories/compareEntry'
import { jaroWinkler } from '../../core/directories/jaroWinkler'
import { differsOn, readHours } from '../../core/places/openingHours'
import { e164 } from '../../core/places/phone'
import { EMPTY_PLACE } from '../../core/places/place'
import { unit } from '../../demo/random'

describe('likeness of names', () => {
  // Winkler, String Comparator Metrics and Enhanced Decision Rules in the Fellegi–Sunter Model of Record Linkage, 1990, table 1
  it.each([
    ['MARTHA', 'MARHTA', 0.961],
    ['DWAYNE', 'DUANE', 0.84],
    ['DIXON', 'DICKSONX', 0.813],
  ])('of %s and %s is %d, as published', (one, other, alike) => {
    expect(jaroWinkler(one, other)).toBeCloseTo(alike, 3)
  })

  it('is that of a general-purpose package, over 2,000 pairs of words', () => {
    let boosted = 0
    for (let round = 0; round < 2000; round++) {
      const word = (key: string) =>
        Array.from({ length: 1 + Math.floor(unit(key, 'length', round) * 11) }, (_, at) =>
          String.fromCharCode(97 + Math.floor(unit(key, round, at) ** 2 * 8)),
        ).join('')
      const [a, b] = [word('one'), word('other')]
      const alike = jaroWinkler(a, b)
      expect(alike).toBeCloseTo(reference(a, b), 10)
      if (alike >= 0.7) boosted++
    }
    expect(boosted).toBeGreaterThan(200)
  })
})

describe('telephone numbers', () => {
  // ITU-T E.164: country code, then the national number without its trunk prefix; drama numbers of the regulators
  it.each([
    ['020 7946 0958', 'GB', '+442079460958'],
    ['(202) 555-0143', 'US', '+12025550143'],
    ['+44 (0)1632 960014', '', '+441632960014'],
    ['00 44 1632 960014', 'GB', '+441632960014'],
    ['01 99 00 12 34', 'FR', '+33199001234'],
  ])('%s in %s is %s, however it is written', (phone, country, number) => {
    expect(e164(phone, country)).toBe(number)
    const record = { ...EMPTY_PLACE, phone: number, country }
    expect(entryComparer('2026-10-28').isSame('phone', record, { ...record, phone })).toBe(true)
  })
})

describe('equality of opening hours', () => {
  /** The same week written in several ways, or another one. */
  const written = (index: number): string => {
    const [open, close] = [8 + Math.floor(unit('open', index) * 2), 17 + Math.floor(unit('close', index) * 2)]
    const times = `${String(open).padStart(2, '0')}:00-${close}:00`
    const split = `${String(open).padStart(2, '0')}:00-12:00,12:00-${close}:00`
    return [
      `Mo-Fr ${times}; Sa-Su off`,
      `Mo,Tu,We,Th,Fr ${split}`,
      `Mo-Su ${times}; Sa,Su off`,
      `Jan-Jun Mo-Fr ${times}; Jul-Dec Mo-Fr ${split}`,
    ][Math.floor(unit('way', index) * 4)]!
  }
  const isSame = (a: string, b: string) => differsOn(readHours(a), readHours(b), '2026-10-28') === undefined

  it('is an equivalence: each is itself, from both sides, and through a third', () => {
    const all = Array.from({ length: 40 }, (_, index) => written(index))
    const same = all.map((a) => all.map((b) => isSame(a, b)))
    let alike = 0
    for (const [a, row] of same.entries()) {
      expect(row[a]).toBe(true)
      for (const [b, is] of row.entries()) {
        expect(same[b]![a]).toBe(is)
        if (!is) continue
        if (all[a] !== all[b]) alike++
        expect(same[b]).toEqual(row)
      }
    }
    // it is no test where nothing is the same in other words
    expect(alike).toBeGreaterThan(100)
  })
})
