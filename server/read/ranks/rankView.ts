import type { Day } from '../../../core/days/day'
import { isSought, ranksOf, type FoundByPoint } from '../../../core/ranks/found'
import { bearing, distanceKm, windOf } from '../../../core/ranks/greatCircle'
import { leadsUpTo } from '../../../core/ranks/leadsUpTo'
import { areaOfPoint, gridPoints } from '../../../core/ranks/rankGrid'
import { inFirst, medianRank, type Rank } from '../../../core/ranks/rankFigures'
import { usualDifference, usualMove } from '../../../core/ranks/wobble'
import type { RankCheck, RankStanding, RankView } from '../../../shared/read/ranks'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { checkDays, shown } from './ranks'
import { watchById, type KeptWatch } from './rankWatches'

/** How many checks are drawn as a line, and how many tell what is usual: the newest ones. */
const [MOST_LINES, MOST_USUAL] = [400, 13]
/** How many are named as standing in the first three, beside the place itself. */
const MOST_STANDINGS = 12

interface FoundRow {
  day: Day
  sought: string
  found: string
}
interface Found {
  day: Day
  sought: string
  found: FoundByPoint
  own: Rank[]
}

/** The newest checks up to a day, the oldest first. */
async function checksUpTo(db: ClientDb, watch: KeptWatch, from: Day, to: Day, most: number): Promise<Found[]> {
  const rows = await db.rows<FoundRow>(sql`
    SELECT   day, sought, found
    FROM     rank_check
    WHERE    client_id = ${db.client}
    AND      watch_id = ${watch.id}
    AND      checked_at IS NOT NULL
    AND      day BETWEEN ${from} AND ${to}
    ORDER BY day DESC
    LIMIT    ${most}`)
  return rows.reverse().map(({ day, sought, found: text }) => {
    const found = JSON.parse(text) as FoundByPoint
    return { day, sought, found, own: ranksOf(found, (id) => isSought(watch.kind, sought, id)) }
  })
}

function drawn(watch: KeptWatch, { day, sought, found, own }: Found): RankCheck {
  const points = gridPoints(watch, watch.grid).map((point, index) => ({
    ...point,
    km: distanceKm(watch, point),
    wind: windOf(bearing(watch, point)),
    rank: own[index] ?? null,
    found: found.points[index] ?? [],
  }))
  const lead = leadsUpTo(points)
  return {
    day,
    points,
    listings: found.listings.map(({ id, name, lat, lon }) => ({
      name,
      lat,
      lon,
      isOwn: isSought(watch.kind, sought, id),
    })),
    ...(lead && { lead }),
    middle: medianRank(own)!,
    first: inFirst(own),
  }
}

/** Everybody who stands in the first three somewhere, now or before, and the place itself: who leads most first. */
function standingsOf(watch: KeptWatch, now: Found, before: Found | undefined): RankStanding[] {
  const own = (found: Found) => (id: string) => isSought(watch.kind, found.sought, id)
  const of = (found: Found, is: (id: string) => boolean) => {
    const ranks = ranksOf(found.found, is)
    return { first: inFirst(ranks), middle: medianRank(ranks)! }
  }
  const others = new Map(
    [...(before?.found.listings ?? []), ...now.found.listings].flatMap(({ id, name }) =>
      own(now)(id) || (before && own(before)(id)) ? [] : [[id, name] as const],
    ),
  )
  const rivals = [...others].map(
    ([id, name]): RankStanding => ({
      name,
      isOwn: false,
      ...of(now, (each) => each === id),
      ...(before && { before: of(before, (each) => each === id) }),
    }),
  )
  return [
    {
      name: watch.place.name,
      isOwn: true,
      ...of(now, own(now)),
      ...(before && { before: of(before, own(before)) }),
    },
    ...rivals
      .filter(({ first, before: past }) => first > 0 || (past?.first ?? 0) > 0)
      .sort((a, b) => b.first - a.first || (a.name < b.name ? -1 : 1))
      .slice(0, MOST_STANDINGS),
  ].sort((a, b) => b.first - a.first || Number(b.isOwn) - Number(a.isOwn))
}

/**
 * One of what is looked for over its points: the last check of the period beside the last one of the comparison, and
 * how it went on in between.
 *
 * @throws Problem 404 when nothing of that number is looked for
 */
export async function rankView(db: ClientDb, scope: ResolvedScope, id: number): Promise<RankView> {
  const watch = await watchById(db, id)
  const days = checkDays(db, scope)
  const against = scope.comparison?.period
  const [[now], [before], lines] = await Promise.all([
    checksUpTo(db, watch, days.from, days.to, 1),
    against ? checksUpTo(db, watch, against.from, against.to, 1) : [],
    db.rows<RankView['lines'][number]>(sql`
      SELECT   day, here, in_first AS first
      FROM     rank_check
      WHERE    client_id = ${db.client}
      AND      watch_id = ${id}
      AND      checked_at IS NOT NULL
      AND      day <= ${days.to}
      ORDER BY day DESC
      LIMIT    ${MOST_LINES}`),
  ])
  // what is usual is told by the checks before the one that is looked at
  const earlier = now ? (await checksUpTo(db, watch, '2000-01-01', now.day, MOST_USUAL + 1)).slice(0, -1) : []
  const move = usualMove(earlier.map(({ own }) => own))
  const first = usualDifference(earlier.map(({ own }) => own))
  return {
    watch: shown(watch),
    area: areaOfPoint(watch.grid),
    ...(now && { now: drawn(watch, now) }),
    ...(before && { before: drawn(watch, before) }),
    standings: now ? standingsOf(watch, now, before) : [],
    usual: { ...(move !== undefined && { move }), ...(first !== undefined && { first }), checks: earlier.length },
    lines: lines.reverse(),
  }
}
