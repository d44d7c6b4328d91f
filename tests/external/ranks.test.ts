import { Geodesic } from 'geographiclib-geodesic'
import { describe, expect, it } from 'vitest'
import { bearing, distanceKm, pointFrom } from '../../core/ranks/greatCircle'
import { gridPoints } from '../../core/ranks/rankGrid'
import { rankSum } from '../../core/ranks/rankSum'
import { unit } from '../../demo/random'

/** Distance and bearing on the ellipsoid WGS 84 (Karney 2013, Journal of Geodesy 87:43–55), by its author’s package. */
const onEllipsoid = (a: { lat: number; lon: number }, b: { lat: number; lon: number }) => {
  const { s12, azi1 } = Geodesic.WGS84.Inverse(a.lat, a.lon, b.lat, b.lon)
  return { km: s12! / 1000, bearing: (azi1! + 360) % 360 }
}

describe('great circles, beside geodesics of the ellipsoid', () => {
  it('are as long within 0.6 %, over 500 pairs all over the earth', () => {
    for (let round = 0; round < 500; round++) {
      const place = (name: string) => ({
        lat: unit(`lat ${name} ${round}`) * 178 - 89,
        lon: unit(`lon ${name} ${round}`) * 360 - 180,
      })
      const [a, b] = [place('a'), place('b')]
      expect(distanceKm(a, b) / onEllipsoid(a, b).km).toBeGreaterThan(0.994)
      expect(distanceKm(a, b) / onEllipsoid(a, b).km).toBeLessThan(1.006)
    }
  })

  it('lead where the ellipsoid’s do, within 0.6 % of the way, over the distances of a grid', () => {
    for (let round = 0; round < 300; round++) {
      const from = { lat: unit(`from ${round}`) * 120 - 60, lon: unit(`east ${round}`) * 360 - 180 }
      const [angle, km] = [unit(`angle ${round}`) * 360, 0.1 + unit(`km ${round}`) * 20]
      const to = pointFrom(from, angle, km)
      const { lat2, lon2 } = Geodesic.WGS84.Direct(from.lat, from.lon, angle, km * 1000)
      expect(onEllipsoid(to, { lat: lat2!, lon: lon2! }).km / km).toBeLessThan(0.0075)
      const apart = Math.abs(bearing(from, to) - onEllipsoid(from, to).bearing)
      expect(Math.min(apart, 360 - apart)).toBeLessThan(0.35)
    }
  })

  it('lay out a grid whose steps are those of the ellipsoid within 0.6 %', () => {
    const middle = { lat: 49.6641, lon: -8.0287 }
    const [first, second] = gridPoints(middle, { shape: 'square', spacing: 600, rings: 3 })
    expect(Math.abs(onEllipsoid(first!, second!).km - 0.6) / 0.6).toBeLessThan(0.006)
  })
})

/**
 * The largest U that is significant at 5 %, two-sided: the table of Mann & Whitney’s test in the textbooks (Siegel 1956,
 * Nonparametric Statistics for the Behavioral Sciences, table K); values from memory.
 */
const CRITICAL: [n: number, m: number, u: number][] = [
  [4, 4, 0],
  [5, 5, 2],
  [5, 6, 3],
  [6, 6, 5],
  [6, 7, 6],
  [7, 7, 8],
  [8, 8, 13],
  [9, 9, 17],
  [10, 10, 23],
]

/** Two groups of ranks without ties that have a U. */
function groupsWith(n: number, m: number, u: number): [number[], number[]] {
  // begin with all of the first group in front: U is 0; each step of one of them behind one of the others adds one
  const places = Array.from({ length: n }, (_, index) => index + 1)
  let left = u
  for (let index = n - 1; index >= 0 && left > 0; index--) {
    const by = Math.min(left, m)
    places[index]! += by
    left -= by
  }
  const others = Array.from({ length: n + m }, (_, index) => index + 1).filter((place) => !places.includes(place))
  return [places, others]
}

describe('the rank-sum test, beside its published table', () => {
  it.each(CRITICAL)('of %i and %i is clear up to a U of %i, and not beyond', (n, m, u) => {
    expect(rankSum(...groupsWith(n, m, u))).toBeLessThanOrEqual(0.05)
    expect(rankSum(...groupsWith(n, m, u + 1))).toBeGreaterThan(0.05)
  })

  it('of five and five that are parted wholly is 2 of 252', () => {
    expect(rankSum(...groupsWith(5, 5, 0))).toBeCloseTo(2 / 252, 12)
  })
})
