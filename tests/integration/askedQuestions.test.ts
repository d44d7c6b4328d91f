import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import { unit } from '../../demo/random'
import { resolveScope } from '../../server/figures/resolveScope'
import { answerOnNetwork } from '../../server/gather/connectors/answerOnNetwork'
import { SYNC } from '../../server/gather/sync/jobs'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { enqueue } from '../../server/platform/jobs/queue'
import { answerQuestion, questionsIn } from '../../server/read/questions/questions'
import { waitingQuestions, waitingQuestionsWords } from '../../server/read/questions/waitingQuestions'
import { parseScope } from '../../shared/figures/scope'
import { questionFilterSchema, type QuestionFilter } from '../../shared/read/questions'
import { runJobs, useDatabase } from './support/database'
import { addDemo } from './support/demo'
import { useStandins } from './support/standins'

const { pool } = useDatabase('questions_asked')
const standins = useStandins()
let db: ClientDb
const asked = async (text: string, values: unknown[] = []) =>
  (await pool().query<RowDataPacket[]>(text, values))[0] as Record<string, unknown>[]
const scopeOf = (period: string) => resolveScope(db, parseScope({ period, against: 'none' }))
const filter = (part: Partial<QuestionFilter> = {}) => questionFilterSchema.cast(part)
const send = (inside: ClientDb, profile: number, id: string, text: string) =>
  answerOnNetwork(inside, profile, 'questions', id, text)

beforeAll(async () => {
  await addDemo()
  await pool().query("DELETE FROM job WHERE state = 'queued'")
  db = await clientDbForJob(1)
  for (const { id, remote } of (await asked(
    "SELECT profile_id AS id, remote_id AS remote FROM profile WHERE client_id = 1 AND network = 'waymark'",
  )) as { id: number; remote: string }[])
    await pool().query('UPDATE connection SET credentials = ?, may_publish = 1 WHERE profile_id = ?', [
      standins.tokens('waymark', remote),
      id,
    ])
})
beforeEach(() => {
  standins.state.isDown = false
})

describe('questions about places', () => {
  it('are counted as the raw rows have them, over a hundred periods', async () => {
    const rows = (await asked(
      `SELECT profile_id AS profile, DATE_FORMAT(day, '%Y-%m-%d') AS day, answered_at IS NOT NULL AS isAnswered,
              answered_by AS answeredBy FROM question WHERE client_id = 1`,
    )) as { profile: number; day: string; isAnswered: number; answeredBy: string | null }[]
    expect(rows.length).toBeGreaterThan(50)
    for (let round = 0; round < 100; round++) {
      const to = addDays('2026-10-18', -Math.floor(unit('to', round) * 300))
      const from = addDays(to, -Math.floor(unit('from', round) * 90))
      const { listings } = await questionsIn(db, await scopeOf(`${from}..${to}`), filter())
      const within = rows.filter(({ day }) => day >= from && day <= to)
      expect(listings.reduce((sum, each) => sum + each.asked, 0)).toBe(within.length)
      for (const each of listings) {
        const own = within.filter(({ profile }) => profile === each.profile)
        expect([each.asked, each.byOwner, each.byVisitors, each.waiting]).toEqual([
          own.length,
          own.filter(({ answeredBy }) => answeredBy === 'owner').length,
          own.filter(({ isAnswered, answeredBy }) => isAnswered && answeredBy !== 'owner').length,
          own.filter(({ isAnswered }) => !isAnswered).length,
        ])
      }
    }
  })

  it('are read page by page, each once, by how they stand', async () => {
    const scope = await scopeOf('last-365-days')
    for (const state of ['', 'waiting', 'owner', 'visitor'] as const) {
      const seen: string[] = []
      for (let after = '', pages = 0; pages < 30; pages++) {
        const page = await questionsIn(db, scope, filter({ state, after }))
        for (const { id, answer } of page.questions) {
          seen.push(id)
          if (state !== '') expect(answer ? (answer.isOwner ? 'owner' : 'visitor') : 'waiting').toBe(state)
        }
        if (!page.next) break
        after = page.next
      }
      const { listings } = await questionsIn(db, scope, filter())
      const total = listings.reduce(
        (sum, each) =>
          sum + { '': each.asked, 'waiting': each.waiting, 'owner': each.byOwner, 'visitor': each.byVisitors }[state],
        0,
      )
      expect(new Set(seen).size).toBe(seen.length)
      expect(seen).toHaveLength(total)
    }
    const place = Number((await asked("SELECT place_id AS id FROM place WHERE name = 'Mossgate tea rooms'"))[0]!.id)
    const { questions } = await questionsIn(db, scope, filter({ place: String(place) }))
    expect(new Set(questions.map((question) => question.place?.name))).toEqual(new Set(['Mossgate tea rooms']))
  })

  it('come with a sync, answers that came since among them', async () => {
    const before = Number((await asked('SELECT COUNT(*) AS count FROM question WHERE client_id = 1'))[0]!.count)
    for (const { id } of (await asked(
      "SELECT profile_id AS id FROM profile WHERE client_id = 1 AND network = 'waymark'",
    )) as { id: number }[])
      await enqueue(db, SYNC, id, {})
    await runJobs()
    const after = await asked('SELECT MAX(day) AS last, COUNT(*) AS count FROM question WHERE client_id = 1')
    expect(Number(after[0]!.count)).toBeGreaterThan(before)
  })

  it('are answered on their network, which may refuse, and once by the owner', async () => {
    const scope = await scopeOf('last-90-days')
    const [question] = (await questionsIn(db, scope, filter({ state: 'waiting' }))).questions
    const waiting = await waitingQuestions(db, scope.lastComplete)
    expect(waiting).toBeGreaterThan(0)
    expect(await answerQuestion(db, question!, 'Ask at www.example.com', send)).toEqual({
      refusal: 'An answer may not hold a web address or a telephone number.',
    })
    expect(await waitingQuestions(db, scope.lastComplete)).toBe(waiting)
    standins.state.isDown = true
    await expect(answerQuestion(db, question!, 'Yes.', send)).rejects.toThrow(/Waymark answered 503/)
    standins.state.isDown = false
    expect(await answerQuestion(db, question!, 'Yes, on a lead.', send)).toEqual({ refusal: '' })
    expect(await waitingQuestions(db, scope.lastComplete)).toBe(waiting - 1)
    await expect(answerQuestion(db, question!, 'No.', send)).rejects.toThrow('The owner has answered it already.')
    await expect(answerQuestion(db, { ...question!, id: '999' }, 'No.', send)).rejects.toThrow(/question/)
    // the network has it too: the next sync brings the same
    const { questions } = await questionsIn(db, scope, filter({ state: 'owner' }))
    expect(questions.find(({ id }) => id === question!.id)?.answer).toMatchObject({
      text: 'Yes, on a lead.',
      isOwner: true,
    })
    await pool().query('DELETE FROM sync_cursor')
    await enqueue(db, SYNC, question!.profile, {})
    await runJobs()
    const [row] = await asked('SELECT answer, answered_by AS by_whom FROM question WHERE remote_id = ?', [question!.id])
    expect(row).toEqual({ answer: 'Yes, on a lead.', by_whom: 'owner' })
  })

  it('that wait are said in words', () => {
    expect(waitingQuestionsWords(0)).toBeUndefined()
    expect(waitingQuestionsWords(1)).toBe('1 question waits for an answer.')
    expect(waitingQuestionsWords(3)).toBe('3 questions wait for an answer.')
    expect(() => questionFilterSchema.validateSync({ after: 'x' })).toThrow('The list cannot go on from there.')
    expect(() => questionFilterSchema.validateSync({ state: 'x' })).toThrow(/wait/)
  })
})
