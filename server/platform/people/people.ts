import { RELEASABLE, type Releasable } from '../../../shared/platform/releasable'
import { clientDb, type ClientDb, type ClientRow, type OnlyPlaces } from '../database/clientDb'
import { sql } from '../database/sql'
import { systemDb } from '../database/systemDb'
import { neighbourhood } from '../http/visitorAddress'
import { badRequest, notFound, Problem } from '../problems/problem'
import { hashPassword, verifyPassword } from './password'
import { claimTry, claimTryPatiently, forgetTries, takeBackTry } from './throttle'

export type Role = 'owner' | 'analyst' | 'viewer'

/** Somebody who has signed in. */
export interface Person {
  id: number
  agencyId: number
  name: string
  email: string
  role: Role
}

export type PersonRow = Pick<StoredPerson, 'person_id' | 'agency_id' | 'name' | 'email' | 'role'>

interface StoredPerson {
  person_id: number
  agency_id: number
  name: string
  email: string
  role: Role
  password_hash: string
  is_demo: number
  is_active: number
}

export const toPerson = (row: PersonRow): Person => ({
  id: row.person_id,
  agencyId: row.agency_id,
  name: row.name,
  email: row.email,
  role: row.role,
})

const storedPerson = (email: string) =>
  systemDb.one<StoredPerson>(sql`
  SELECT person_id, agency_id, name, email, role, password_hash, is_demo, is_active FROM person WHERE email = ${email}`)

/**
 * How tries to sign in are slowed down: for one account from wherever, from one address for whomever, and for an
 * account from where it has signed in before.
 */
const PACE = { account: { free: 5, longest: 900 }, address: { free: 30, longest: 900 }, known: { free: 5, longest: 2 } }
const KNOWN_DAYS = 90
const PATIENCE_MS = 5000
let nobodysHash: Promise<string> | undefined

/**
 * The person with an address and a password. Every try is recorded before it is looked at. Whoever has signed in from
 * the same place before has a pace of their own there, so that what others guess elsewhere does not keep them out;
 * guessing from there is slow all the same.
 *
 * @param address  where they are
 * @throws Problem 401 when they do not belong together, 429 after too many tries from one address or for one person
 */
export async function signIn(email: string, password: string, address: string): Promise<Person> {
  const place = neighbourhood(address)
  const account = `account:${email.toLowerCase()}`
  const row = await storedPerson(email)
  const isKnown = row !== undefined && (await isKnownAt(row.person_id, place))
  const subject = isKnown ? `${account} at ${place}` : account
  if (isKnown) refuseTooMany(await claimTryPatiently(subject, PACE.known, PATIENCE_MS))
  else {
    refuseTooMany(await claimTry(`address:${place}`, PACE.address))
    refuseTooMany(await claimTry(account, PACE.account))
  }
  nobodysHash ??= hashPassword('nobody has this password')
  const fits = await verifyPassword(row?.password_hash ?? (await nobodysHash), password)
  if (!row || !fits || row.is_active !== 1 || (row.is_demo && isOpenToOthers())) {
    throw new Problem(
      401,
      'Not signed in',
      'The address and the password do not belong together. Check both and try again.',
    )
  }
  await forgetTries(subject)
  if (!isKnown) await takeBackTry(`address:${place}`)
  await systemDb.run(sql`
    INSERT INTO known_address (person_id, address) VALUES (${row.person_id}, ${place}) ON DUPLICATE KEY UPDATE signed_in_at = NOW()`)
  return toPerson(row)
}

const isKnownAt = async (person: number, place: string): Promise<boolean> =>
  (await systemDb.one(sql`
  SELECT person_id FROM known_address WHERE person_id = ${person} AND address = ${place}
  AND signed_in_at > NOW() - INTERVAL ${KNOWN_DAYS} DAY`)) !== undefined

/** Whether others than this machine can reach the application: the passwords of the demo are then good for nobody. */
const isOpenToOthers = (): boolean => !['127.0.0.1', '::1', 'localhost', undefined].includes(process.env.ZAFFER_HOST)

function refuseTooMany(seconds: number): void {
  if (seconds === 0) return
  const wait =
    seconds < 60
      ? `${Math.ceil(seconds)} ${Math.ceil(seconds) === 1 ? 'second' : 'seconds'}`
      : `${Math.ceil(seconds / 60)} ${Math.ceil(seconds / 60) === 1 ? 'minute' : 'minutes'}`
  throw new Problem(429, 'Too many tries', `There were too many tries to sign in. Wait ${wait} and try again.`, {
    retryAfter: Math.ceil(seconds),
  })
}

/**
 * Gives a person a new password. Every session that was begun with the old one has ended.
 *
 * @throws Problem 400 when the old one is not theirs, 429 after too many tries
 */
export async function changePassword({ id, email }: Person, current: string, password: string): Promise<void> {
  const subject = `password of:${id}`
  refuseTooMany(await claimTry(subject, PACE.account))
  const row = await storedPerson(email)
  if (!row || !(await verifyPassword(row.password_hash, current)))
    throw badRequest('That is not your password of now.', { fields: { current: 'That is not your password of now.' } })
  await systemDb.run(sql`UPDATE person SET password_hash = ${await hashPassword(password)} WHERE person_id = ${id}`)
  await forgetTries(subject)
}

/** A client that a person may see. */
export interface ClientOfPerson extends ClientRow {
  /** Whether they are assigned to single places of it, and see nothing else. */
  isOfPlaces: number
}

/** The clients that a person may see, by name. An owner sees every client of the agency. */
export async function clientsOf(person: Person): Promise<ClientOfPerson[]> {
  return await systemDb.rows<ClientOfPerson>(sql`
    SELECT    c.client_id, c.slug, c.name, c.time_zone, c.universe, c.released,
              ${person.role} = 'viewer' AND COALESCE(pc.is_of_places, 0) AS isOfPlaces
    FROM      client c
    LEFT JOIN person_client pc ON pc.client_id = c.client_id AND pc.person_id = ${person.id}
    WHERE     c.agency_id = ${person.agencyId}
    AND       (${person.role} = 'owner' OR pc.person_id IS NOT NULL)
    ORDER BY  c.name`)
}

/**
 * What a person may see of a client beside its editions: the agency's own people everything, a viewer what is released;
 * of that, whoever is assigned to single places sees their figures.
 */
export const releasedTo = ({ role }: Person, { released, isOfPlaces }: ClientOfPerson): Releasable[] =>
  role === 'viewer'
    ? RELEASABLE.filter((one) => released.split(',').includes(one) && (one === 'figures' || isOfPlaces === 0))
    : [...RELEASABLE]

/** The places to which somebody is assigned, with their listings. */
async function onlyPlacesOf({ id }: Person, { client_id: client }: ClientRow): Promise<OnlyPlaces> {
  const rows = await systemDb.rows<{ place: number; listing: number | null }>(sql`
    SELECT a.place_id AS place, p.profile_id AS listing
    FROM   person_place a
    JOIN   place p ON p.client_id = a.client_id AND p.place_id = a.place_id
    WHERE  a.person_id = ${id}
    AND    a.client_id = ${client}
    AND    p.removed_at IS NULL`)
  return {
    places: new Set(rows.map(({ place }) => place)),
    listings: new Set(rows.flatMap(({ listing }) => listing ?? [])),
  }
}

/**
 * The handle on a client's data for a person, and what they may see of it.
 *
 * @throws Problem 404 when there is no such client or the person may not see it
 */
export async function openClient(person: Person, slug: string): Promise<{ db: ClientDb; released: Releasable[] }> {
  const row = (await clientsOf(person)).find((client) => client.slug === slug)
  if (!row) throw notFound('client')
  const only = row.isOfPlaces === 1 ? await onlyPlacesOf(person, row) : undefined
  return { db: clientDb({ ...row, ...(only && { only }) }), released: releasedTo(person, row) }
}
