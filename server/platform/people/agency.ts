import { timingSafeEqual } from 'node:crypto'
import type { InferType } from 'yup'
import { slugOf } from '../../../core/format/slugOf'
import type { AgencyInput, beginSchema, clientSchema } from '../../../shared/platform/agency'
import { hashPassword } from './password'
import type { Person } from './people'
import { tokenHash } from './secrets'
import { inTransaction } from '../database/clientDb'
import { database } from '../database/pool'
import { sql, type Query } from '../database/sql'
import { systemDb } from '../database/systemDb'
import { conflict, forbidden } from '../problems/problem'

/** Whether there is no agency yet, so that the first one can be named. */
export const isUnnamed = async (): Promise<boolean> =>
  (await systemDb.one(sql`SELECT agency_id FROM agency LIMIT 1`)) === undefined

/** Whether a key is the one that this start has printed. */
function isKey(key: string): boolean {
  const wanted = process.env.ZAFFER_BEGIN_KEY
  return !!wanted && timingSafeEqual(tokenHash(key), tokenHash(wanted))
}

/**
 * Makes the first agency and its owner.
 *
 * @returns the owner's id
 * @throws  Problem 403 without the key, 409 when there is an agency already
 */
export async function beginAgency({ key, agency, owner }: InferType<typeof beginSchema>): Promise<number> {
  if (!isKey(key))
    throw forbidden('That is not the key of this start. Open the address that the start command printed last.')
  const hash = await hashPassword(owner.password)
  return await inTransaction(database(), async (connection) => {
    const run = async ({ text, values }: Query<boolean>) =>
      (await connection.query(text, [...values]))[0] as { affectedRows: number; insertId: number }
    // the row is the claim: of two who name an agency at the same moment one finds it taken
    const { affectedRows } = await run(sql`INSERT IGNORE INTO setting (name, value) VALUES ('begun', ${agency.name})`)
    const [known] = await connection.query('SELECT agency_id FROM agency LIMIT 1')
    if (affectedRows === 0 || (known as unknown[]).length > 0)
      throw conflict('This installation has its agency already. Sign in.')
    const { insertId } = await run(
      sql`INSERT INTO agency (name, address, contact, colour)
        VALUES (${agency.name}, ${agency.address}, ${agency.contact}, ${agency.colour})`,
    )
    return (
      await run(
        sql`INSERT INTO person (agency_id, email, name, role, password_hash)
          VALUES (${insertId}, ${owner.email}, ${owner.name}, 'owner', ${hash})`,
      )
    ).insertId
  })
}

/** What an owner keeps of the agency. */
export const agencyOf = async ({ agencyId }: Person): Promise<AgencyInput> =>
  (await systemDb.one<AgencyInput>(
    sql`SELECT name, address, contact, colour FROM agency WHERE agency_id = ${agencyId}`,
  ))!

/** Changes how the agency stands in reports from now on; editions stay as they were issued. */
export async function changeAgency(
  { agencyId }: Person,
  { name, address, contact, colour }: AgencyInput,
): Promise<void> {
  await systemDb.run(
    sql`UPDATE agency SET name = ${name}, address = ${address}, contact = ${contact}, colour = ${colour} WHERE agency_id = ${agencyId}`,
  )
  // what a report says of the agency is remembered with its client's answers
  await systemDb.run(sql`
    INSERT INTO client_version (client_id, topic) SELECT client_id, 'agency' FROM client WHERE agency_id = ${agencyId}
    ON DUPLICATE KEY UPDATE version = version + 1`)
}

/** Addresses of the application's own pages, which no client can have. */
const TAKEN = ['agency', 'api', 'begin', 'consent', 'glossary', 'l', 'me', 'p', 'shared', 'sign-in']
/** How many clients of one name there can be. */
const MOST_ALIKE = 50

/**
 * Adds a client to the person's agency.
 *
 * @returns its part of the address
 * @throws  Problem 409 when too many have the same name
 */
export async function addClient(
  { agencyId }: Person,
  { name, timeZone }: InferType<typeof clientSchema>,
): Promise<string> {
  const wanted = slugOf(name) || 'client'
  for (let number = 1; number <= MOST_ALIKE; number++) {
    const slug = number === 1 ? wanted : `${wanted}-${number}`
    if (TAKEN.includes(slug)) continue
    const { affectedRows } = await systemDb.run(
      sql`INSERT IGNORE INTO client (agency_id, slug, name, time_zone) VALUES (${agencyId}, ${slug}, ${name}, ${timeZone})`,
    )
    if (affectedRows === 1) return slug
  }
  throw conflict('There are many clients of that name already. Give it another one.')
}
