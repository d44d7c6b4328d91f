import { clientDb, type ClientDb, type ClientRow } from '../db/clientDb'
import { sql } from '../db/sql'
import { systemDb } from '../db/systemDb'
import { notFound, Problem } from '../problems/problem'
import { hashPassword, verifyPassword } from './password'

export type Role = 'owner' | 'analyst' | 'viewer'

/** Somebody who has signed in. */
export interface Person {
  id: number
  agencyId: number
  name: string
  email: string
  role: Role
}

interface PersonRow {
  person_id: number
  agency_id: number
  name: string
  email: string
  role: Role
  password_hash: string
  is_demo: number
}

const toPerson = (row: PersonRow): Person => ({ id: row.person_id, agencyId: row.agency_id, name: row.name, email: row.email, role: row.role })

/** A person as the database has them now: a role that was taken away is gone at the next request. */
export async function personById(id: number): Promise<Person | undefined> {
  const row = await systemDb.one<PersonRow>(sql`SELECT * FROM person WHERE person_id = ${id}`)
  return row && toPerson(row)
}

const TRIES = { email: 6, address: 30 }
const WINDOW_MINUTES = 15
let nobodysHash: Promise<string> | undefined

/**
 * The person with an address and a password.
 *
 * @throws Problem 401 when they do not belong together, 429 after too many tries from one address or for one person
 */
export async function signIn(email: string, password: string, address: string): Promise<Person> {
  const subjects = [`email:${email.toLowerCase()}`, `address:${address}`]
  await refuseTooMany(subjects[0]!, TRIES.email)
  await refuseTooMany(subjects[1]!, TRIES.address)
  const row = await systemDb.one<PersonRow>(sql`SELECT * FROM person WHERE email = ${email}`)
  nobodysHash ??= hashPassword('nobody has this password')
  const fits = await verifyPassword(row?.password_hash ?? (await nobodysHash), password)
  if (row && fits && !(row.is_demo && isOpenToOthers())) {
    await systemDb.run(sql`DELETE FROM sign_in_attempt WHERE subject = ${subjects[0]}`)
    return toPerson(row)
  }
  for (const subject of subjects) await systemDb.run(sql`INSERT INTO sign_in_attempt (subject) VALUES (${subject})`)
  throw new Problem(401, 'Not signed in', 'The address and the password do not belong together. Check both and try again.')
}

/** Whether others than this machine can reach the application: the passwords of the demo are then good for nobody. */
const isOpenToOthers = (): boolean => !['127.0.0.1', '::1', 'localhost', undefined].includes(process.env.ZAFFER_HOST)

async function refuseTooMany(subject: string, tries: number): Promise<void> {
  await systemDb.run(sql`DELETE FROM sign_in_attempt WHERE subject = ${subject} AND attempted_at < NOW() - INTERVAL ${WINDOW_MINUTES} MINUTE`)
  const row = await systemDb.one<{ count: number; wait: number | null }>(sql`
    SELECT COUNT(*) AS count,
           TIMESTAMPDIFF(SECOND, NOW(), MIN(attempted_at) + INTERVAL ${WINDOW_MINUTES} MINUTE) AS wait
    FROM   sign_in_attempt
    WHERE  subject = ${subject}`)
  if (!row || row.count < tries) return
  const minutes = Math.max(1, Math.ceil((row.wait ?? 60) / 60))
  throw new Problem(429, 'Too many tries', `There were too many tries to sign in. Wait ${minutes} ${minutes === 1 ? 'minute' : 'minutes'} and try again.`, { retryAfter: Math.max(1, row.wait ?? 60) })
}

/** The clients that a person may see, by name. An owner sees every client of the agency. */
export async function clientsOf(person: Person): Promise<ClientRow[]> {
  return await systemDb.rows<ClientRow>(sql`
    SELECT    c.client_id, c.slug, c.name, c.time_zone, c.universe
    FROM      client c
    LEFT JOIN person_client pc ON pc.client_id = c.client_id AND pc.person_id = ${person.id}
    WHERE     c.agency_id = ${person.agencyId}
    AND       (${person.role} = 'owner' OR pc.person_id IS NOT NULL)
    ORDER BY  c.name`)
}

/**
 * The handle on a client's data for a person.
 *
 * @throws Problem 404 when there is no such client or the person may not see it
 */
export async function openClient(person: Person, slug: string): Promise<ClientDb> {
  const row = (await clientsOf(person)).find((client) => client.slug === slug)
  if (!row) throw notFound('client')
  return clientDb(row)
}
