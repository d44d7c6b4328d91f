import { pointFrom, type LatLon } from './greatCircle'

/** How the points of a check lie: at the place alone, or around it as squares or as hexagons. */
export const GRID_SHAPES = ['point', 'square', 'hexagon'] as const
export type GridShape = (typeof GRID_SHAPES)[number]

/** The points of a check around a place. */
export interface RankGrid {
  shape: GridShape
  /** How far a point is from the next one, in metres. */
  spacing: number
  /** How many rings of points lie around the place. */
  rings: number
}

/** How many rings there are at the most: 169 points of either shape are near at hand, and more say little more. */
export const MOST_RINGS = 7

/** A point of a grid: its place, and how far it lies from the middle, in steps. */
export interface GridPoint extends LatLon {
  /** From 1, from the north to the south and from the west to the east. */
  number: number
}

/**
 * How many points a grid has.
 *
 * @example gridSize({ shape: 'hexagon', rings: 7 }) // 169
 */
export const gridSize = ({ shape, rings }: Pick<RankGrid, 'shape' | 'rings'>): number =>
  shape === 'point' ? 1 : shape === 'square' ? (2 * rings + 1) ** 2 : 1 + 3 * rings * (rings + 1)

/** The places of a grid on a plane, in steps to the east and to the north: rows from the north, each from the west. */
function steps({ shape, rings }: RankGrid): [east: number, north: number][] {
  if (shape === 'point') return [[0, 0]]
  const rows = Array.from({ length: 2 * rings + 1 }, (_, index) => rings - index)
  return rows.flatMap((row): [number, number][] => {
    if (shape === 'square')
      return Array.from({ length: 2 * rings + 1 }, (_, index): [number, number] => [index - rings, row])
    const inRow = 2 * rings + 1 - Math.abs(row)
    return Array.from({ length: inRow }, (_, index): [number, number] => [
      index - (inRow - 1) / 2,
      (row * Math.sqrt(3)) / 2,
    ])
  })
}

/**
 * The points of a grid around a place, each reached along a great circle, so that the steps are as long everywhere.
 *
 * @throws  RangeError for a step of nothing, or more rings than are allowed
 * @example gridPoints({ lat: 49.6, lon: -8 }, { shape: 'square', spacing: 500, rings: 1 }).length // 9
 */
export function gridPoints(middle: LatLon, grid: RankGrid): GridPoint[] {
  if (!(grid.spacing > 0)) throw new RangeError(`${grid.spacing} m is no step`)
  if (!Number.isInteger(grid.rings) || grid.rings < 0 || grid.rings > MOST_RINGS)
    throw new RangeError(`${grid.rings} rings cannot be drawn`)
  return steps(grid).map(([east, north], index) => {
    const far = (Math.hypot(east, north) * grid.spacing) / 1000
    const at = far === 0 ? middle : pointFrom(middle, ((Math.atan2(east, north) * 180) / Math.PI + 360) % 360, far)
    return { number: index + 1, lat: at.lat, lon: at.lon }
  })
}

/** Which point of a grid is the place itself, from 0. */
export const middleOf = (grid: Pick<RankGrid, 'shape' | 'rings'>): number => (gridSize(grid) - 1) / 2

/**
 * The area for which each point of a grid stands, in square kilometres: all of them for the same, so that a share of the
 * points is a share of the area.
 *
 * @example areaOfPoint({ shape: 'square', spacing: 500, rings: 3 }) // 0.25
 */
export const areaOfPoint = ({ shape, spacing }: RankGrid): number =>
  (spacing / 1000) ** 2 * (shape === 'hexagon' ? Math.sqrt(3) / 2 : 1)
