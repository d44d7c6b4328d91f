import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql, type Query } from '../../platform/database/sql'

type Row = Record<string, unknown>

/** How many rows are read together: memory stays flat however many there are. */
const AT_A_TIME = 5000

/**
 * Every row of a client in a table, in the order of its primary key, some at a time.
 *
 * @param keys  the columns of the primary key, after the client
 */
export async function* rowsInOrder(
  db: ClientDb,
  table: string,
  keys: readonly string[],
  columns: readonly string[],
): AsyncGenerator<Row[]> {
  let last: Row | undefined
  for (;;) {
    const rows: Row[] = await db.rows<Row>(sql`
      SELECT   ${raw([...new Set([...keys, ...columns])].join(', '))}
      FROM     ${raw(table)}
      WHERE    client_id = ${db.client}
      AND      ${last ? beyond(keys, last) : raw('1 = 1')}
      ORDER BY ${raw(keys.join(', '))}
      LIMIT    ${AT_A_TIME}`)
    if (rows.length > 0) yield rows
    if (rows.length < AT_A_TIME) return
    last = rows.at(-1)!
  }
}

/** SQL for the rows that come after one; the first condition is what an index is read by. */
function beyond([first, ...others]: readonly string[], row: Row): Query<false> {
  const at = row[first!]
  return others.length === 0
    ? sql`${raw(first!)} > ${at}`
    : sql`${raw(first!)} >= ${at} AND (${raw(first!)} > ${at} OR (${beyond(others, row)}))`
}
