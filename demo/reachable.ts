import type { Estimate, EstimateQuery } from '../shared/read/reachable'
import { isOnLand, kilometres, RURAL_PER_KM2, TOWNS } from './isles'
import { unit } from './random'

/** How many people live where, in thousands, of those countries that a network can be asked about. */
const COUNTRIES: Record<string, number> = { GB: 67_000, IE: 5_100, FR: 68_000, DE: 84_000, US: 335_000, CA: 39_000 }
/** What part of people uses a network. */
const USE: Record<string, number> = { commons: 0.52, tintype: 0.38, guildhall: 0.16 }
/** What part of grown-ups each age has, and of those who share an interest. */
const AGE_SHARES: Record<string, number> = {
  '13-17': 0.07,
  '18-24': 0.13,
  '25-34': 0.2,
  '35-44': 0.19,
  '45-54': 0.17,
  '55-64': 0.13,
  '65+': 0.11,
}
const INTEREST_SHARES: Record<string, number> = {
  'gardens': 0.17,
  'food and drink': 0.34,
  'travel': 0.29,
  'science': 0.12,
  'families': 0.31,
  'the sea': 0.21,
}
const ALSO = [
  'Townbook of the Isles',
  'The Farrow Gazette',
  'Isles in Bloom',
  'Ferry Watch',
  'The Long Table',
  'Night Sky Club',
]

/** Below so many people a network says nothing. */
const FLOOR = 1000

/** How many people live within a circle: of each town as far as it lies within, and in the country around. */
function livingIn({ lat, lon, radius }: { lat: number; lon: number; radius: number }) {
  const towns = TOWNS.map((town) => {
    const far = kilometres({ lat, lon }, town)
    const spread = 1.6
    return { name: town.name, people: Math.round(town.people / (1 + Math.exp((far - radius) / (spread / 4)))) }
  })
  let land = 0
  const steps = 24
  for (let row = -steps; row <= steps; row++)
    for (let column = -steps; column <= steps; column++) {
      const [north, east] = [(row / steps) * radius, (column / steps) * radius]
      if (Math.hypot(north, east) > radius) continue
      const point = { lat: lat + north / 111.2, lon: lon + east / (111.2 * Math.cos((lat * Math.PI) / 180)) }
      if (isOnLand(point)) land++
    }
  const rural = land * (radius / steps) ** 2 * RURAL_PER_KM2
  return { towns, people: towns.reduce((sum, town) => sum + town.people, 0) + rural }
}

/** As networks tell such numbers: to two digits. */
const rounded = (value: number): number => {
  const scale = 10 ** Math.max(0, Math.floor(Math.log10(Math.max(1, value))) - 1)
  return Math.round(value / scale) * scale
}

/**
 * What a network says of how many people could be reached: a range, rounded, by gender and age; undefined where they are
 * too few.
 */
export function reachable(network: string, query: EstimateQuery): Estimate | undefined {
  const { where } = query
  const place =
    where.kind === 'circle'
      ? livingIn(where)
      : where.kind === 'towns'
        ? {
            towns: TOWNS.filter(({ name }) => where.towns.includes(name)).map(({ name, people }) => ({ name, people })),
            people: TOWNS.filter(({ name }) => where.towns.includes(name)).reduce((sum, { people }) => sum + people, 0),
          }
        : { towns: [], people: where.countries.reduce((sum, country) => sum + 1000 * (COUNTRIES[country] ?? 0), 0) }
  const ages = query.ages.length > 0 ? query.ages : Object.keys(AGE_SHARES)
  const interest =
    query.interests.length > 0
      ? 1 - query.interests.reduce((none, name) => none * (1 - (INTEREST_SHARES[name] ?? 0)), 1)
      : 1
  const of = (gender: 'f' | 'm') =>
    network === 'tintype' ? (gender === 'f' ? 0.56 : 0.44) : gender === 'f' ? 0.51 : 0.49
  const genders = query.genders.length > 0 ? query.genders : (['f', 'm'] as const)
  const base = place.people * 0.86 * (USE[network] ?? 0) * interest
  const byAge = ages.map((age) => ({
    age,
    people: base * (AGE_SHARES[age] ?? 0) * genders.reduce((sum, gender) => sum + of(gender), 0),
  }))
  const people = byAge.reduce((sum, each) => sum + each.people, 0)
  if (people < FLOOR) return undefined
  return {
    low: rounded(people * 0.92),
    high: rounded(people * 1.09),
    byGender: genders.map((gender) => ({
      gender,
      people: rounded((people * of(gender)) / genders.reduce((sum, each) => sum + of(each), 0)),
    })),
    byAge: byAge.map(({ age, people: many }) => ({ age, people: rounded(many) })),
    towns: place.towns
      .map(({ name, people: many }) => ({ name, people: rounded((many / Math.max(1, place.people)) * people) }))
      .filter(({ people: many }) => many >= FLOOR / 10)
      .sort((a, b) => b.people - a.people)
      .slice(0, 5),
    alsoFollow: ALSO.map((name) => ({ name, share: Number((0.05 + 0.3 * unit(network, name, interest)).toFixed(2)) }))
      .sort((a, b) => b.share - a.share)
      .slice(0, 5),
  }
}
