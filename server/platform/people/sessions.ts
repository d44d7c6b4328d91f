import { newToken, tokenHash } from './secrets'
import { sql } from '../database/sql'
import { systemDb } from '../database/systemDb'
import { notFound } from '../problems/problem'
import { toPerson, type Person, type PersonRow } from './people'
import type { SessionView } from '../../../shared/platform/people'

/** A session ends when nothing was asked for so long, and after so long whatever happens. */
export const IDLE_HOURS = 24
export const LONGEST_DAYS = 14
/** How exactly it is known when a session was last used, so that looking does not mean writing. */
const SEEN_SECONDS = 60

/** What is kept of a session beside whose it is. */
export interface SessionFrom {
  address: string
  browser: string
}

/**
 * Begins a session. It belongs to the person as they are now: it ends with their password, with their role, or when
 * they are switched off, however that was changed.
 *
 * @returns the secret that the cookie holds; only its hash is kept
 */
export async function beginSession(personId: number, { address, browser }: SessionFrom): Promise<string> {
  const token = newToken()
  await systemDb.run(sql`
    INSERT INTO session (person_id, token_hash, role, password_mark, address, browser)
    SELECT person_id, ${tokenHash(token)}, role, UNHEX(SHA2(password_hash, 256)), ${address.slice(0, 45)}, ${browser.slice(0, 200)}
    FROM   person
    WHERE  person_id = ${personId}
    AND    is_active = 1`)
  return token
}

/** The person behind a session's secret, as the database has them now, and the session's number. */
export async function personOfSession(token: string): Promise<{ person: Person; session: number } | undefined> {
  const row = await systemDb.one<PersonRow & { session_id: number; isOld: number }>(sql`
    SELECT p.person_id, p.agency_id, p.name, p.email, p.role, s.session_id, s.seen_at < NOW() - INTERVAL ${SEEN_SECONDS} SECOND AS isOld
    FROM   session s
    JOIN   person p ON p.person_id = s.person_id
    WHERE  s.token_hash = ${tokenHash(token)}
    AND    p.is_active = 1
    AND    p.role = s.role
    AND    UNHEX(SHA2(p.password_hash, 256)) = s.password_mark
    AND    s.seen_at > NOW() - INTERVAL ${IDLE_HOURS} HOUR
    AND    s.created_at > NOW() - INTERVAL ${LONGEST_DAYS} DAY`)
  if (!row) return undefined
  if (row.isOld)
    await systemDb.run(
      sql`UPDATE session SET seen_at = NOW() WHERE person_id = ${row.person_id} AND session_id = ${row.session_id}`,
    )
  return { person: toPerson(row), session: row.session_id }
}

/** Ends the session of a secret. */
export const endSessionOf = (token: string) =>
  systemDb.run(sql`DELETE FROM session WHERE token_hash = ${tokenHash(token)}`)

/** The sessions of a person that have not ended, this one first, then those used last. */
export async function sessionsOf({ id }: Person, current: number): Promise<SessionView[]> {
  const rows = await systemDb.rows<Omit<SessionView, 'isThis'>>(sql`
    SELECT   s.session_id AS id, s.address, s.browser, s.created_at AS begunAt, s.seen_at AS seenAt
    FROM     session s
    JOIN     person p ON p.person_id = s.person_id
    WHERE    s.person_id = ${id}
    AND      p.role = s.role
    AND      UNHEX(SHA2(p.password_hash, 256)) = s.password_mark
    AND      s.seen_at > NOW() - INTERVAL ${IDLE_HOURS} HOUR
    AND      s.created_at > NOW() - INTERVAL ${LONGEST_DAYS} DAY
    ORDER BY s.session_id = ${current} DESC, s.seen_at DESC, s.session_id DESC
    LIMIT    100`)
  return rows.map((row) => ({ ...row, isThis: row.id === current }))
}

/** Ends one session of a person, or Problem 404. */
export async function endSession({ id }: Person, session: number): Promise<void> {
  const { affectedRows } = await systemDb.run(
    sql`DELETE FROM session WHERE person_id = ${id} AND session_id = ${session}`,
  )
  if (affectedRows === 0) throw notFound('session')
}

/** Ends every session of a person but this one. */
export const endOtherSessions = ({ id }: Person, current: number) =>
  systemDb.run(sql`DELETE FROM session WHERE person_id = ${id} AND session_id <> ${current}`)
