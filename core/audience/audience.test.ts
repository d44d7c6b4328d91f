import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { WITHHELD } from '../breakdowns/audienceBreakdowns'
import { AGES } from '../breakdowns/breakdowns'
import { readBracket, spreadEvenly } from './brackets'
import { overlapOf } from './intendedAudience'
import { mergeAudiences } from './mergeAudiences'
import { representationIndex } from './representationIndex'

describe('age brackets', () => {
  it.each([
    ['25-34', { from: 25, to: 34 }],
    ['65+', { from: 65, to: 99 }],
    ['34-25', undefined],
    ['old', undefined],
  ])('%s', (text, expected) => expect(readBracket(text)).toEqual(expected))

  it('are split by their years, and say so; those that are the same are not', () => {
    const { counts, isEstimated } = spreadEvenly(
      new Map([
        ['13-24', 120],
        ['65+', 7],
      ]),
      AGES,
    )
    expect([counts.get('13-17'), counts.get('18-24'), counts.get('65+'), isEstimated]).toEqual([50, 70, 7, true])
    expect(spreadEvenly(new Map([['25-34', 9]]), AGES)).toEqual({ counts: new Map([['25-34', 9]]), isEstimated: false })
    // 30-34 lies within one of them: nothing is assumed
    expect(spreadEvenly(new Map([['30-34', 9]]), AGES).isEstimated).toBe(false)
  })

  it('keep as many people as there are, whatever the brackets', () => {
    const bracket = fc
      .tuple(fc.integer({ min: 0, max: 90 }), fc.integer({ min: 0, max: 9 }))
      .map(([from, more]) => `${from}-${from + more}`)
    fc.assert(
      fc.property(fc.array(fc.tuple(bracket, fc.integer({ min: 0, max: 1000 }))), (list) => {
        const counts = new Map(list)
        const all = (map: ReadonlyMap<string, number>) => [...map.values()].reduce((sum, value) => sum + value, 0)
        expect(all(spreadEvenly(counts, AGES).counts)).toBeCloseTo(all(counts), 6)
      }),
    )
  })
})

describe('several audiences', () => {
  it('are one by the weight of their people, those withheld kept apart', () => {
    const merged = mergeAudiences(
      [
        new Map([
          ['GB', 60],
          [WITHHELD, 5],
        ]),
        new Map([
          ['GB', 20],
          ['FR', 15],
        ]),
      ],
      false,
    )
    expect(merged).toEqual({
      known: 100,
      parts: new Map([
        ['GB', 80],
        ['FR', 15],
      ]),
      withheld: 5,
      isEstimated: false,
    })
  })

  it('bring brackets of their own to the usual ones', () => {
    const merged = mergeAudiences(
      [
        new Map([['f|13-24', 12]]),
        new Map([
          ['f|18-24', 3],
          ['m|65+', 2],
        ]),
      ],
      true,
    )
    expect([merged.parts.get('f|13-17'), merged.parts.get('f|18-24'), merged.known, merged.isEstimated]).toEqual([
      5,
      10,
      17,
      true,
    ])
  })

  it('keep their totals', () => {
    const part = fc.constantFrom(...AGES.map((age) => `f|${age}`), 'm|13-24', 'm|25-44', 'u|0-12', WITHHELD)
    fc.assert(
      fc.property(fc.array(fc.array(fc.tuple(part, fc.integer({ min: 0, max: 500 })))), (lists) => {
        const maps = lists.map((list) => new Map(list))
        const merged = mergeAudiences(maps, true)
        const all = maps.flatMap((map) => [...map.values()]).reduce((sum, value) => sum + value, 0)
        expect(merged.known).toBeCloseTo(all, 6)
        expect([...merged.parts.values()].reduce((sum, value) => sum + value, merged.withheld)).toBeCloseTo(all, 6)
      }),
    )
  })
})

describe('the index of a share against another', () => {
  it('is 100 where they are alike, and says nothing of nothing', () => {
    expect(representationIndex(10, 100, 20, 200)!.value).toBeCloseTo(100, 9)
    expect(representationIndex(0, 100, 20, 200)).toBeUndefined()
    expect(representationIndex(10, 100, 0, 200)).toBeUndefined()
    expect(() => representationIndex(5, 4, 1, 2)).toThrow('more people')
  })

  it('has an interval that is closer with more people', () => {
    const width = (times: number) => {
      const { low, high } = representationIndex(10 * times, 100 * times, 20 * times, 200 * times)!
      return high - low
    }
    expect(width(100)).toBeLessThan(width(1) / 5)
  })
})

describe('the intended audience', () => {
  const audience = {
    ageGender: new Map([
      ['f|25-34', 30],
      ['m|25-34', 20],
      ['f|35-44', 50],
    ]),
    country: new Map([
      ['GB', 60],
      ['FR', 40],
    ]),
  }
  const wanted = { ages: [], genders: [], countries: [], languages: [] }

  it('overlaps between what it must and what it can, and by chance as the product', () => {
    expect(overlapOf({ ...wanted, ages: ['25-34'], countries: ['GB'] }, [audience])).toEqual({
      low: 0.1,
      high: 0.5,
      estimate: 0.3,
      traits: [
        { trait: 'ages and genders', share: 0.5, known: 1 },
        { trait: 'countries', share: 0.6, known: 1 },
      ],
    })
  })

  it('is known exactly of one trait', () => {
    const found = overlapOf({ ...wanted, genders: ['f'], ages: ['25-34', '35-44'] }, [audience])!
    expect([found.low, found.high, found.estimate]).toEqual([0.8, 0.8, 0.8])
  })

  it('is not known exactly where only some networks tell a trait: 0 to 0.90, not exactly 0.90', () => {
    const withAges = { ageGender: new Map([['f|25-34', 1000]]), country: new Map([['FR', 1000]]) }
    const without = { country: new Map([['GB', 9000]]) }
    const found = overlapOf({ ...wanted, ages: ['25-34'], countries: ['GB'] }, [withAges, without])!
    expect([found.low, found.high]).toEqual([0, 0.9])
    expect(found.traits[0]).toEqual({ trait: 'ages and genders', share: 1, known: 0.1 })
  })

  it('takes nobody who is withheld, or of whom it is not known, for unwanted', () => {
    const country = new Map([
      ['GB', 60],
      ['FR', 20],
      ['withheld', 20],
    ])
    const found = overlapOf({ ...wanted, countries: ['GB'] }, [{ country }])!
    expect([found.low, found.high, found.estimate]).toEqual([0.6, 0.8, 0.75])
    const ageGender = new Map([
      ['f|20-29', 40],
      ['u|25-34', 10],
      ['m|25-34', 50],
    ])
    // of the women some are 25 to 29, and of ten it is not known whether they are women
    const women = overlapOf({ ...wanted, genders: ['f'], ages: ['25-34'] }, [{ ageGender }])!
    expect([women.low, women.high]).toEqual([0, 0.5])
  })

  it('says nothing where nothing is wanted, or a trait is told by nobody', () => {
    expect(overlapOf(wanted, [audience])).toBeUndefined()
    expect(overlapOf({ ...wanted, languages: ['en'] }, [audience])).toBeUndefined()
    expect(overlapOf({ ...wanted, countries: ['GB'] }, [])).toBeUndefined()
  })

  it('never lies outside of its bounds, for any people, profiles and ways of not knowing', () => {
    const person = fc.tuple(fc.constantFrom('f|25-34', 'm|35-44'), fc.constantFrom('GB', 'FR'), fc.nat(3))
    const profile = fc.record({
      people: fc.array(person, { minLength: 1, maxLength: 30 }),
      tellsAges: fc.boolean(),
      tellsCountries: fc.boolean(),
    })
    fc.assert(
      fc.property(fc.array(profile, { minLength: 1, maxLength: 4 }), (profiles) => {
        const audiences = profiles.map(({ people, tellsAges, tellsCountries }) => {
          const counts = (of: 0 | 1, hidden: number) => {
            const found = new Map<string, number>()
            for (const one of people) {
              const part = one[2] === hidden ? 'withheld' : one[of]
              found.set(part, (found.get(part) ?? 0) + 1)
            }
            return found
          }
          return { ...(tellsAges && { ageGender: counts(0, 1) }), ...(tellsCountries && { country: counts(1, 2) }) }
        })
        const found = overlapOf({ ...wanted, ages: ['25-34'], countries: ['GB'] }, audiences)
        if (!found) return
        const counted = profiles.filter(({ tellsAges, tellsCountries }) => tellsAges || tellsCountries)
        const people = counted.flatMap((one) => one.people)
        const truth = people.filter(([age, country]) => age === 'f|25-34' && country === 'GB').length / people.length
        expect(truth).toBeGreaterThanOrEqual(found.low - 1e-9)
        expect(truth).toBeLessThanOrEqual(found.high + 1e-9)
        expect(found.estimate).toBeGreaterThanOrEqual(found.low - 1e-9)
        expect(found.estimate).toBeLessThanOrEqual(found.high + 1e-9)
      }),
    )
  })
})
