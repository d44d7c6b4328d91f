import { addDays, type Day } from '../core/days/day'
import type { FoundListing, RankKind } from '../core/ranks/found'
import { distanceKm, type LatLon } from '../core/ranks/greatCircle'
import type { RankGrid } from '../core/ranks/rankGrid'
import { DEPTH } from '../core/ranks/rankFigures'
import type { Rhythm } from '../core/ranks/rankRhythm'
import { TOWNS } from './isles'
import { PLACES } from './places'
import { unit } from './random'

/** What people look for, and the words by which they do. */
const SUBJECTS = {
  tea: ['tea', 'café', 'cake', 'coffee', 'scones'],
  garden: ['garden', 'plant', 'fern', 'glasshouse'],
  ferry: ['ferry', 'boat', 'pier', 'crossing'],
} as const
type Subject = keyof typeof SUBJECTS

interface Candidate extends LatLon {
  id: string
  page: string
  name: string
  subject: Subject
  /** How well it is thought of, whoever asks from wherever; and how fast that fades with the way to it. */
  strength: number
  fades: number
}

/** Others on the isles, by subject: how many, and the words that their names are made of. */
const OTHERS: Record<Subject, { many: number; first: readonly string[]; last: readonly string[] }> = {
  tea: {
    many: 31,
    first: ['Lamp', 'Harbour Steps', 'Quay', 'Copper Kettle', 'Tidewatch', 'Old Loom', 'Saltgrass', 'Blue Door'],
    last: ['Room', 'Tea', 'Bakery', 'Café'],
  },
  garden: {
    many: 25,
    first: ['Hollow', 'Saltmarsh', 'Bracken', 'Windward', 'Two Wells', 'Stonecrop', 'Larkrise'],
    last: ['Gardens', 'Nursery', 'Walled Garden', 'Plants'],
  },
  ferry: { many: 7, first: ['Sandpiper', 'Long Sound', 'Isle', 'Grey Gull'], last: ['Boats', 'Crossing'] },
}

const subjectOf = (words: string): Subject | undefined =>
  (Object.keys(SUBJECTS) as Subject[]).find((subject) =>
    SUBJECTS[subject].some((word) => words.toLowerCase().includes(word)),
  )

/** How well the clients’ places are thought of, where not as usual. */
const STRENGTHS: Readonly<Record<string, number>> = {
  'mossgate-quay-kiosk': 2.3,
  'mossgate-tea-rooms': 1.42,
  'mossgate-main-gate': 1.12,
}

const OWN: readonly Candidate[] = PLACES.map(({ handle, remoteId, record }) => ({
  id: remoteId,
  page: record.web.replace(/^https?:\/\//, '').replace(/\/$/, ''),
  name: record.name,
  lat: record.lat!,
  lon: record.lon!,
  subject: subjectOf(`${record.categories.join(' ')} ${record.name}`) ?? 'garden',
  strength: STRENGTHS[handle] ?? 1.5,
  // the kiosk leads at its door, and is gone 800 m away
  fades: handle === 'mossgate-quay-kiosk' ? 3.4 : 0.55,
}))

const CANDIDATES: readonly Candidate[] = [
  ...OWN,
  ...(Object.keys(OTHERS) as Subject[]).flatMap((subject) => {
    const { many, first, last } = OTHERS[subject]
    return Array.from({ length: many }, (_, index): Candidate => {
      const key = `${subject} ${index}`
      const town = TOWNS[Math.floor(unit('town', key) ** 1.6 * 4)]!
      const name = `${first[index % first.length]!} ${last[Math.floor(index / first.length) % last.length]!}`
      return {
        id: `6003${String(10_000_000 + Math.floor(unit('listing', key) * 89_999_999))}`,
        page: `${name.toLowerCase().replaceAll('é', 'e').replaceAll(' ', '-')}.example`,
        name,
        lat: town.lat + (unit('north', key) - 0.5) * 0.03,
        lon: town.lon + (unit('east', key) - 0.5) * 0.045,
        subject,
        strength: 0.4 + unit('strength', key) * 1.35,
        fades: 0.35 + unit('fades', key) * 0.5,
      }
    })
  }),
]

/** How much the way counts: on the map all of it, among pages hardly. */
const WAY: Record<RankKind, number> = { map: 1, page: 0.12, phone: 0.55 }
/** How long before the anchor the tea rooms fell. */
const FELL_DAYS = 17

/**
 * What a search finds from a point on a day: the same, whenever it is asked again. From day to day everything sways a
 * little; the tea rooms have fallen, once and for all.
 *
 * @param anchor  the day that the demo world ends with
 */
export function foundFrom(
  { keyword, kind, day }: { keyword: string; kind: RankKind; day: Day },
  point: LatLon,
  anchor: Day,
): FoundListing[] {
  const subject = subjectOf(keyword)
  if (!subject) return []
  const here = `${point.lat.toFixed(3)} ${point.lon.toFixed(3)}`
  const scored = CANDIDATES.filter((each) => each.subject === subject).map((each) => {
    const sway =
      (unit(keyword, kind, each.id, day) - 0.5) * 0.22 + (unit(keyword, kind, each.id, day, here) - 0.5) * 0.12
    const fell = each.name === 'Mossgate tea rooms' && day > addDays(anchor, -FELL_DAYS) ? 0.27 : 0
    const way = each.fades * Math.log1p(distanceKm(each, point) * 1.4) * WAY[kind]
    return { each, score: each.strength - fell - way + sway }
  })
  return scored
    .sort((a, b) => b.score - a.score || (a.each.id < b.each.id ? -1 : 1))
    .slice(0, DEPTH)
    .map(({ each: { id, page, name, lat, lon } }) => ({ id: kind === 'map' ? id : page, name, lat, lon }))
}

/** What is looked for in the demo, for which place, and for how many days it has been. */
export const RANK_WATCHES: readonly {
  client: string
  place: string
  keyword: string
  kind: RankKind
  rhythm: Rhythm
  grid: RankGrid
  days: number
}[] = [
  {
    client: 'mossgate-gardens',
    place: 'Mossgate tea rooms',
    keyword: 'tea room',
    kind: 'map',
    rhythm: 'week',
    grid: { shape: 'hexagon', spacing: 600, rings: 3 },
    days: 110,
  },
  {
    client: 'mossgate-gardens',
    place: 'Mossgate tea rooms',
    keyword: 'cake near me',
    kind: 'phone',
    rhythm: 'two-days',
    grid: { shape: 'point', spacing: 500, rings: 0 },
    days: 90,
  },
  {
    client: 'mossgate-gardens',
    place: 'Mossgate, main gate',
    keyword: 'garden to visit',
    kind: 'map',
    rhythm: 'two-days',
    grid: { shape: 'point', spacing: 500, rings: 0 },
    days: 90,
  },
  {
    client: 'mossgate-gardens',
    place: 'Mossgate, main gate',
    keyword: 'fern garden',
    kind: 'page',
    rhythm: 'week',
    grid: { shape: 'point', spacing: 500, rings: 0 },
    days: 110,
  },
  {
    client: 'mossgate-gardens',
    place: 'Mossgate quay kiosk',
    keyword: 'coffee',
    kind: 'map',
    rhythm: 'two-weeks',
    grid: { shape: 'square', spacing: 400, rings: 3 },
    days: 110,
  },
]
