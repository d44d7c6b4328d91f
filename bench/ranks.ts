import { foundFrom } from '../demo/ranks'
import { joinFound, ranksOf } from '../core/ranks/found'
import { distanceKm } from '../core/ranks/greatCircle'
import { leadsUpTo } from '../core/ranks/leadsUpTo'
import { gridPoints } from '../core/ranks/rankGrid'
import { inFirst, medianRank, moveOf } from '../core/ranks/rankFigures'
import { usualDifference, usualMove } from '../core/ranks/wobble'
import { median, ms, report, times } from './measure'

const MIDDLE = { lat: 49.6641, lon: -8.0287 }
const GRID = { shape: 'hexagon', spacing: 400, rings: 7 } as const
const CHECKS = 14

/** A map of 169 points compared for two dates, everybody who stands there and what is usual, beside one plain pass. */
export async function benchRanks(): Promise<void> {
  const points = gridPoints(MIDDLE, GRID)
  const checks = Array.from({ length: CHECKS }, (_, index) => {
    const day = `2026-10-${String(index + 10)}`
    return joinFound(points.map((point) => foundFrom({ keyword: 'tea', kind: 'map', day }, point, '2026-10-28')))
  })
  const [before, now] = [checks[0]!, checks.at(-1)!]
  const listings = [...new Set([...before.listings, ...now.listings].map(({ id }) => id))]
  const compared = await median(15, () => {
    const own = checks.map((check) => ranksOf(check, (id) => id === listings[0]))
    const standings = listings.map((listing) =>
      [before, now].map((check) => {
        const ranks = ranksOf(check, (id) => id === listing)
        return [inFirst(ranks), medianRank(ranks)]
      }),
    )
    const moves = own.at(-1)!.map((rank, index) => moveOf(own[0]![index]!, rank))
    const lead = leadsUpTo(points.map((point, index) => ({ km: distanceKm(MIDDLE, point), rank: own.at(-1)![index]! })))
    return [standings, moves, lead, usualMove(own), usualDifference(own)]
  })
  const plain = await median(15, () =>
    Promise.resolve(
      checks.reduce((sum, { points: all }) => sum + all.reduce((each, some) => each + some.length, 0), 0),
    ),
  )
  report(
    `169 points at two dates, ${listings.length} who stand there, and what is usual over ${CHECKS} checks`,
    { 'compared': ms(compared), 'one plain pass': ms(plain), 'rate': times(compared / plain) },
    { text: 'at most 100 ms', met: compared <= 100 },
  )
}
