import type { Day } from '../../../core/days/day'
import { byRank, inFirst, medianRank, type Rank } from '../../../core/ranks/rankFigures'
import { rankSum } from '../../../core/ranks/rankSum'
import type { RankRow, RanksOver, RanksView } from '../../../shared/read/ranks'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { todayOf, watchesOf, type KeptWatch } from './rankWatches'

/** The days of a period for checks: a check of today is there at once, where the period reaches to the last whole day. */
export const checkDays = (db: ClientDb, { period: { from, to }, lastComplete }: ResolvedScope) => ({
  from,
  to: to === lastComplete ? todayOf(db) : to,
})

/** A watch without what only the server needs. */
export const shown = ({ lat: _, lon: __, listing: ___, ...watch }: KeptWatch) => watch

/** What is looked for of the places that a scope is about: those whose listing it has, and of all those without one. */
export const watchesIn = async (db: ClientDb, { profiles, allProfiles }: ResolvedScope): Promise<KeptWatch[]> => {
  const chosen = new Set(profiles.map(({ profile_id: id }) => id))
  const isAll = profiles.length === allProfiles.length
  return (await watchesOf(db)).filter(({ listing }) => (listing === null ? isAll : isAll || chosen.has(listing)))
}

const over = (ranks: readonly Rank[]): RanksOver => {
  if (ranks.length === 0) return { checks: 0, first: 0 }
  const sorted = [...ranks].sort(byRank)
  return {
    checks: ranks.length,
    first: inFirst(ranks),
    middle: medianRank(ranks)!,
    best: sorted[0]!,
    worst: sorted.at(-1)!,
  }
}

/** Where the places stand in the searches that are looked at, at their doors: in the period, beside the one before. */
export async function ranksIn(db: ClientDb, scope: ResolvedScope): Promise<RanksView> {
  const days = checkDays(db, scope)
  const before = scope.comparison?.period
  const [watches, checks] = await Promise.all([
    watchesIn(db, scope),
    db.rows<{ watch: number; day: Day; here: Rank; isNow: number }>(sql`
      SELECT   watch_id AS watch, day, here, day BETWEEN ${days.from} AND ${days.to} AS isNow
      FROM     rank_check
      WHERE    client_id = ${db.client}
      AND      checked_at IS NOT NULL
      AND      (day BETWEEN ${days.from} AND ${days.to}
                OR day BETWEEN ${before?.from ?? days.from} AND ${before?.to ?? days.to})
      ORDER BY day`),
  ])
  return {
    rows: watches.map((watch): RankRow => {
      const own = checks.filter((check) => check.watch === watch.id)
      const now = own.filter(({ isNow }) => isNow === 1)
      const past = before ? own.filter(({ day }) => day >= before.from && day <= before.to) : []
      const [ranks, earlier] = [now, past].map((some) => some.map(({ here }) => here))
      const last = now.at(-1)
      const chance = rankSum(earlier!, ranks!)
      return {
        ...shown(watch),
        ...(last && { here: { day: last.day, rank: last.here } }),
        now: over(ranks!),
        ...(before && { before: over(earlier!) }),
        ...(chance !== undefined && { chance }),
      }
    }),
  }
}
