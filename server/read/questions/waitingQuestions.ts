import { addDays, type Day } from '../../../core/days/day'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** Questions older than this are no longer called for, in days. */
const CALLED_FOR_DAYS = 90

/** How many questions about the client's own listings wait for an answer, of the last three months. */
export async function waitingQuestions(db: ClientDb, lastComplete: Day): Promise<number> {
  const row = await db.one<{ waiting: number }>(sql`
    SELECT COUNT(*) AS waiting
    FROM   question q
    JOIN   profile p ON p.client_id = q.client_id AND p.profile_id = q.profile_id
    WHERE  q.client_id = ${db.client}
    AND    q.day BETWEEN ${addDays(lastComplete, 1 - CALLED_FOR_DAYS)} AND ${lastComplete}
    AND    q.answered_at IS NULL
    AND    p.is_active = 1
    AND    p.is_rival = 0`)
  return row!.waiting
}

/**
 * What waits, in words; undefined where nothing does.
 *
 * @example waitingQuestionsWords(1) // '1 question waits for an answer.'
 */
export const waitingQuestionsWords = (waiting: number): string | undefined =>
  waiting === 0 ? undefined : `${waiting} ${waiting === 1 ? 'question waits' : 'questions wait'} for an answer.`
