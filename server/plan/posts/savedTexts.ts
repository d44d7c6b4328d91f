import type { SavedText, SavedTextInput } from '../../../shared/plan/savedTexts'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest, notFound } from '../../platform/problems/problem'

/** How many texts a client keeps, and how many are listed. */
const MOST_KEPT = 1000
const MOST_LISTED = 50

/** The texts of a client in whose name or words something stands, by name; with how many there are. */
export async function savedTexts(db: ClientDb, words: string): Promise<{ texts: SavedText[]; all: number }> {
  const found = sql`client_id = ${db.client} AND removed_at IS NULL
    AND (LOCATE(${words}, name) > 0 OR LOCATE(${words}, text) > 0)`
  const [texts, counted] = await Promise.all([
    db.rows<SavedText>(sql`
      SELECT text_id AS id, name, text FROM saved_text WHERE ${found} ORDER BY name, text_id LIMIT ${MOST_LISTED}`),
    db.one<{ all: number }>(sql`SELECT COUNT(*) AS \`all\` FROM saved_text WHERE ${found}`),
  ])
  return { texts, all: counted!.all }
}

/** Keeps a text under a name. @throws Problem 400 when there are too many */
export async function keepText(db: ClientDb, { name, text }: SavedTextInput): Promise<number> {
  const { many } = (await db.one<{ many: number }>(
    sql`SELECT COUNT(*) AS many FROM saved_text WHERE client_id = ${db.client} AND removed_at IS NULL`,
  ))!
  if (many >= MOST_KEPT) throw badRequest(`A client keeps ${MOST_KEPT.toLocaleString('en')} texts at the most.`)
  return (await db.run(sql`INSERT INTO saved_text (client_id, name, text) VALUES (${db.client}, ${name}, ${text})`))
    .insertId
}

/** Gives a text another name or other words. @throws Problem 404 when there is none */
export async function changeText(db: ClientDb, id: number, { name, text }: SavedTextInput): Promise<void> {
  const known = sql`client_id = ${db.client} AND text_id = ${id} AND removed_at IS NULL`
  if (!(await db.one(sql`SELECT text_id FROM saved_text WHERE ${known}`))) throw notFound('text')
  await db.run(sql`UPDATE saved_text SET name = ${name}, text = ${text} WHERE ${known}`)
}

/** Takes a text away or, when that was a mistake, brings it back. @throws Problem 404 when there is none */
export async function removeText(db: ClientDb, id: number, isRemoved: boolean): Promise<void> {
  const known = sql`client_id = ${db.client} AND text_id = ${id}`
  if (!(await db.one(sql`SELECT text_id FROM saved_text WHERE ${known}`))) throw notFound('text')
  await db.run(sql`UPDATE saved_text SET removed_at = IF(${isRemoved}, NOW(), NULL) WHERE ${known}`)
}
