import * as oauth from 'oauth4webapi'
import { isToken, newToken, seal, tokenHash, unseal } from '../../platform/people/secrets'
import { beginAnew, connectionOf, keepCredentials } from '../connectors/connections'
import type { Connector } from '../connectors/connector'
import { connectorFor } from '../connectors/connectorFor'
import { clientDbForJob, type ClientDb } from '../../platform/database/clientDb'
import { profileById } from '../../figures/questions/profileRows'
import type { ProfileRow } from '../../figures/questions/profileRows'
import { sql } from '../../platform/database/sql'
import { systemDb } from '../../platform/database/systemDb'
import { enqueue } from '../../platform/jobs/queue'
import { notFound, Problem } from '../../platform/problems/problem'
import { SYNC } from '../sync/jobs'
import type { ConsentRequest } from '../../../shared/gather/profiles'

/** How long a consent link lives. */
export const CONSENT_DAYS = 14

const over = () =>
  new Problem(
    404,
    'Not found',
    'This consent link does not work any more: it was used, or is older than two weeks. Ask the agency for a new one.',
  )

/**
 * Makes a link that the owner of a profile can open, whoever they are, to give consent on the network itself.
 *
 * @returns the secret of the link
 */
export async function askForConsent(db: ClientDb, profileId: number): Promise<string> {
  if (!(await profileById(db, profileId))) throw notFound('profile')
  const token = newToken()
  await db.run(sql`
    INSERT INTO consent_request (client_id, profile_id, token_hash, ends_at)
    VALUES (${db.client}, ${profileId}, ${tokenHash(token)}, NOW() + INTERVAL ${CONSENT_DAYS} DAY)`)
  return token
}

interface OpenRequest {
  client_id: number
  request_id: number
  profile_id: number
  verifier: Buffer | null
}

/** The request behind a consent link, with the profile that it asks for. */
export async function openConsent(token: string): Promise<{ db: ClientDb; request: OpenRequest; profile: ProfileRow }> {
  const request = !isToken(token)
    ? undefined
    : await systemDb.one<OpenRequest>(sql`
    SELECT client_id, request_id, profile_id, verifier FROM consent_request WHERE token_hash = ${tokenHash(token)}
    AND used_at IS NULL AND ends_at > NOW()`)
  return await withProfile(request)
}

async function withProfile(request: OpenRequest | undefined) {
  if (!request) throw over()
  const db = await clientDbForJob(request.client_id)
  const profile = await profileById(db, request.profile_id)
  if (!profile) throw over()
  return { db, request, profile }
}

/** How the network of a profile takes its owner's consent. */
async function consentOf(db: ClientDb, profile: ProfileRow): Promise<NonNullable<Connector['consent']>> {
  const connection = await connectionOf(db, profile.profile_id)
  const consent = connection && connectorFor(connection).consent
  if (!consent) throw over()
  return consent
}

/**
 * Begins the code flow for a consent link.
 *
 * @param redirect  where the network sends the owner back to
 * @returns         the address of the network's consent page
 */
export async function beginConsent(token: string, redirect: string): Promise<string> {
  const { db, request, profile } = await openConsent(token)
  const state = oauth.generateRandomState()
  const verifier = oauth.generateRandomCodeVerifier()
  await db.run(sql`
    UPDATE consent_request
    SET    state_hash = ${tokenHash(state)}, verifier = ${seal(verifier)}
    WHERE  client_id = ${db.client}
    AND    request_id = ${request.request_id}`)
  const challenge = await oauth.calculatePKCECodeChallenge(verifier)
  return (await consentOf(db, profile)).address({ remoteId: profile.remote_id, state, challenge, redirect })
}

/**
 * Ends the code flow: keeps the tokens and begins the first sync.
 *
 * @param answer  the address to which the network has sent the owner back
 * @throws        Problem when the owner refused or the answer does not belong to a request
 */
export async function endConsent(answer: URL, redirect: string): Promise<ProfileRow> {
  const state = answer.searchParams.get('state') ?? ''
  const found = !isToken(state)
    ? undefined
    : await systemDb.one<OpenRequest>(sql`
    SELECT client_id, request_id, profile_id, verifier FROM consent_request WHERE state_hash = ${tokenHash(state)}
    AND used_at IS NULL AND ends_at > NOW()`)
  const { db, request, profile } = await withProfile(found)
  if (answer.searchParams.get('error')) {
    await db.run(
      sql`UPDATE consent_request SET refused_at = NOW() WHERE client_id = ${db.client} AND request_id = ${request.request_id}`,
    )
    throw new Problem(
      403,
      'Refused',
      'The consent was refused, and nothing was read. The agency is told. The link still works, should that have been a mistake.',
    )
  }
  const consent = await consentOf(db, profile)
  const tokens = await consent.redeem({ answer, state, verifier: unseal(request.verifier!), redirect }).catch(() => {
    throw new Problem(
      502,
      'The network did not confirm',
      'The network did not confirm the consent. Open the link again.',
    )
  })
  await db.transaction(async (inside) => {
    await inside.run(
      sql`UPDATE consent_request SET used_at = NOW(), refused_at = NULL WHERE client_id = ${inside.client}
        AND request_id = ${request.request_id}`,
    )
    const connection = (await connectionOf(inside, profile.profile_id))!
    // before there was a consent only public figures came: everything is asked for again
    if (profile.consent === 'none') await beginAnew(inside, connection.id)
    await keepCredentials(inside, connection.id, tokens)
    await inside.run(sql`
      UPDATE profile
      SET    consent = 'given', sync_error = NULL
      WHERE  client_id = ${inside.client}
      AND    profile_id = ${profile.profile_id}`)
    await enqueue(inside, SYNC, profile.profile_id, {})
  })
  return profile
}

/** The newest request for each profile that has not given its consent. */
export const consentRequests = async (db: ClientDb): Promise<ConsentRequest[]> =>
  await db.rows<ConsentRequest>(sql`
  SELECT   r.profile_id AS profile, IF(r.refused_at IS NOT NULL, 'refused', IF(r.ends_at > NOW(), 'open',
           'ended')) AS state, r.asked_at AS askedAt, r.ends_at AS endsAt
  FROM     consent_request r
  JOIN     profile p ON p.client_id = r.client_id AND p.profile_id = r.profile_id AND p.consent <> 'given'
  WHERE    r.client_id = ${db.client}
  AND      r.used_at IS NULL
  AND      r.request_id IN (SELECT MAX(request_id) FROM consent_request WHERE client_id = ${db.client} GROUP BY profile_id)
  ORDER BY r.request_id DESC`)

/** Who asks for a consent: the agency, for its client. */
export async function askerOf(db: ClientDb): Promise<{ agency: string; contact: string }> {
  return (await db.one<{ agency: string; contact: string }>(sql`
    SELECT a.name AS agency, a.contact FROM client c JOIN agency a ON a.agency_id = c.agency_id WHERE c.client_id = ${db.client}`))!
}
