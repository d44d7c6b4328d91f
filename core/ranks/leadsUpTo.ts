import { FIRST, type Rank } from './rankFigures'

/** How far from its door a place is among the first three. */
export interface Lead {
  /** In kilometres: up to there it is, beyond it is not, with the fewest points on the wrong side. 0: nowhere. */
  km: number
  /** Whether it is so at the outermost points too, so that it may go on. */
  isBeyond: boolean
  /** How many points are on the wrong side of it. */
  otherwise: number
}

/**
 * The distance at which a place falls out of the first three: the one that parts the points inside from those outside
 * with the fewest on the wrong side; of several that do, the nearest. It lies in the middle between two points.
 *
 * @param points  how far each is from the place, in kilometres, and its rank there
 * @returns       undefined for fewer than two points
 * @example       leadsUpTo([{ km: 0, rank: 1 }, { km: 1, rank: 2 }, { km: 2, rank: 9 }]) // { km: 1.5, isBeyond: false, otherwise: 0 }
 */
export function leadsUpTo(points: readonly { km: number; rank: Rank }[]): Lead | undefined {
  if (points.length < 2) return undefined
  const sorted = [...points].sort((a, b) => a.km - b.km)
  const isIn = ({ rank }: { rank: Rank }) => rank !== null && rank <= FIRST
  // with the cut before the first point every one that is in is on the wrong side
  let wrong = sorted.filter(isIn).length
  let best = { cut: 0, wrong }
  sorted.forEach((point, index) => {
    wrong += isIn(point) ? -1 : 1
    // points as far away as each other are on the same side
    const isApart = index === sorted.length - 1 || sorted[index + 1]!.km - point.km > 1e-6
    if (isApart && wrong < best.wrong) best = { cut: index + 1, wrong }
  })
  const { cut, wrong: otherwise } = best
  if (cut === 0) return { km: 0, isBeyond: false, otherwise }
  const isBeyond = cut === sorted.length
  return {
    km: isBeyond ? sorted.at(-1)!.km : (sorted[cut - 1]!.km + sorted[cut]!.km) / 2,
    isBeyond,
    otherwise,
  }
}
