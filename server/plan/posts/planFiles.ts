import { createHash } from 'node:crypto'
import { fileTypeFromBuffer } from 'file-type'
import type { KeptFile } from '../../../shared/plan/planFiles'
import { FILE_TYPES } from '../../../shared/plan/plannedPosts'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest, notFound } from '../../platform/problems/problem'
import type { FileRow } from './plannedRows'

/** How much pictures and videos of a client may take, in bytes, and how many are listed. */
const MOST_BYTES = 1_500_000_000
const MOST_LISTED = 200
/** And of how many posts it is said that they show one of these. */
const MOST_SHOWN = 2000

/**
 * Takes a picture or a video in. What it is says its content, not its name; the same content is kept once.
 *
 * @throws Problem 400 when it is neither, or the client has no room for it
 */
export async function takeFile(db: ClientDb, name: string, content: Buffer): Promise<FileRow> {
  const type = (await fileTypeFromBuffer(content))?.mime ?? ''
  if (!(FILE_TYPES as readonly string[]).includes(type))
    throw badRequest('That is no picture (JPEG, PNG, WebP, GIF) and no video (MP4). Save it as one of these.')
  const { bytes } = (await db.one<{ bytes: number }>(sql`
    SELECT CAST(COALESCE(SUM(size), 0) AS DOUBLE) AS bytes FROM plan_file WHERE client_id = ${db.client}`))!
  if (bytes + content.length > MOST_BYTES) throw badRequest('The pictures of this client take 1.5 GB at the most.')
  const isAnimated = moves(type, content)
  const { insertId } = await db.run(sql`
    INSERT INTO plan_file (client_id, name, type, size, is_animated, sha256, content)
    VALUES (${db.client}, ${name.slice(0, 200)}, ${type}, ${content.length}, ${isAnimated},
            ${createHash('sha256').update(content).digest('hex')}, ${content})
    ON DUPLICATE KEY UPDATE file_id = LAST_INSERT_ID(file_id)`)
  return { id: insertId, name, type, bytes: content.length, isAnimated: isAnimated ? 1 : 0 }
}

/** Whether a picture moves: a GIF of several pictures, a PNG or WebP with the chunk that says so. */
function moves(type: string, content: Buffer): boolean {
  if (type === 'image/png') return content.subarray(0, 4096).includes('acTL')
  if (type === 'image/webp') return content.subarray(0, 64).includes('ANIM')
  if (type !== 'image/gif') return false
  // each picture of a GIF has a graphic control extension before it
  const mark = Buffer.from([0x21, 0xf9, 0x04])
  const first = content.indexOf(mark)
  return first >= 0 && content.indexOf(mark, first + 1) >= 0
}

/** A picture or video with its content. @throws Problem 404 when there is none */
export async function fileById(db: ClientDb, id: number): Promise<{ type: string; content: Buffer }> {
  const row = await db.one<{ type: string; content: Buffer }>(sql`
    SELECT type, content FROM plan_file WHERE client_id = ${db.client} AND file_id = ${id}`)
  if (!row) throw notFound('picture')
  return row
}

/** The newest pictures and videos of a client whose names have some words in them, with the posts that show each. */
export async function keptFiles(db: ClientDb, words: string): Promise<KeptFile[]> {
  const rows = await db.rows<FileRow>(sql`
    SELECT   file_id AS id, name, type, size AS bytes, is_animated AS isAnimated
    FROM     plan_file
    WHERE    client_id = ${db.client}
    AND      LOCATE(${words}, name) > 0
    ORDER BY file_id DESC
    LIMIT    ${MOST_LISTED}`)
  const shown = await postsShowing(
    db,
    rows.map(({ id }) => id),
  )
  return rows.map(({ isAnimated, ...file }) => ({
    ...file,
    isAnimated: isAnimated === 1,
    posts: shown.flatMap((each) => (each.file === file.id ? [each.post] : [])),
  }))
}

/** Which posts show which of some pictures and videos, or have them beside their link; the newest posts first. */
async function postsShowing(db: ClientDb, ids: readonly number[]): Promise<{ file: number; post: number }[]> {
  if (ids.length === 0) return []
  return await db.rows<{ file: number; post: number }>(sql`
    SELECT   DISTINCT shown.file, p.planned_id AS post
    FROM     planned_post p
    JOIN     JSON_TABLE(
               JSON_ARRAY_APPEND(
                 COALESCE(JSON_EXTRACT(p.content, '$.media[*].file'), JSON_ARRAY()),
                 '$',
                 COALESCE(JSON_EXTRACT(p.content, '$.preview.picture'), 0)
               ),
               '$[*]' COLUMNS (file INT PATH '$')
             ) shown
    WHERE    p.client_id = ${db.client}
    AND      p.removed_at IS NULL
    AND      shown.file IN (${[...ids]})
    ORDER BY p.planned_id DESC
    LIMIT    ${MOST_SHOWN}`)
}
