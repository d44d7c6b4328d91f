import { QUESTIONS, THE_OWNER } from '../../../core/datasets/datasets'
import {
  QUESTIONS_PER_PAGE,
  type Question,
  type QuestionFigures,
  type QuestionFilter,
  type QuestionsView,
} from '../../../shared/read/questions'
import type { ResolvedScope } from '../../figures/resolveScope'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { conflict, notFound } from '../../platform/problems/problem'
import { placesByListing } from '../reviews/reviews'

interface QuestionRow {
  profile: number
  id: string
  askedAt: Date
  author: string
  text: string
  wanted: number | null
  answeredAt: Date | null
  answer: string | null
  answeredBy: string | null
}

const listingsOf = ({ profiles }: ResolvedScope): ReadonlyMap<number, string> =>
  new Map(
    profiles
      .filter(({ network }) => QUESTIONS.stream!.networks.includes(network))
      .map(({ profile_id: id, name }) => [id, name]),
  )

/** The questions of a scope, the newest first, and how many were asked of each listing in its period. */
export async function questionsIn(db: ClientDb, scope: ResolvedScope, filter: QuestionFilter): Promise<QuestionsView> {
  const listings = listingsOf(scope)
  const places = await placesByListing(db)
  const wanted = [...listings.keys()].filter((id) => filter.place === '' || places.get(id)?.id === Number(filter.place))
  const rows = await rowsOf(db, scope, wanted, filter)
  const shown = rows.slice(0, QUESTIONS_PER_PAGE)
  const last = shown.at(-1)
  return {
    questions: shown.map((row) => viewOf(row, listings.get(row.profile)!, places.get(row.profile))),
    ...(rows.length > shown.length && last && { next: `${last.askedAt.getTime()}.${last.profile}.${last.id}` }),
    listings: await questionFigures(db, scope),
  }
}

function rowsOf(db: ClientDb, { period }: ResolvedScope, profiles: readonly number[], filter: QuestionFilter) {
  const [at, profile, ...id] = filter.after.split('.')
  const isFirst = filter.after === ''
  return db.rows<QuestionRow>(sql`
    SELECT   profile_id AS profile, remote_id AS id, asked_at AS askedAt, author, text, wanted,
             answered_at AS answeredAt, answer, answered_by AS answeredBy
    FROM     question
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${[...profiles]})
    AND      day BETWEEN ${period.from} AND ${period.to}
    AND      (${filter.state} = '' OR ${filter.state} = CASE WHEN answered_at IS NULL THEN 'waiting'
               WHEN answered_by = ${THE_OWNER} THEN 'owner' ELSE 'visitor' END)
    AND      (${isFirst} OR (asked_at, profile_id, remote_id) <
                            (${isFirst ? null : new Date(Number(at))}, ${Number(profile ?? 0)}, ${id.join('.')}))
    ORDER BY asked_at DESC, profile_id DESC, remote_id DESC
    LIMIT    ${QUESTIONS_PER_PAGE + 1}`)
}

function viewOf(row: QuestionRow, listing: string, place: { id: number; name: string } | undefined): Question {
  const { answeredAt, answer, answeredBy, wanted, ...question } = row
  return {
    ...question,
    listing,
    ...(place && { place }),
    wanted: wanted ?? 0,
    ...(answeredAt && {
      answer: { answeredAt, text: answer ?? '', isOwner: answeredBy === THE_OWNER, by: answeredBy ?? '' },
    }),
  }
}

/** How many questions were asked about each listing of a scope in its period, and by whom they were answered until now. */
export async function questionFigures(db: ClientDb, scope: ResolvedScope): Promise<QuestionFigures[]> {
  const listings = listingsOf(scope)
  const rows = await db.rows<Omit<QuestionFigures, 'name'>>(sql`
    SELECT   profile_id AS profile, COUNT(*) AS asked,
             CAST(SUM(answered_at IS NOT NULL AND answered_by <=> ${THE_OWNER}) AS DOUBLE) AS byOwner,
             CAST(SUM(answered_at IS NOT NULL AND NOT answered_by <=> ${THE_OWNER}) AS DOUBLE) AS byVisitors,
             CAST(SUM(answered_at IS NULL) AS DOUBLE) AS waiting
    FROM     question
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${[...listings.keys()]})
    AND      day BETWEEN ${scope.period.from} AND ${scope.period.to}
    GROUP BY profile_id`)
  return rows
    .map((row) => ({ ...row, name: listings.get(row.profile)! }))
    .sort((a, b) => b.waiting - a.waiting || a.name.localeCompare(b.name))
}

/** What gives an answer to the network; says the network’s sentence where it is refused, and nothing where it is taken. */
export type SendQuestionAnswer = (db: ClientDb, profile: number, id: string, text: string) => Promise<string>

/**
 * Answers a question on its network, as the owner. The network keeps one answer of the owner for each question, so that
 * answering twice changes it.
 *
 * @param send  gives it to the network
 * @returns the network's sentence where it refuses the answer; empty where it has taken it
 * @throws  Problem 404 when there is no such question, 409 when the owner has answered it already
 */
export async function answerQuestion(
  db: ClientDb,
  { profile, id }: { profile: number; id: string },
  text: string,
  send: SendQuestionAnswer,
): Promise<{ refusal: string }> {
  const row = await db.one<{ answeredBy: string | null }>(sql`
    SELECT q.answered_by AS answeredBy
    FROM   question q
    JOIN   profile p ON p.client_id = q.client_id AND p.profile_id = q.profile_id
    WHERE  q.client_id = ${db.client}
    AND    q.profile_id = ${profile}
    AND    q.remote_id = ${id}
    AND    p.is_rival = 0`)
  if (!row) throw notFound('question')
  if (row.answeredBy === THE_OWNER) throw conflict('The owner has answered it already. Load the page again to read it.')
  const refusal = await send(db, profile, id, text)
  if (refusal === '')
    await db.run(sql`
      UPDATE question
      SET    answered_at = ${new Date(now())}, answer = ${text}, answered_by = ${THE_OWNER}
      WHERE  client_id = ${db.client}
      AND    profile_id = ${profile}
      AND    remote_id = ${id}`)
  return { refusal }
}
