import { createHash } from 'node:crypto'
import { canonicalJson } from '../../../core/reports/canonicalJson'
import { isToken, newToken, tokenHash } from '../../platform/people/secrets'
import { now } from '../../platform/clock'
import { clientDbForJob, type ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { systemDb } from '../../platform/database/systemDb'
import { badRequest, notFound, Problem } from '../../platform/problems/problem'
import type { ReportContent } from '../../../shared/report/reportContent'
import { instants } from '../../../shared/platform/instants'
import { thawed } from '../../../shared/report/thawed'
import type { Edition, EditionHead, OtherEdition, ShareView, SharedEdition } from '../../../shared/report/editions'

interface EditionRow extends Omit<EditionHead, 'title' | 'periodWords' | 'periodTo' | 'isSuperseded'> {
  supersededBy: number | null
  content: string
  pdfSha256: string | null
}

export const sha256 = (content: string | Buffer): string => createHash('sha256').update(content).digest('hex')

/** Freezes content as the next edition of a report. Part of a transaction that holds the report's row. */
export async function freeze(
  db: ClientDb,
  reportId: number,
  requestKey: string,
  content: ReportContent,
  person: number | undefined,
): Promise<number> {
  const text = canonicalJson(content)
  const { next } = (await db.one<{ next: number }>(sql`
    SELECT COALESCE(MAX(number), 0) + 1 AS next FROM edition WHERE client_id = ${db.client} AND report_id = ${reportId} FOR UPDATE`))!
  const { insertId } = await db.run(sql`
    INSERT INTO edition (client_id, report_id, number, title, period_words, period_to, request_key, content, sha256,
             issued_at, issued_by, issued_by_name)
   
    VALUES (${db.client}, ${reportId}, ${next}, ${content.title}, ${content.periodWords}, ${content.period.to},
             ${requestKey}, ${text}, ${sha256(text)}, ${new Date(now())}, ${person},
            (SELECT name FROM person WHERE person_id = ${person}))`)
  return insertId
}

const toEdition = (
  { content: text, supersededBy, ...row }: EditionRow,
  others: readonly (OtherEdition & { supersededBy: number | null })[],
): Edition => {
  const content = thawed(JSON.parse(text, instants) as ReportContent)
  const plain = ({ id, number, title, issuedAt }: OtherEdition): OtherEdition => ({ id, number, title, issuedAt })
  const later = others.find(({ id }) => id === supersededBy)
  return {
    ...row,
    supersededBy: later ? plain(later) : null,
    supersedes: others.filter((other) => other.supersededBy === row.id).map(plain),
    isSuperseded: supersededBy === null ? 0 : 1,
    title: content.title,
    periodWords: content.periodWords,
    periodTo: content.period.to,
    content,
    isIntact: sha256(text) === row.sha256,
    hasPdf: row.pdfSha256 !== null,
  }
}

/** The newest edition of a client. */
export const newestEdition = (
  db: ClientDb,
): Promise<Pick<EditionHead, 'id' | 'title' | 'number' | 'issuedAt'> | undefined> =>
  db.one(sql`
  SELECT   edition_id AS id, title, number, issued_at AS issuedAt
  FROM     edition
  WHERE    client_id = ${db.client}
  ORDER BY issued_at DESC, edition_id DESC
  LIMIT    1`)

/** The last day that the editions of each report reach. */
export const editionsReach = async (db: ClientDb): Promise<ReadonlyMap<number, string>> =>
  new Map(
    (
      await db.rows<{ reportId: number; to: string }>(sql`
  SELECT report_id AS reportId, MAX(period_to) AS \`to\` FROM edition WHERE client_id = ${db.client} GROUP BY report_id`)
    ).map(({ reportId, to }) => [reportId, to]),
  )

/** The editions of a client, the newest first. */
export async function editionsOf(db: ClientDb): Promise<EditionHead[]> {
  return await db.rows<EditionHead>(sql`
    SELECT   edition_id AS id, report_id AS reportId, number, title, period_words AS periodWords,
             period_to AS periodTo, issued_at AS issuedAt, issued_by_name AS issuedBy, sha256,
             superseded_by IS NOT NULL AS isSuperseded
    FROM     edition
    WHERE    client_id = ${db.client}
    ORDER BY issued_at DESC, edition_id DESC`)
}

/** One edition, or Problem 404. */
export async function editionById(db: ClientDb, id: number): Promise<Edition> {
  const row = await db.one<EditionRow>(sql`
    SELECT    e.edition_id AS id, e.report_id AS reportId, e.number, e.content, e.issued_at AS issuedAt,
             e.issued_by_name AS issuedBy, e.sha256, e.superseded_by AS supersededBy, f.sha256 AS pdfSha256
    FROM      edition e
    LEFT JOIN edition_pdf f ON f.client_id = e.client_id AND f.edition_id = e.edition_id
    WHERE     e.client_id = ${db.client}
    AND       e.edition_id = ${id}`)
  if (!row) throw notFound('edition')
  const others = await db.rows<OtherEdition & { supersededBy: number | null }>(sql`
    SELECT edition_id AS id, number, title, issued_at AS issuedAt, superseded_by AS supersededBy
    FROM   edition
    WHERE  client_id = ${db.client}
    AND    (edition_id = ${row.supersededBy} OR superseded_by = ${id})`)
  return toEdition(row, others)
}

/**
 * Says that a later edition stands in the place of an earlier one, or takes that back. Neither changes: it stands
 * beside them.
 *
 * @throws Problem 404 when there is no such edition, 400 when the other one is not later
 */
export async function supersede(db: ClientDb, id: number, by: number | null): Promise<void> {
  const earlier = await editionById(db, id)
  if (by !== null) {
    const later = await editionById(db, by)
    if (later.id <= earlier.id) throw badRequest('Only a later edition can stand in the place of an earlier one.')
  }
  await db.run(sql`UPDATE edition SET superseded_by = ${by} WHERE client_id = ${db.client} AND edition_id = ${id}`)
}

/** Keeps the PDF of an edition. One that is there already is never replaced. */
export async function keepPdf(db: ClientDb, id: number, pdf: Buffer): Promise<void> {
  await db.run(
    sql`INSERT IGNORE INTO edition_pdf (client_id, edition_id, content, sha256) VALUES (${db.client}, ${id}, ${pdf}, ${sha256(pdf)})`,
  )
}

/** The PDF of an edition, once it is made. */
export async function editionPdf(db: ClientDb, id: number): Promise<Buffer | undefined> {
  return (
    await db.one<{ content: Buffer }>(
      sql`SELECT content FROM edition_pdf WHERE client_id = ${db.client} AND edition_id = ${id}`,
    )
  )?.content
}

/**
 * Makes a secret link to one edition.
 *
 * @returns the secret, which is kept nowhere
 */
export async function shareEdition(
  db: ClientDb,
  editionId: number,
  endsAt: Date,
  purpose: 'reader' | 'print',
  reader = '',
): Promise<string> {
  const token = newToken()
  await db.run(sql`
    INSERT INTO share_link (client_id, edition_id, token_hash, purpose, reader, ends_at)
    VALUES (${db.client}, ${editionId}, ${tokenHash(token)}, ${purpose}, ${reader}, ${endsAt})`)
  return token
}

/** The links to an edition that were given to readers. */
export const sharesOf = async (db: ClientDb, editionId: number): Promise<ShareView[]> =>
  (
    await db.rows<Omit<ShareView, 'isRevoked'> & { revoked: number }>(sql`
  SELECT   share_id AS id, reader, created_at AS createdAt, ends_at AS endsAt, revoked_at IS NOT NULL AS revoked
  FROM     share_link
  WHERE    client_id = ${db.client}
  AND      edition_id = ${editionId}
  AND      purpose = 'reader'
  ORDER BY share_id DESC`)
  ).map(({ revoked, ...share }) => ({ ...share, isRevoked: revoked === 1 }))

/** Makes a link useless from now on. */
export async function revokeShare(db: ClientDb, editionId: number, shareId: number): Promise<void> {
  const { affectedRows } = await db.run(sql`
    UPDATE share_link SET revoked_at = COALESCE(revoked_at, NOW()) WHERE client_id = ${db.client}
    AND edition_id = ${editionId} AND share_id = ${shareId}`)
  if (affectedRows === 0) throw notFound('link')
}

/**
 * The edition behind a secret link, for somebody who has not signed in, with a handle that sees nothing but what the
 * caller asks of it.
 *
 * @throws Problem 404 when the link is unknown, over or revoked; which of them is not said
 */
export async function openShare(token: string): Promise<{ db: ClientDb; edition: Edition; reader: string }> {
  const link = !isToken(token)
    ? undefined
    : await systemDb.one<{ client_id: number; edition_id: number; reader: string }>(sql`
    SELECT client_id, edition_id, reader
    FROM   share_link
    WHERE  token_hash = ${tokenHash(token)}
    AND    revoked_at IS NULL
    AND    ends_at > NOW()`)
  if (!link)
    throw new Problem(
      404,
      'Not found',
      'This link does not work any more: it has ended, was withdrawn, or was not copied whole. Ask the agency for a new one.',
    )
  const db = await clientDbForJob(link.client_id)
  return { db, edition: await editionById(db, link.edition_id), reader: link.reader }
}

/**
 * What an outsider gets of an edition: what it prints, without the names of those who worked on it and without our own
 * numbers for it.
 */
export function forOutsiders(
  { number, title, issuedAt, sha256: hash, isIntact, hasPdf, pdfSha256, content, supersededBy, supersedes }: Edition,
  reader = '',
): SharedEdition {
  const named = ({ id: _id, ...other }: OtherEdition) => other
  return {
    supersededBy: supersededBy && named(supersededBy),
    supersedes: supersedes.map(named),
    ...(reader && { reader }),
    number,
    title,
    issuedAt,
    sha256: hash,
    isIntact,
    hasPdf,
    pdfSha256,
    content: {
      ...content,
      notes: (content.notes ?? []).map((note, index) => ({ ...note, id: index + 1, writtenBy: null })),
    },
  }
}
