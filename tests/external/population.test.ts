import { readFileSync } from 'node:fs'
import { rollup, sum } from 'd3-array'
import { describe, expect, it } from 'vitest'
import { readBracket, spreadEvenly } from '../../core/audience/brackets'
import { medianAge } from '../../core/audience/medianAge'
import { mergeAudiences } from '../../core/audience/mergeAudiences'
import { AGES } from '../../core/breakdowns/breakdowns'

interface Row {
  year: number
  age: number
  sex: number
  people: number
}
/** People of the United States by age and sex, from censuses: `population.json` of vega-datasets (from IPUMS). */
const rows = JSON.parse(
  readFileSync(new URL('../../node_modules/vega-datasets/data/population.json', import.meta.url), 'utf8'),
) as Row[]
const OLDEST = Math.max(...rows.map(({ age }) => age))
const bracketOf = (age: number) => (age === OLDEST ? `${age}+` : `${age}-${age + 4}`)
const byBracket = (of: readonly Row[]) =>
  rollup(
    of,
    (group) => sum(group, ({ people }) => people),
    ({ age }) => bracketOf(age),
  )
const inYear = (year: number) => rows.filter((row) => row.year === year)

describe('median age by interpolation', () => {
  // U.S. Census Bureau, median age of the resident population by census (values from memory); the file is from samples
  // of the censuses
  it.each([
    [1900, 22.9],
    [1930, 26.5],
    [1950, 30.2],
    [1960, 29.5],
    [1970, 28.1],
    [1980, 30],
    [1990, 32.9],
    [2000, 35.3],
  ])('of %d is the published one', (year, published) => {
    expect(Math.abs(medianAge(byBracket(inYear(year)))! - published)).toBeLessThan(0.45)
  })

  it('parts the people in two halves, whatever the brackets', () => {
    const people = byBracket(inYear(2000))
    const median = medianAge(people)!
    const younger = [...people].reduce((total, [name, count]) => {
      const { from, to } = readBracket(name)!
      return total + count * Math.min(1, Math.max(0, (median - from) / (to - from + 1)))
    }, 0)
    expect(younger / sum(people.values())).toBeCloseTo(0.5, 9)
  })
})

describe('a pyramid of a census', () => {
  it.each([1850, 1900, 1950, 2000])('of %d keeps its totals in the usual brackets and its shares by gender', (year) => {
    const of = inYear(year).filter(({ age }) => age >= 15)
    const audiences = [1, 2].map((sex) => {
      const people = byBracket(of.filter((row) => row.sex === sex))
      return new Map([...people].map(([age, count]) => [`${sex === 1 ? 'm' : 'f'}|${age}`, count]))
    })
    const merged = mergeAudiences(audiences, true)
    expect(merged.known).toBeCloseTo(
      sum(of, ({ people }) => people),
      3,
    )
    expect(sum(merged.parts.values())).toBeCloseTo(merged.known, 3)
    expect(merged.isEstimated).toBe(true)
    for (const [gender, sex] of [
      ['m', 1],
      ['f', 2],
    ] as const) {
      // brackets whose ends are ends of five years hold exactly whom the census counts there
      const between = (from: number, to: number) =>
        sum(
          of.filter((row) => row.sex === sex && row.age >= from && row.age < to),
          ({ people }) => people,
        )
      expect(merged.parts.get(`${gender}|25-34`)).toBeCloseTo(between(25, 35), 6)
      expect(merged.parts.get(`${gender}|45-54`)).toBeCloseTo(between(45, 55), 6)
      expect(merged.parts.get(`${gender}|65+`)).toBeCloseTo(between(65, 200), 6)
      // 18 and 19 are two of the five years from 15 to 19
      expect(merged.parts.get(`${gender}|18-24`)).toBeCloseTo(between(20, 25) + (2 / 5) * between(15, 20), 6)
    }
    expect(new Set([...merged.parts.keys()].map((part) => part.split('|')[1]))).toEqual(new Set(AGES))
  })

  it('is the same whether genders are merged before their ages are spread or after', () => {
    const of = inYear(2000).filter(({ age }) => age >= 15)
    const spread = spreadEvenly(byBracket(of), AGES).counts
    const merged = mergeAudiences([new Map([...byBracket(of)].map(([age, count]) => [`f|${age}`, count]))], true)
    for (const age of AGES) expect(merged.parts.get(`f|${age}`)).toBeCloseTo(spread.get(age)!, 6)
  })
})
