import { setTimeout as pause } from 'node:timers/promises'
import { sql } from '../database/sql'
import { systemDb } from '../database/systemDb'

/** How tries of one subject are slowed down. */
export interface Pace {
  /** So many go through without waiting. */
  free: number
  /** From then on the wait doubles with every try, from a second up to so many. */
  longest: number
}

/** After so long without a try the count begins anew. */
const FORGET_MINUTES = 60

/**
 * Records a try, before anything is looked at, and says whether it may go ahead. One row decides, in the database: of
 * any number of tries at once only those go ahead that the pace allows, whichever process they reach.
 *
 * @returns 0, or how many seconds there are to wait; a try that has to wait is not counted
 */
export async function claimTry(subject: string, { free, longest }: Pace): Promise<number> {
  const key = subject.slice(0, 260)
  await systemDb.run(sql`INSERT IGNORE INTO throttle (subject) VALUES (${key})`)
  const { affectedRows } = await systemDb.run(sql`
    UPDATE throttle
    SET    tries = IF(tried_at < NOW(3) - INTERVAL ${FORGET_MINUTES} MINUTE, 1, tries + 1), tried_at = NOW(3),
           free_at = NOW(3) + INTERVAL IF(tries < ${free}, 0, LEAST(${longest}, POW(2, LEAST(tries - ${free}, 20)))) SECOND
    WHERE  subject = ${key}
    AND    free_at <= NOW(3)`)
  if (affectedRows === 1) return 0
  const row = await systemDb.one<{ wait: number | null }>(
    sql`SELECT TIMESTAMPDIFF(MICROSECOND, NOW(3), free_at) / 1000000 AS wait FROM throttle WHERE subject = ${key}`,
  )
  return Math.max(0.05, row?.wait ?? 0)
}

/** As `claimTry`, but waits itself for a while before it gives up: for those who are known here. */
export async function claimTryPatiently(subject: string, pace: Pace, patienceMs: number): Promise<number> {
  const end = Date.now() + patienceMs
  for (;;) {
    const wait = await claimTry(subject, pace)
    if (wait === 0 || Date.now() + wait * 1000 > end) return wait
    await pause(wait * 1000)
  }
}

/** A try that came out well: its subject has a clean sheet again. */
export const forgetTries = (subject: string) =>
  systemDb.run(sql`DELETE FROM throttle WHERE subject = ${subject.slice(0, 260)}`)

/** A try that came out well from where others try too: only this one is taken back. */
export const takeBackTry = (subject: string) =>
  systemDb.run(sql`
  UPDATE throttle SET tries = IF(tries > 0, tries - 1, 0), free_at = NOW(3) WHERE subject = ${subject.slice(0, 260)}`)
