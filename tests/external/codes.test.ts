import { describe, expect, it } from 'vitest'
import { partName, STORED_BREAKDOWNS } from '../../core/breakdowns/breakdowns'
import { daysEnding, eachDay } from '../../core/periods/period'
import { PROFILES } from '../../demo/profiles'
import { breakdownsOf } from '../../demo/breakdowns'
import { world } from '../../demo/world'
import { intendedSchema } from '../../shared/read/audience'

const named = (naming: string) => STORED_BREAKDOWNS.filter((breakdown) => breakdown.naming === naming)
const DAY = '2026-10-28'
const { profileDay } = world(DAY)
const parts = (naming: string) => {
  const ids = new Set<string>(named(naming).map(({ id }) => id))
  return new Set(
    PROFILES.flatMap((profile) =>
      // networks count their audiences once a week
      eachDay(daysEnding(DAY, 7)).flatMap((day) => breakdownsOf(profile, day, (on) => profileDay(profile, on, DAY))),
    )
      .filter(({ breakdown, part }) => ids.has(breakdown) && !['withheld', 'other', 'unknown'].includes(part))
      .map(({ part }) => part),
  )
}

describe('countries are those of ISO 3166-1, by their two letters', () => {
  // officially assigned codes with their English short names, as the standard has them (values from memory)
  it.each([
    ['GB', /United Kingdom/],
    ['IE', /Ireland/],
    ['FR', /France/],
    ['US', /United States/],
    ['DE', /Germany/],
    ['JP', /Japan/],
    ['CI', /Côte d.Ivoire/],
    ['TR', /Tür?ki?[ye]+/],
  ])('%s', (code, name) => {
    expect(partName(named('country')[0]!, code)).toMatch(name)
  })
  it('and every one that the demo names is one', () => {
    const names = new Intl.DisplayNames(['en'], { type: 'region', fallback: 'none' })
    expect(parts('country').size).toBeGreaterThan(3)
    for (const code of parts('country')) {
      expect(code).toMatch(/^[A-Z]{2}$/)
      expect(names.of(code), code).toBeTruthy()
    }
  })
  it('written otherwise they are no country that can be wanted', () => {
    const wanted = (countries: string[]) => intendedSchema.isValidSync({ countries })
    expect(wanted(['GB', 'IE'])).toBe(true)
    for (const other of ['gb', 'GBR', '826', 'G', 'G1', '']) expect(wanted([other]), other).toBe(false)
  })
})

describe('languages are those of BCP 47 (RFC 5646), by the shortest subtag of ISO 639', () => {
  // 2.2.1: where a language has a code of two letters, that and no other is its subtag; the names are the registry’s
  it.each([
    ['en', 'English'],
    ['fr', 'French'],
    ['de', 'German'],
    ['cy', 'Welsh'],
    ['kw', 'Cornish'],
    ['haw', 'Hawaiian'],
  ])('%s', (subtag, name) => {
    expect(partName(named('language')[0]!, subtag)).toBe(name)
  })
  it('and every one that the demo names is in its canonical form', () => {
    expect(parts('language').size).toBeGreaterThan(1)
    for (const subtag of parts('language')) expect(Intl.getCanonicalLocales(subtag)).toEqual([subtag])
  })
  it('written otherwise they are no language that can be wanted', () => {
    const wanted = (languages: string[]) => intendedSchema.isValidSync({ languages })
    expect(wanted(['en', 'haw'])).toBe(true)
    for (const other of ['EN', 'english', 'e', 'en_GB', '']) expect(wanted([other]), other).toBe(false)
  })
})
