import { isHandle, plainHandle, readProfileAddress } from '../../../core/networks/profileAddress'
import { NETWORKS } from '../../../core/networks/networks'
import { isName, lookupSchema } from '../../../shared/gather/profiles'
import { connectProfile } from '../connectors/connections'
import { connectorFor } from '../connectors/connectorFor'
import type { ClientDb } from '../../platform/database/clientDb'
import { takeTurn } from '../../figures/takeTurn'
import { profilesOf } from '../../figures/questions/profileRows'
import { sql } from '../../platform/database/sql'
import { enqueue } from '../../platform/jobs/queue'
import { badRequest, conflict, notFound, Problem } from '../../platform/problems/problem'
import { SYNC } from '../sync/jobs'
import type { FoundProfile } from '../../../shared/gather/profiles'

/** How many profiles of a name each network is asked for, and how long a search is. */
const MOST_OF_A_NAME = 5

/**
 * Looks for what a person wrote: an address leads to one network, a handle is looked for on one or on all of them, and
 * so is a name, unless it begins with the sign of a handle.
 *
 * @param network  the only network to look on, or '' for all
 * @returns        what was found, perhaps nothing: what has the very handle first
 * @throws         ValidationError when the text is none of these, Problem 502 when a network does not answer
 */
export async function lookUp(db: ClientDb, what: string, network: string): Promise<FoundProfile[]> {
  lookupSchema.validateSync({ what, network })
  const named = readProfileAddress(what)
  const handle = named?.handle ?? (isHandle(what) ? plainHandle(what) : undefined)
  const words = named || what.trim().startsWith('@') || !isName(what) ? undefined : what.trim()
  const networks = NETWORKS.filter(({ id }) => (named ? id === named.network : network === '' || id === network))
  if (networks.length === 0) throw badRequest('There is no such network. Choose one from the list.')
  const profiles = await profilesOf(db)
  const found = await Promise.all(
    networks.map(async ({ id, name }) => {
      const connector = connectorFor({ connector: id })
      const asked = Promise.all([
        handle === undefined ? undefined : connector.lookup?.(handle),
        words === undefined ? undefined : connector.search?.(words),
      ]).catch((error: Error) => {
        throw new Problem(
          502,
          'A network does not answer',
          `${error.message} Nothing was added; try again in a moment.`,
        )
      })
      const [exact, some = []] = await asked
      const others = some.filter(({ remoteId }) => remoteId !== exact?.remoteId).slice(0, MOST_OF_A_NAME)
      return [
        ...(exact ? [{ profile: exact, isExact: true }] : []),
        ...others.map((profile) => ({ profile, isExact: false })),
      ].map(({ profile, isExact }) => {
        const existing = profiles.find((row) => row.network === id && row.remote_id === profile.remoteId)
        return {
          isExact,
          profile: {
            ...profile,
            network: id,
            networkName: name,
            already: existing
              ? { id: existing.profile_id, isRival: existing.is_rival === 1, isActive: existing.is_active === 1 }
              : null,
          },
        }
      })
    }),
  )
  return found
    .flat()
    .sort((a, b) => Number(b.isExact) - Number(a.isExact))
    .map(({ profile }) => profile)
}

/**
 * Adds a profile, the client's own or a rival's, and begins to fetch what anybody can see of it.
 *
 * @param rival  the competitor that it belongs to, or '' for an own profile
 * @returns      the id of the profile
 * @throws       Problem 404 when the network has no such profile, 409 when the client has it already or the agency's
 *                       allowance is used up
 */
export async function addProfile(
  db: ClientDb,
  given: { network: string; handle: string; rival: string },
  person: number,
): Promise<number> {
  const [found] = await lookUp(db, `@${plainHandle(given.handle)}`, given.network)
  if (!found || found.network !== given.network) throw notFound('profile on that network')
  if (found.already)
    throw conflict(
      `${found.name} on ${found.networkName} is in the list ` +
        `already${found.already.isActive ? '' : ', switched off. Switch it on again to go on with it'}.`,
    )
  return await db.transaction(async (inside) => {
    await refuseBeyondAllowance(inside)
    const { insertId } = await inside.run(sql`
      INSERT INTO profile (client_id, network, handle, name, remote_id, is_rival, rival)
     
      VALUES (${inside.client}, ${found.network}, ${found.handle}, ${found.name}, ${found.remoteId},
               ${given.rival !== ''}, ${given.rival || null})`)
    await connectProfile(inside, insertId, found.network)
    await enqueue(inside, SYNC, insertId, {}, person)
    return insertId
  })
}

/** How many profiles the agency may have switched on, and how many it has; no limit where none was agreed. */
export async function allowance(db: ClientDb): Promise<{ limit: number | null; used: number }> {
  const row = await db.one<{ allowed: number | null; used: number }>(sql`
    SELECT a.active_profiles AS allowed,
           (SELECT COUNT(*) FROM profile p JOIN client other ON other.client_id = p.client_id
    WHERE other.agency_id = a.agency_id AND p.is_active = 1) AS used
    FROM   client c
    JOIN   agency a ON a.agency_id = c.agency_id
    WHERE  c.client_id = ${db.client}`)
  return { limit: row!.allowed, used: row!.used }
}

/**
 * Takes a place of the agency's allowance until the transaction has ended.
 *
 * @throws Problem 409 with a sentence that says what to do
 */
export async function refuseBeyondAllowance(inside: ClientDb): Promise<void> {
  await takeTurn(inside)
  const { limit, used } = await allowance(inside)
  if (limit !== null && used >= limit)
    throw conflict(
      `All ${limit} profiles of the agency's allowance are switched on. Switch one off that is not needed ` +
        'now – its past is kept – and try again.',
    )
}
