import type { RankCheck } from '~~/shared/read/ranks'
import { DEPTH, type Rank } from '~~/core/ranks/rankFigures'

/** How large the drawing of a grid is. */
export const [MAP_WIDTH, MAP_HEIGHT] = [600, 420]
const MARGIN = 34
const KM_PER_DEGREE = 111.195

/** Where places of the map lie in the drawing: as far apart as they are, the north above. */
export function mapScale(points: RankCheck['points']) {
  const lats = points.map(({ lat }) => lat)
  const lons = points.map(({ lon }) => lon)
  const middle = {
    lat: (Math.min(...lats) + Math.max(...lats)) / 2,
    lon: (Math.min(...lons) + Math.max(...lons)) / 2,
  }
  const narrow = Math.cos((middle.lat * Math.PI) / 180)
  const east = (lon: number) => (lon - middle.lon) * KM_PER_DEGREE * narrow
  const north = (lat: number) => (lat - middle.lat) * KM_PER_DEGREE
  const wide = Math.max(0.4, ...points.map(({ lon }) => Math.abs(east(lon))))
  const tall = Math.max(0.4, ...points.map(({ lat }) => Math.abs(north(lat))))
  const perKm = Math.min((MAP_WIDTH / 2 - MARGIN) / wide, (MAP_HEIGHT / 2 - MARGIN) / tall)
  return {
    perKm,
    x: (lon: number) => MAP_WIDTH / 2 + east(lon) * perKm,
    y: (lat: number) => MAP_HEIGHT / 2 - north(lat) * perKm,
  }
}

/** The radius of a disc: the nearer to the top, the larger, and never so large that two of them touch. */
export function discRadius(rank: Rank, spacingKm: number, perKm: number): number {
  const most = Math.max(7.5, Math.min(15, (spacingKm * perKm) / 2 - 1))
  return rank === null ? most * 0.62 : most * (1 - 0.38 * ((rank - 1) / (DEPTH - 1)))
}

/** The rings of a coast as a path. */
export function coastPath(
  geography: GeoJSON.FeatureCollection | undefined,
  scale: ReturnType<typeof mapScale>,
): string {
  return (geography?.features ?? [])
    .flatMap(({ geometry }) => (geometry.type === 'Polygon' ? geometry.coordinates : []))
    .map((ring) => `M${ring.map(([lon, lat]) => `${scale.x(lon!).toFixed(1)} ${scale.y(lat!).toFixed(1)}`).join('L')}Z`)
    .join('')
}
