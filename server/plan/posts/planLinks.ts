import { networkById } from '../../../core/networks/networks'
import { zonedTime } from '../../../core/plan/zonedInstant'
import type { ApprovalView } from '../../../shared/plan/plannedPosts'
import { clientDbForJob, type ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { systemDb } from '../../platform/database/systemDb'
import { isToken, newToken, tokenHash } from '../../platform/people/secrets'
import { conflict, notFound, Problem } from '../../platform/problems/problem'
import { contentFor, fileIds } from './planChecks'
import { fileById } from './planFiles'
import { filesOf, plannedById, postingsOf } from './plannedRows'
import { movePost } from './plannedStates'

const DAY_MS = 86_400_000
const MOST_LINKS = 50

/** Makes a link by which somebody outside can approve a post. @returns its secret */
export async function approvalLink(
  db: ClientDb,
  planned: number,
  { reader, days }: { reader: string; days: number },
): Promise<{ token: string; endsAt: Date }> {
  await plannedById(db, planned)
  const { many } = (await db.one<{ many: number }>(sql`
    SELECT COUNT(*) AS many FROM plan_link WHERE client_id = ${db.client} AND planned_id = ${planned}`))!
  if (Number(many) >= MOST_LINKS) throw conflict(`A post has ${MOST_LINKS} links at the most.`)
  const token = newToken()
  const endsAt = new Date(Date.now() + days * DAY_MS)
  await db.run(sql`
    INSERT INTO plan_link (client_id, planned_id, token_hash, reader, ends_at)
    VALUES (${db.client}, ${planned}, ${tokenHash(token)}, ${reader}, ${endsAt})`)
  return { token, endsAt }
}

/** Ends every link by which somebody outside can see a post. */
export const endApprovalLinks = (db: ClientDb, planned: number) =>
  db.run(sql`
    UPDATE plan_link
    SET    revoked_at = ${new Date()}
    WHERE  client_id = ${db.client}
    AND    planned_id = ${planned}
    AND    revoked_at IS NULL`)

/** For whom there are links to a post that still work. */
export const readersOf = async (db: ClientDb, planned: number): Promise<string[]> =>
  (
    await db.rows<{ reader: string }>(sql`
    SELECT   reader
    FROM     plan_link
    WHERE    client_id = ${db.client}
    AND      planned_id = ${planned}
    AND      revoked_at IS NULL
    AND      ends_at > NOW()
    ORDER BY link_id
    LIMIT    ${MOST_LINKS}`)
  ).map(({ reader }) => reader)

const over = () =>
  new Problem(404, 'Not found', 'This link does not work any more, or never did. Ask the agency for a new one.')

interface LinkRow {
  client: number
  planned: number | null
  reader: string
}

/** What stands behind the secret of a link. @throws Problem 404 when there is nothing, or its time is over */
export async function openPlanLink(token: string): Promise<{ db: ClientDb; planned: number | null; reader: string }> {
  const row = !isToken(token)
    ? undefined
    : await systemDb.one<LinkRow>(sql`
    SELECT client_id AS client, planned_id AS planned, reader FROM plan_link WHERE token_hash = ${tokenHash(token)}
    AND revoked_at IS NULL AND (ends_at IS NULL OR ends_at > NOW())`)
  if (!row) throw over()
  return { db: await clientDbForJob(row.client), planned: row.planned, reader: row.reader }
}

async function openApproval(token: string) {
  const { db, planned, reader } = await openPlanLink(token)
  if (planned === null) throw over()
  return { db, planned, reader }
}

/** A post as a reader outside sees it: what goes out, and nothing else of the client. */
export async function approvalView(token: string): Promise<ApprovalView> {
  const { db, planned, reader } = await openApproval(token)
  const post = await plannedById(db, planned)
  const postings = await postingsOf(db, [planned])
  const files = await filesOf(db, fileIds(post.content))
  const profiles = await db.rows<{ id: number; name: string; network: string }>(sql`
    SELECT profile_id AS id, name, network
    FROM   profile
    WHERE  client_id = ${db.client}
    AND    profile_id IN (${postings.map(({ profile }) => profile)})`)
  const of = new Map(profiles.map((profile) => [profile.id, profile]))
  return {
    client: db.name,
    reader,
    state: post.state,
    version: post.version,
    at: post.plannedAt ? zonedTime(post.plannedAt.getTime(), db.timeZone) : '',
    timeZone: db.timeZone,
    content: { ...post.content, variations: [], media: [] },
    postings: postings.map(({ profile, text }) => ({
      profileName: of.get(profile)!.name,
      networkName: networkById(of.get(profile)!.network).name,
      text: contentFor(post, text, files).text,
    })),
    media: post.content.media.map(({ file, alt }, index) => ({
      index,
      type: files.find(({ id }) => id === file)!.type,
      alt,
    })),
  }
}

/** A picture of a post that somebody outside looks at. */
export async function approvalPicture(token: string, index: number): Promise<{ type: string; content: Buffer }> {
  const { db, planned } = await openApproval(token)
  const shown = (await plannedById(db, planned)).content.media[index]
  if (!shown) throw notFound('picture')
  return await fileById(db, shown.file)
}

/** A reader outside approves a post, or asks for changes. */
export async function readerSays(
  token: string,
  { isApproved, version, remark }: { isApproved: boolean; version: number; remark: string },
): Promise<void> {
  const { db, planned, reader } = await openApproval(token)
  const { state } = await plannedById(db, planned)
  if (state !== 'waiting') throw conflict('This post does not wait for approval any more.')
  await movePost(db, planned, { to: isApproved ? 'approved' : 'draft', version, remark }, { id: null, name: reader })
}

/** What readers of a subscribed calendar are called in the list of links. */
const FEED = 'calendar of '

/** Makes the address of a person's subscribed calendar anew; the one before works no more. @returns its secret */
export async function renewFeed(db: ClientDb, person: number): Promise<string> {
  const token = newToken()
  await db.transaction(async (inside) => {
    await endFeed(inside, person)
    await inside.run(sql`
      INSERT INTO plan_link (client_id, token_hash, reader)
      VALUES (${db.client}, ${tokenHash(token)}, ${`${FEED}${person}`})`)
  })
  return token
}

/** Ends the address of a person's subscribed calendar. */
export const endFeed = (db: ClientDb, person: number) =>
  db.run(sql`
    UPDATE plan_link
    SET    revoked_at = ${new Date()}
    WHERE  client_id = ${db.client}
    AND    reader = ${`${FEED}${person}`}
    AND    planned_id IS NULL
    AND    revoked_at IS NULL`)

/** The client of a subscribed calendar, as long as the person that it was made for may see it. */
export async function openFeed(token: string): Promise<ClientDb> {
  const { db, planned, reader } = await openPlanLink(token)
  const person = Number(reader.slice(FEED.length))
  const may =
    planned === null &&
    (await systemDb.one(sql`
    SELECT p.person_id FROM person p JOIN client c ON c.agency_id = p.agency_id WHERE p.person_id = ${person}
    AND c.client_id = ${db.clientId} AND p.is_active = 1 AND p.role <> 'viewer' AND (p.role = 'owner' OR EXISTS
    (SELECT 1 FROM person_client a WHERE a.person_id = p.person_id AND a.client_id = c.client_id))`))
  if (!may) throw over()
  return db
}
