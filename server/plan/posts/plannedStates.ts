import { movesFrom, PLAN_STATE_NAMES, settledState, type MoveTo, type PlanState } from '../../../core/plan/postStates'
import type { PlanExpected } from '../../../shared/plan/plannedPosts'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest, conflict } from '../../platform/problems/problem'
import { heldById, postingsOf, type PlannedRow } from './plannedRows'
import { refuseProblems } from './plannedPosts'
import { planSettings } from './planSettings'

const MOST_REMARKS = 500

/** Who moves a post: a person of the agency, or a reader outside by their link. */
export interface Mover {
  id: number | null
  name: string
}

/** Whether what a post says was approved as it stands. */
export const isApproved = ({ approvedVersion, version }: PlannedRow): boolean => approvedVersion === version

/** Where somebody can move a post. */
export const movesOf = (post: PlannedRow, mover: Mover, needsApproval: boolean): MoveTo[] =>
  movesFrom(post.state, {
    isOther: mover.id === null || mover.id !== post.writtenBy,
    needsApproval,
    isApproved: isApproved(post),
  })

/**
 * Moves a post on or back, with a remark if there is one.
 *
 * @param version   which version whoever moves it has seen
 * @param expected  what its slot promises, when it is scheduled
 * @throws Problem 404, 409 when it was changed meanwhile or cannot go there, 400 when a network would not take it
 */
export async function movePost(
  db: ClientDb,
  id: number,
  { to, version, remark }: { to: MoveTo; version: number; remark: string },
  mover: Mover,
  expected?: PlanExpected,
): Promise<PlanState> {
  return await db.transaction(async (inside) => {
    const post = await heldById(inside, id)
    if (post.version !== version) throw conflict('The post was changed meanwhile. Read what it says now; then decide.')
    const { needsApproval } = await planSettings(inside)
    if (!movesOf(post, mover, needsApproval).includes(to)) throw conflict(whyNot(post, to, mover, needsApproval))
    if (to === 'scheduled') await refuseProblems(inside, post)
    const approves = to === 'approved' && post.state === 'waiting'
    await inside.run(sql`
      UPDATE planned_post
      SET    state = ${to}, changed_at = ${new Date(now())},
             approved_version = IF(${approves ? 1 : 0}, version, approved_version),
             approved_name = IF(${approves ? 1 : 0}, ${mover.name}, approved_name),
             expected = IF(${to} = 'scheduled', ${expected ? JSON.stringify(expected) : null}, expected)
      WHERE  client_id = ${db.client}
      AND    planned_id = ${id}`)
    // what has failed or was late is tried anew with those that do not have it yet
    if (to === 'scheduled') await reopen(inside, id)
    await say(inside, post, mover.name, to, remark)
    return to
  })
}

function whyNot({ state, writtenBy }: PlannedRow, to: MoveTo, mover: Mover, needsApproval: boolean): string {
  if (to === 'approved' && state === 'waiting' && mover.id === writtenBy)
    return 'Somebody else has to approve what you have written.'
  if (to === 'scheduled' && needsApproval && state !== 'approved')
    return 'It has to be approved first, as it stands now.'
  return `A post that is ${PLAN_STATE_NAMES[state]} is not moved to “${PLAN_STATE_NAMES[to]}”.`
}

const reopen = (db: ClientDb, id: number) =>
  db.run(sql`
    UPDATE planned_posting
    SET    state = '', refusal = ''
    WHERE  client_id = ${db.client}
    AND    planned_id = ${id}
    AND    state IN ('failed', 'late')`)

/** Writes down what was said of a post, or that it has taken a step. */
export async function say(
  db: ClientDb,
  { id, version }: Pick<PlannedRow, 'id' | 'version'>,
  who: string,
  step: string,
  text = '',
): Promise<void> {
  const { many } = (await db.one<{ many: number }>(sql`
    SELECT COUNT(*) AS many FROM planned_remark WHERE client_id = ${db.client} AND planned_id = ${id}`))!
  if (Number(many) >= MOST_REMARKS) throw badRequest(`A post has ${MOST_REMARKS} remarks at the most.`)
  await db.run(sql`
    INSERT INTO planned_remark (client_id, planned_id, who, step, text, version, written_at)
    VALUES (${db.client}, ${id}, ${who.slice(0, 120)}, ${step}, ${text}, ${version}, ${new Date(now())})`)
}

export interface RemarkRow {
  id: number
  who: string
  step: string
  text: string
  version: number
  writtenAt: Date
}

/** What was said of a post, the earliest first. */
export const remarksOf = (db: ClientDb, id: number): Promise<RemarkRow[]> =>
  db.rows<RemarkRow>(sql`
    SELECT   remark_id AS id, who, step, text, version, written_at AS writtenAt
    FROM     planned_remark
    WHERE    client_id = ${db.client}
    AND      planned_id = ${id}
    ORDER BY remark_id
    LIMIT    ${MOST_REMARKS}`)

/** Sets the states of posts that are on their way, by their number. */
export async function setStates(db: ClientDb, states: ReadonlyMap<number, PlanState>): Promise<void> {
  for (const state of new Set(states.values()))
    await db.run(sql`
      UPDATE planned_post
      SET    state = ${state}, changed_at = ${new Date(now())}
      WHERE  client_id = ${db.client}
      AND    planned_id IN (${[...states].filter(([, each]) => each === state).map(([id]) => id)})
      AND    state IN ('scheduled', 'publishing', 'late', 'failed')`)
}

/** Brings the state of a post in line with what has become of it with its profiles. */
export const settle = async (db: ClientDb, id: number): Promise<void> =>
  setStates(db, new Map([[id, settledState((await postingsOf(db, [id])).map(({ state }) => state))]]))
