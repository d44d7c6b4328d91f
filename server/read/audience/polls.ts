import { simultaneousIntervals } from '../../../core/statistics/simultaneousIntervals'
import type { PollInput, PollView } from '../../../shared/read/polls'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'
import { badRequest, notFound } from '../../platform/problems/problem'

const MOST_POLLS = 200

type PollRow = Omit<PollInput, 'answers' | 'isMultiple'> & { id: number; isMultiple: number; answers: string }

const COLUMNS = raw(
  'poll_id AS id, question, asked, chosen, from_day, to_day, is_multiple AS isMultiple, people, answers',
)

/** The polls of a client, the newest first; or one of them. */
export async function pollsOf(db: ClientDb, id?: number): Promise<PollView[]> {
  const rows = await db.rows<Omit<PollRow, 'from' | 'to'> & { from_day: string; to_day: string }>(sql`
    SELECT   ${COLUMNS}
    FROM     poll
    WHERE    client_id = ${db.client}
    AND      removed_at IS NULL
    AND      poll_id = COALESCE(${id ?? null}, poll_id)
    ORDER BY to_day DESC, poll_id DESC
    LIMIT    ${MOST_POLLS}`)
  return rows.map(({ from_day: from, to_day: to, ...row }) => viewOf({ ...row, from, to }))
}

function viewOf({ answers: written, people: told, isMultiple, ...poll }: PollRow): PollView {
  const answers = JSON.parse(written) as PollInput['answers']
  const counts = answers.map(({ count }) => count)
  const people = told ?? counts.reduce((sum, count) => sum + count, 0)
  const intervals = simultaneousIntervals(counts, people)
  const shown = answers.map(({ text, count }, index) => ({ text, count, share: count / people, ...intervals[index]! }))
  const [first, second] = [...shown].sort((a, b) => b.count - a.count)
  return {
    ...poll,
    isMultiple: isMultiple === 1,
    people,
    answers: shown,
    isLeadSure: first!.low > second!.high,
  }
}

const valuesOf = ({ isMultiple, people, answers }: PollInput) => ({
  people: isMultiple ? people : null,
  answers: JSON.stringify(answers),
})

/** @throws Problem 400 when there are too many */
export async function addPoll(db: ClientDb, poll: PollInput, person: number): Promise<number> {
  const { count } = (await db.one<{ count: number }>(
    sql`SELECT COUNT(*) AS count FROM poll WHERE client_id = ${db.client} AND removed_at IS NULL`,
  ))!
  if (count >= MOST_POLLS) throw badRequest(`A client has ${MOST_POLLS} polls at the most. Remove old ones first.`)
  const { people, answers } = valuesOf(poll)
  const { insertId } = await db.run(sql`
    INSERT INTO poll (client_id, question, asked, chosen, from_day, to_day, is_multiple, people, answers, created_by)
    VALUES (${db.client}, ${poll.question}, ${poll.asked}, ${poll.chosen}, ${poll.from}, ${poll.to},
            ${poll.isMultiple}, ${people}, ${answers}, ${person})`)
  return insertId
}

/** @throws Problem 404 when there is no such poll */
export async function changePoll(db: ClientDb, id: number, poll: PollInput): Promise<void> {
  const { people, answers } = valuesOf(poll)
  const { affectedRows } = await db.run(sql`
    UPDATE poll
    SET    question = ${poll.question}, asked = ${poll.asked}, chosen = ${poll.chosen}, from_day = ${poll.from},
           to_day = ${poll.to}, is_multiple = ${poll.isMultiple}, people = ${people}, answers = ${answers}
    WHERE  client_id = ${db.client}
    AND    poll_id = ${id}
    AND    removed_at IS NULL`)
  if (affectedRows === 0) throw notFound('poll')
}

/** Takes a poll away, or brings it back. */
export async function removePoll(db: ClientDb, id: number, isRemoved: boolean): Promise<boolean> {
  const { affectedRows } = await db.run(sql`
    UPDATE poll
    SET    removed_at = ${isRemoved ? new Date() : null}
    WHERE  client_id = ${db.client}
    AND    poll_id = ${id}
    AND    (removed_at IS NULL) = ${isRemoved ? 1 : 0}`)
  return affectedRows === 1
}
