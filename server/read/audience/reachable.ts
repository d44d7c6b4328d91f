import {
  LEAST_RADIUS,
  LONGEST_RADIUS,
  type Estimate,
  type EstimateInput,
  type EstimateQuery,
  type KeptReachable,
  type ReachableView,
} from '../../../shared/read/reachable'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest } from '../../platform/problems/problem'

/** What asks a network. */
export type AskEstimate = (query: EstimateQuery) => Promise<Estimate | undefined>

/** At how many times the chosen radius the estimate is asked for too, to see how it changes. */
const TIMES = [0.25, 0.5, 1, 2, 4]
const MOST_KEPT = 200

/** Whom somebody asks for, as networks take it. */
function queryOf(
  { kind, lat, lon, towns, countries, ages, genders, interests }: EstimateInput,
  radius: number,
): EstimateQuery {
  return {
    where: kind === 'circle' ? { kind, lat, lon, radius } : kind === 'towns' ? { kind, towns } : { kind, countries },
    ages,
    genders: genders as ('f' | 'm')[],
    interests,
  }
}

/**
 * How many people a network says could be reached, and of a circle how that changes with its radius.
 *
 * @param ask  asks the network
 * @throws     NetworkTrouble or RateLimited
 */
export async function askReachable(ask: AskEstimate, asked: EstimateInput): Promise<ReachableView> {
  const estimate = (await ask(queryOf(asked, asked.radius))) ?? null
  const radii =
    asked.kind === 'circle'
      ? TIMES.map((times) => asked.radius * times).filter(
          (radius) => radius >= LEAST_RADIUS && radius <= LONGEST_RADIUS,
        )
      : []
  const byRadius = []
  for (const radius of radii) {
    const found = radius === asked.radius ? estimate : await ask(queryOf(asked, radius))
    byRadius.push({ radius, low: found?.low ?? null, high: found?.high ?? null })
  }
  return { estimate, byRadius, askedAt: new Date(now()) }
}

/** The audiences that are kept, the newest first. */
export async function keptReachable(db: ClientDb): Promise<KeptReachable[]> {
  const rows = await db.rows<Omit<KeptReachable, 'asked'> & { asked: string }>(sql`
    SELECT   estimate_id AS id, name, asked, low, high, asked_at AS askedAt
    FROM     kept_estimate
    WHERE    client_id = ${db.client}
    AND      removed_at IS NULL
    ORDER BY estimate_id DESC
    LIMIT    ${MOST_KEPT}`)
  return rows.map((row) => ({ ...row, asked: JSON.parse(row.asked) as EstimateInput }))
}

/** Keeps an audience under a name, with what the network says of it now. */
export async function keepReachable(
  db: ClientDb,
  ask: AskEstimate,
  { name, asked }: { name: string; asked: EstimateInput },
  person: number,
): Promise<number> {
  if ((await keptReachable(db)).length >= MOST_KEPT)
    throw badRequest(`A client keeps ${MOST_KEPT} audiences at the most. Remove old ones first.`)
  const estimate = await ask(queryOf(asked, asked.radius))
  const { insertId } = await db.run(sql`
    INSERT INTO kept_estimate (client_id, name, asked, low, high, created_by)
    VALUES (${db.client}, ${name}, ${JSON.stringify(asked)}, ${estimate?.low ?? null}, ${estimate?.high ?? null}, ${person})`)
  return insertId
}

/** Takes a kept audience away, or brings it back. */
export async function removeReachable(db: ClientDb, id: number, isRemoved: boolean): Promise<boolean> {
  const { affectedRows } = await db.run(sql`
    UPDATE kept_estimate
    SET    removed_at = ${isRemoved ? new Date() : null}
    WHERE  client_id = ${db.client}
    AND    estimate_id = ${id}
    AND    (removed_at IS NULL) = ${isRemoved ? 1 : 0}`)
  return affectedRows === 1
}
