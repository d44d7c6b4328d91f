/**
 * The Farrow Isles, an invented archipelago around 49.6° N 8.0° W: its coast, its towns with how many people live there,
 * and its ferry routes. Drawn by us; no real place is in it.
 */
export const TOWNS = [
  { name: 'Port Farrow', lat: 49.615, lon: -7.985, people: 21_400 },
  { name: 'Quillstrand', lat: 49.585, lon: -8.075, people: 9_800 },
  { name: 'Marrenhythe', lat: 49.662, lon: -8.02, people: 7_100 },
  { name: 'Tallowby', lat: 49.712, lon: -7.862, people: 5_600 },
  { name: 'Ostercombe', lat: 49.53, lon: -8.215, people: 4_300 },
  { name: 'Fennaway', lat: 49.498, lon: -7.872, people: 3_900 },
  { name: 'Withy Sound', lat: 49.742, lon: -8.178, people: 2_700 },
  { name: 'Skarle', lat: 49.438, lon: -8.048, people: 1_500 },
] as const

/** How many people live outside the towns, on each square kilometre of the islands. */
export const RURAL_PER_KM2 = 22

const ISLANDS = [
  { name: 'Great Farrow', lat: 49.622, lon: -8.02, km: 10.5, seed: 3 },
  { name: 'Tallow', lat: 49.712, lon: -7.87, km: 5.2, seed: 11 },
  { name: 'Oster', lat: 49.532, lon: -8.222, km: 4.6, seed: 7 },
  { name: 'Fen Isle', lat: 49.5, lon: -7.88, km: 4.1, seed: 19 },
  { name: 'Withy', lat: 49.745, lon: -8.185, km: 3.4, seed: 23 },
  { name: 'Skarle Rock', lat: 49.437, lon: -8.05, km: 2.4, seed: 31 },
] as const

const KM_PER_DEGREE = 111.2
const CORNERS = 72

/** How far apart two points are, in kilometres; over so short a way the earth is flat enough. */
export function kilometres(a: { lat: number; lon: number }, b: { lat: number; lon: number }): number {
  const east = (a.lon - b.lon) * KM_PER_DEGREE * Math.cos((((a.lat + b.lat) / 2) * Math.PI) / 180)
  return Math.hypot((a.lat - b.lat) * KM_PER_DEGREE, east)
}

/** The coast of an island as a ring of points, with bays and heads. */
function coastOf({ lat, lon, km, seed }: (typeof ISLANDS)[number]): [number, number][] {
  const ring = Array.from({ length: CORNERS }, (_, corner): [number, number] => {
    const angle = (2 * Math.PI * corner) / CORNERS
    const bays = [2, 3, 5, 8, 13].reduce(
      (sum, waves, index) => sum + (0.22 / (index + 1.5)) * Math.sin(waves * angle + seed * (index + 1)),
      1,
    )
    const far = (km * bays) / KM_PER_DEGREE
    return [
      Number((lon + (far * Math.cos(angle)) / Math.cos((lat * Math.PI) / 180)).toFixed(4)),
      Number((lat + far * Math.sin(angle) * 0.82).toFixed(4)),
    ]
  })
  return [...ring, ring[0]!]
}

/** Whether a point lies on one of the islands, by their size alone. */
export const isOnLand = (point: { lat: number; lon: number }): boolean =>
  ISLANDS.some((island) => kilometres(point, island) <= island.km)

/** The islands as GeoJSON (RFC 7946): a polygon for each, and a point for each town. */
export const islesGeoJson = () => ({
  type: 'FeatureCollection' as const,
  features: [
    ...ISLANDS.map((island) => ({
      type: 'Feature' as const,
      properties: { kind: 'island', name: island.name },
      geometry: { type: 'Polygon' as const, coordinates: [coastOf(island)] },
    })),
    ...TOWNS.map(({ name, lat, lon, people }) => ({
      type: 'Feature' as const,
      properties: { kind: 'town', name, people },
      geometry: { type: 'Point' as const, coordinates: [lon, lat] },
    })),
  ],
})
