import { filledIn } from '../../../core/reviews/filledIn'
import type { ReadingInput, ReplyState, ReplyTemplate, TemplateInput } from '../../../shared/read/reviews'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest, conflict, notFound } from '../../platform/problems/problem'
import { placesByListing } from './reviews'

const MOST_TEMPLATES = 50

/** What tells a review from others. */
export interface ReviewKey {
  profile: number
  id: string
}

/** @throws Problem 404 when there is no such review of the client’s own */
async function reviewBy(db: ClientDb, { profile, id }: ReviewKey) {
  const row = await db.one<{ author: string; listing: string; answer: string | null }>(sql`
    SELECT r.author, p.name AS listing, r.answer
    FROM   review r
    JOIN   profile p ON p.client_id = r.client_id AND p.profile_id = r.profile_id
    WHERE  r.client_id = ${db.client}
    AND    r.profile_id = ${profile}
    AND    r.remote_id = ${id}
    AND    p.is_rival = 0`)
  if (!row) throw notFound('review')
  return row
}

/** @throws Problem 404 when there is no such review, 409 when somebody has answered it on the network */
async function refuseAnswered(db: ClientDb, key: ReviewKey): Promise<void> {
  const { answer } = await reviewBy(db, key)
  if (answer)
    throw conflict('It was answered on the network already. What is sent from here would take that answer’s place.')
}

interface Reply {
  text: string
  state: ReplyState
}

const replyTo = (db: ClientDb, { profile, id }: ReviewKey) =>
  db.one<Reply>(sql`
    SELECT text, state
    FROM   review_reply
    WHERE  client_id = ${db.client}
    AND    profile_id = ${profile}
    AND    remote_id = ${id}`)

/**
 * Writes an answer down. It is a draft, also when it was approved before: what is changed is looked at again.
 *
 * @throws Problem 404 when there is no such review, 409 when it has an answer already
 */
export async function writeReply(db: ClientDb, key: ReviewKey, text: string, person: number): Promise<void> {
  await refuseAnswered(db, key)
  if ((await replyTo(db, key))?.state === 'sent') throw conflict('That answer was sent already. It can be read above.')
  await db.insertRows(
    'review_reply',
    ['profile_id', 'remote_id', 'text', 'state', 'refusal', 'written_by', 'approved_by', 'changed_at'],
    [[key.profile, key.id, text, 'draft', '', person, null, new Date(now())]],
    ['text', 'state', 'refusal', 'written_by', 'approved_by', 'changed_at'],
  )
}

/** Takes an answer away that was not sent yet. */
export async function removeReply(db: ClientDb, { profile, id }: ReviewKey): Promise<void> {
  const { affectedRows } = await db.run(sql`
    DELETE FROM review_reply
    WHERE  client_id = ${db.client}
    AND    profile_id = ${profile}
    AND    remote_id = ${id}
    AND    state <> 'sent'`)
  if (affectedRows === 0) throw notFound('answer')
}

/**
 * What gives an answer to the network; says the network’s sentence where it is refused, and nothing where it is taken.
 */
export type SendAnswer = (db: ClientDb, key: ReviewKey, text: string) => Promise<string>

/**
 * Moves an answer on: approved or back to a draft, and sent to the network, which may refuse it. The network keeps one
 * answer for each review, so that sending twice changes nothing.
 *
 * @param send  gives it to the network
 * @returns what became of it, with the network's own sentence where it was refused
 * @throws  Problem 404 when there is no answer, 409 when it cannot go there from where it is or somebody has answered
 *          there, 503 when the network does not answer
 */
export async function moveReply(
  db: ClientDb,
  key: ReviewKey,
  to: Exclude<ReplyState, 'refused'>,
  person: number,
  send: SendAnswer,
): Promise<{ state: ReplyState; refusal: string }> {
  await refuseAnswered(db, key)
  const reply = await replyTo(db, key)
  if (!reply) throw notFound('answer')
  if (reply.state === 'sent') throw conflict('That answer was sent already.')
  if (to === 'sent' && reply.state !== 'approved') throw conflict('Approve the answer first; then it can be sent.')
  const refusal = to === 'sent' ? await send(db, key, reply.text) : ''
  const state: ReplyState = refusal === '' ? to : 'refused'
  const { affectedRows } = await db.run(sql`
    UPDATE review_reply
    SET    state = ${state}, refusal = ${refusal.slice(0, 400)}, changed_at = ${new Date(now())},
           approved_by = IF(${to} = 'approved', ${person}, approved_by),
           sent_at = IF(${state} = 'sent', ${new Date(now())}, NULL)
    WHERE  client_id = ${db.client}
    AND    profile_id = ${key.profile}
    AND    remote_id = ${key.id}
    AND    state = ${reply.state}
    AND    text = ${reply.text}`)
  if (affectedRows === 0) throw conflict('Somebody has changed the answer meanwhile. Look at it again.')
  return { state, refusal }
}

/** Says what a review is about and how it sounds, where its words are misread. */
export async function readReview(
  db: ClientDb,
  key: ReviewKey,
  { mood, subjects }: ReadingInput,
  person: number,
): Promise<void> {
  await reviewBy(db, key)
  await db.insertRows(
    'review_reading',
    ['profile_id', 'remote_id', 'mood', 'subjects', 'read_by', 'read_at'],
    [[key.profile, key.id, mood, [...new Set(subjects)].join(','), person, new Date()]],
    ['mood', 'subjects', 'read_by', 'read_at'],
  )
}

/**
 * Goes back to what its words say.
 *
 * @throws Problem 404 when there is no such review of the client’s own
 */
export async function unreadReview(db: ClientDb, { profile, id }: ReviewKey): Promise<void> {
  await reviewBy(db, { profile, id })
  await db.run(sql`
    DELETE FROM review_reading
    WHERE  client_id = ${db.client}
    AND    profile_id = ${profile}
    AND    remote_id = ${id}`)
}

/** The templates of a client by name. */
export async function templatesOf(db: ClientDb): Promise<ReplyTemplate[]> {
  const rows = await db.rows<{ id: number; name: string; variants: string }>(sql`
    SELECT   template_id AS id, name, variants
    FROM     reply_template
    WHERE    client_id = ${db.client}
    AND      removed_at IS NULL
    ORDER BY name, template_id
    LIMIT    ${MOST_TEMPLATES}`)
  return rows.map(({ variants, ...row }) => ({ ...row, variants: JSON.parse(variants) as string[] }))
}

/** @throws Problem 400 when there are too many */
export async function addTemplate(db: ClientDb, { name, variants }: TemplateInput): Promise<number> {
  if ((await templatesOf(db)).length >= MOST_TEMPLATES)
    throw badRequest(`A client has ${MOST_TEMPLATES} templates at the most.`)
  const { insertId } = await db.run(sql`
    INSERT INTO reply_template (client_id, name, variants) VALUES (${db.client}, ${name}, ${JSON.stringify(variants)})`)
  return insertId
}

/** @throws Problem 404 when there is no such template */
export async function changeTemplate(db: ClientDb, id: number, { name, variants }: TemplateInput): Promise<void> {
  const { info } = await db.run(sql`
    UPDATE reply_template
    SET    name = ${name}, variants = ${JSON.stringify(variants)}
    WHERE  client_id = ${db.client}
    AND    template_id = ${id}
    AND    removed_at IS NULL`)
  if (!info.startsWith('Rows matched: 1')) throw notFound('template')
}

/** Takes a template away, or brings it back. */
export async function removeTemplate(db: ClientDb, id: number, isRemoved: boolean): Promise<boolean> {
  const { affectedRows } = await db.run(sql`
    UPDATE reply_template
    SET    removed_at = ${isRemoved ? new Date() : null}
    WHERE  client_id = ${db.client}
    AND    template_id = ${id}
    AND    (removed_at IS NULL) = ${isRemoved ? 1 : 0}`)
  return affectedRows === 1
}

/**
 * What a template says to a review: its fields filled in, and the text whose turn it is, so that no two answers after
 * each other are the same.
 *
 * @throws Problem 404 when there is no such review or template
 */
export async function proposeReply(db: ClientDb, key: ReviewKey, templateId: number): Promise<string> {
  const { author, listing } = await reviewBy(db, key)
  const template = (await templatesOf(db)).find(({ id }) => id === templateId)
  if (!template) throw notFound('template')
  const { count } = (await db.one<{ count: number }>(sql`
    SELECT COUNT(*) AS count FROM review_reply WHERE client_id = ${db.client}`))!
  const place = (await placesByListing(db)).get(key.profile)?.name ?? listing
  return filledIn(template.variants[count % template.variants.length]!, { author, place })
}
