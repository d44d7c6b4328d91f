import type { PlanMedia } from '../../../core/plan/networkRules'
import type { PlanState, PostingState } from '../../../core/plan/postStates'
import type { PlanText } from '../../../shared/plan/plannedPosts'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { notFound } from '../../platform/problems/problem'

/** A planned post as its row has it. */
export interface PlannedRow {
  id: number
  postKey: string
  state: PlanState
  content: PlanText
  version: number
  plannedAt: Date | null
  writtenBy: number | null
  writtenName: string
  approvedName: string
  approvedVersion: number | null
  seriesKey: string | null
  turn: number
  expected: string | null
}
type Stored = Omit<PlannedRow, 'content'> & { content: string }

const COLUMNS = sql`p.planned_id AS id, p.post_key AS postKey, p.state, p.content, p.version, p.planned_at AS plannedAt,
             p.written_by AS writtenBy, p.written_name AS writtenName, p.approved_name AS approvedName,
             p.approved_version AS approvedVersion, p.series_key AS seriesKey, p.turn, p.expected`
const readRow = (row: Stored): PlannedRow => ({ ...row, content: JSON.parse(row.content) as PlanText })

/** A planned post. @throws Problem 404 when there is none of that number, or it was removed */
export async function plannedById(db: ClientDb, id: number): Promise<PlannedRow> {
  const row = await db.one<Stored>(sql`
    SELECT ${COLUMNS}
    FROM   planned_post p
    WHERE  p.client_id = ${db.client}
    AND    p.planned_id = ${id}
    AND    p.removed_at IS NULL`)
  if (!row) throw notFound('planned post')
  return readRow(row)
}

/** Planned posts that nobody else changes until the transaction ends; those that were removed are not there. */
export const heldByIds = async (db: ClientDb, ids: readonly number[]): Promise<PlannedRow[]> =>
  (
    await db.rows<Stored>(sql`
    SELECT   ${COLUMNS}
    FROM     planned_post p
    WHERE    p.client_id = ${db.client}
    AND      p.planned_id IN (${[...ids]})
    AND      p.removed_at IS NULL
    ORDER BY p.planned_id
    FOR      UPDATE`)
  ).map(readRow)

/** One of them. @throws Problem 404 when there is none of that number, or it was removed */
export async function heldById(db: ClientDb, id: number): Promise<PlannedRow> {
  const [row] = await heldByIds(db, [id])
  if (!row) throw notFound('planned post')
  return row
}

/** The planned posts between two instants, by their time; one more than asked for at the most. */
export const plannedBetween = async (db: ClientDb, from: Date, to: Date, most: number): Promise<PlannedRow[]> =>
  (
    await db.rows<Stored>(sql`
    SELECT   ${COLUMNS}
    FROM     planned_post p
    WHERE    p.client_id = ${db.client}
    AND      p.removed_at IS NULL
    AND      p.planned_at >= ${from}
    AND      p.planned_at < ${to}
    ORDER BY p.planned_at, p.planned_id
    LIMIT    ${most + 1}`)
  ).map(readRow)

/** The planned posts that have no time yet, the newest first. */
export const plannedWithoutTime = async (db: ClientDb, most: number): Promise<PlannedRow[]> =>
  (
    await db.rows<Stored>(sql`
    SELECT   ${COLUMNS}
    FROM     planned_post p
    WHERE    p.client_id = ${db.client}
    AND      p.removed_at IS NULL
    AND      p.planned_at IS NULL
    ORDER BY p.changed_at DESC, p.planned_id DESC
    LIMIT    ${most}`)
  ).map(readRow)

/** The planned posts that need somebody, whenever they are: to approve, to publish by hand, to decide. */
export const plannedNeeding = async (db: ClientDb, most: number): Promise<PlannedRow[]> =>
  (
    await db.rows<Stored>(sql`
    SELECT   ${COLUMNS}
    FROM     planned_post p
    WHERE    p.client_id = ${db.client}
    AND      p.removed_at IS NULL
    AND      (p.state IN ('waiting', 'late', 'failed') OR EXISTS (
               SELECT 1 FROM planned_posting y
               WHERE  y.client_id = p.client_id
               AND    y.planned_id = p.planned_id
               AND    y.state = 'to do'))
    ORDER BY p.planned_at IS NULL, p.planned_at, p.planned_id
    LIMIT    ${most}`)
  ).map(readRow)

/** What one profile has of a planned post. */
export interface PostingRow {
  planned: number
  profile: number
  text: string | null
  isByHand: number
  state: PostingState
  tries: number
  /** When somebody has decided that it goes out although it is late. */
  decidedAt: Date | null
  remoteId: string | null
  address: string | null
  refusal: string
  publishedAt: Date | null
}

/** What profiles have of planned posts. */
export const postingsOf = (db: ClientDb, ids: readonly number[]): Promise<PostingRow[]> =>
  db.rows<PostingRow>(sql`
    SELECT   planned_id AS planned, profile_id AS profile, own_text AS text, is_by_hand AS isByHand, state, tries,
             decided_at AS decidedAt,
             remote_id AS remoteId, address, refusal, published_at AS publishedAt
    FROM     planned_posting
    WHERE    client_id = ${db.client}
    AND      planned_id IN (${[...ids]})
    ORDER BY planned_id, profile_id`)

/** What is known of pictures and videos, without their content. */
export interface FileRow {
  id: number
  name: string
  type: string
  bytes: number
  isAnimated: number
}

export const filesOf = (db: ClientDb, ids: readonly number[]): Promise<FileRow[]> =>
  db.rows<FileRow>(sql`
    SELECT file_id AS id, name, type, size AS bytes, is_animated AS isAnimated
    FROM   plan_file
    WHERE  client_id = ${db.client}
    AND    file_id IN (${[...ids]})`)

/** What a post shows, with the words that stand for it. */
export function mediaOf({ media }: PlanText, files: readonly FileRow[]): PlanMedia[] {
  const of = new Map(files.map((file) => [file.id, file]))
  return media.flatMap(({ file, alt }) => {
    const known = of.get(file)
    return known ? [{ type: known.type, bytes: known.bytes, isAnimated: known.isAnimated === 1, alt }] : []
  })
}

/** When else profiles post: planned for one of some instants’ surroundings, other than one post. */
export const otherTimes = (
  db: ClientDb,
  profiles: readonly number[],
  except: number,
  from: Date,
  to: Date,
): Promise<{ profile: number; at: Date }[]> =>
  db.rows<{ profile: number; at: Date }>(sql`
    SELECT   y.profile_id AS profile, p.planned_at AS at
    FROM     planned_posting y
    JOIN     planned_post p ON p.client_id = y.client_id AND p.planned_id = y.planned_id
    WHERE    y.client_id = ${db.client}
    AND      y.profile_id IN (${[...profiles]})
    AND      p.planned_id <> ${except}
    AND      p.removed_at IS NULL
    AND      p.state IN ('scheduled', 'publishing', 'published')
    AND      p.planned_at BETWEEN ${from} AND ${to}
    ORDER BY p.planned_at
    LIMIT    1000`)
