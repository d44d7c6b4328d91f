import { daysEnding, lengthOf } from '../../../core/periods/period'
import { USUAL_DAYS } from '../../../core/posts/bestAndWorst'
import { othersMedians, type OthersMedians } from '../../../core/posts/othersMedians'
import { postFigureById, type PostFigureKind } from '../../../core/posts/postFigures'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'
import type { ResolvedScope } from '../resolveScope'

/** Counted in floating point: a number that is written without its power of ten would be counted digit by digit. */
export const real = (value: number): string => `${value}e0`

/**
 * SQL for what is counted of a post `p`: one column, or several as far as they are known; these in floating point, which
 * holds counts exactly and is added up several times faster than columns that have a sign with numbers that have none.
 */
export function sumOf(columns: readonly string[]): string {
  const own = columns.map((column) => `p.${column}`)
  return own.length === 1
    ? own[0]!
    : `IF(COALESCE(${own.join(', ')}) IS NULL, NULL, ${own.map((each) => `COALESCE(${each}, 0e0)`).join(' + ')})`
}

/** SQL for a figure of a post, as `postValue` of core/posts has it; counted in floating point where it is a ratio. */
export function valueOf({ top, base, unit }: PostFigureKind): string {
  const sum = sumOf(top)
  if (!base) return sum
  const ratio = `(${sum}) / (p.${base.column} + 0e0)`
  return unit === 'share'
    ? `IF(p.${base.column} > 0 AND (${sum}) <= p.${base.column}, ${ratio}, NULL)`
    : `IF(p.${base.column} > 0, ${ratio}, NULL)`
}

/** SQL for what is usual for the profile of a post `p`: the median interactions of its others. */
export function usualOf(usual: ReadonlyMap<number, OthersMedians>): string {
  if (usual.size === 0) return 'NULL + 0e0'
  const own = sumOf(postFigureById('interactions').top)
  const cases = [...usual].map(
    ([profile, { middle, below, same, above }]) =>
      `WHEN ${profile} THEN IF(${own} < ${middle}, ${real(below)}, IF(${own} > ${middle}, ${real(above)}, ${real(same)}))`,
  )
  return `CASE p.profile_id ${cases.join(' ')} END`
}

/** SQL for the interactions of a post `p` as a multiple of what is usual for its profile. */
export const timesOf = (usual: ReadonlyMap<number, OthersMedians>): string =>
  `(${sumOf(postFigureById('interactions').top)}) / NULLIF(${usualOf(usual)}, 0e0)`

/** What the posts of each profile usually bring: of ninety days up to the end of the period, or of all of a longer one. */
export async function usualOfProfiles(
  db: ClientDb,
  { profiles, period }: ResolvedScope,
): Promise<ReadonlyMap<number, OthersMedians>> {
  const past = daysEnding(period.to, Math.max(USUAL_DAYS, lengthOf(period)))
  const rows = await db.rows<{ profile: number; interactions: number }>(sql`
    SELECT p.profile_id AS profile, ${raw(sumOf(postFigureById('interactions').top))} AS interactions
    FROM   post p
    WHERE  p.client_id = ${db.client}
    AND    p.profile_id IN (${profiles.map(({ profile_id: profile }) => profile)})
    AND    p.day BETWEEN ${past.from} AND ${past.to}
    HAVING interactions IS NOT NULL`)
  const values = new Map<number, number[]>()
  for (const { profile, interactions } of rows) {
    const own = values.get(profile)
    if (own) own.push(interactions)
    else values.set(profile, [interactions])
  }
  return new Map(
    [...values].flatMap(([profile, own]) => {
      const found = othersMedians(own)
      return found ? [[profile, found] as const] : []
    }),
  )
}
