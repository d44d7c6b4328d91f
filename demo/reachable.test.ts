import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import type { EstimateQuery } from '../shared/read/reachable'
import { islesGeoJson, kilometres, TOWNS } from './isles'
import { reachable } from './reachable'

const PORT = { lat: 49.615, lon: -7.985 }
const all = (part: Partial<EstimateQuery> = {}): EstimateQuery => ({
  where: { kind: 'circle', ...PORT, radius: 5 },
  ages: [],
  genders: [],
  interests: [],
  ...part,
})
const around = (radius: number) => reachable('tintype', all({ where: { kind: 'circle', ...PORT, radius } }))

describe('the isles', () => {
  it('are the map that ships', () =>
    expect(JSON.parse(readFileSync(new URL('../public/maps/farrow-isles.geojson', import.meta.url), 'utf8'))).toEqual(
      islesGeoJson(),
    ))
  it('have closed coasts, with every town on land', () => {
    for (const { geometry } of islesGeoJson().features)
      if (geometry.type === 'Polygon') expect(geometry.coordinates[0]!.at(-1)).toEqual(geometry.coordinates[0]![0])
    expect(TOWNS.length).toBe(8)
    // a degree of latitude is 111 km, one of longitude two thirds of that here
    expect(kilometres({ lat: 49, lon: -8 }, { lat: 50, lon: -8 })).toBeCloseTo(111.2)
    expect(kilometres({ lat: 49.6, lon: -8 }, { lat: 49.6, lon: -7 })).toBeCloseTo(72.07, 1)
  })
})

describe('an estimate', () => {
  it('grows with the radius and with who is meant, is rounded, and has a floor', () => {
    const known = [2, 5, 10, 40].map((radius) => around(radius)!)
    for (const [index, { low, high }] of known.entries()) {
      expect(high).toBeGreaterThan(low)
      expect(String(low)).toMatch(/^\d{2}0*$/)
      if (index > 0) expect(high).toBeGreaterThanOrEqual(known[index - 1]!.high)
    }
    const women = reachable('tintype', all({ genders: ['f'] }))!
    expect(women.high).toBeLessThan(around(5)!.high)
    expect(women.byGender).toHaveLength(1)
    expect(reachable('tintype', all({ interests: ['science'], ages: ['65+'] }))).toBeUndefined()
    expect(around(5)!.towns[0]!.name).toBe('Port Farrow')
  })
  it('is made of its ages and genders, as far as it is rounded', () => {
    const { low, high, byAge, byGender } = around(20)!
    for (const parts of [byAge, byGender]) {
      const sum = parts.reduce((total, { people }) => total + people, 0)
      expect(sum).toBeGreaterThan(low * 0.95)
      expect(sum).toBeLessThan(high * 1.05)
    }
  })
  it('is of towns and of countries too', () => {
    expect(reachable('commons', all({ where: { kind: 'towns', towns: ['Quillstrand'] } }))!.towns).toHaveLength(1)
    expect(reachable('guildhall', all({ where: { kind: 'countries', countries: ['IE'] } }))!.low).toBeGreaterThan(
      100_000,
    )
  })
})
