import type { RowDataPacket } from 'mysql2/promise'
import { beforeEach, describe, expect, it } from 'vitest'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { sql } from '../../server/platform/database/sql'
import { jobContext, LeaseLost } from '../../server/platform/jobs/context'
import {
  claim,
  enqueue,
  failJob,
  jobById,
  keepLease,
  newestJob,
  newestJobs,
  postponeJob,
  writingJobs,
} from '../../server/platform/jobs/queue'
import { enqueueDueSchedules, keepSchedules, scheduleFor, unschedule } from '../../server/platform/jobs/schedule'
import { addClient, runJobs, useDatabase } from './support/database'
import { SYNC, SYNC_DUE } from '../../server/gather/sync/jobs'
import { HOUSEKEEPING } from '../../server/housekeeping'
import { IMPORT_CHECK } from '../../server/gather/imports/jobs'
import { EDITION_PRINT } from '../../server/report/editions/jobs'

const { pool } = useDatabase('queue')
let db: ClientDb
let clients = 0
beforeEach(async () => {
  await pool().query('DELETE FROM job')
  db = await addClient(`queue-${++clients}`)
})

describe('the queue', () => {
  it('gives the same job to whoever asks twice while it waits or runs, and a new one afterwards', async () => {
    const first = await enqueue(db, SYNC, 1, {})
    expect(await enqueue(db, SYNC, 1, {})).toBe(first)
    expect(await enqueue(db, SYNC, 2, {})).not.toBe(first)
    const job = (await claim())!
    expect(job.job_id).toBe(first)
    expect(await enqueue(db, SYNC, 1, {})).toBe(first)
    await (await jobContext(job)).finish()
    expect(await enqueue(db, SYNC, 1, {})).not.toBe(first)
  })

  it('gives a job to one process only, however many ask at once', async () => {
    for (let subject = 0; subject < 12; subject++) await enqueue(db, IMPORT_CHECK, subject, {})
    const claimed = (await Promise.all(Array.from({ length: 30 }, claim))).filter((job) => job !== undefined)
    expect(new Set(claimed.map(({ job_id: id }) => id)).size).toBe(claimed.length)
    for (let job = await claim(); job; job = await claim()) claimed.push(job)
    expect(new Set(claimed.map(({ subject }) => subject)).size).toBe(12)
  })

  it('takes what a person waits for before the syncs', async () => {
    await enqueue(db, SYNC, 1, {})
    await enqueue(db, EDITION_PRINT, 'x', {})
    expect((await claim())!.kind).toBe('edition.print')
  })

  it('puts a job back for a while, with the reason', async () => {
    const id = await enqueue(db, SYNC, 1, {})
    await postponeJob((await claim())!, 60, 'The network asks to wait.', { countsAsTry: false })
    expect(await claim()).toBeUndefined()
    expect(await jobById(db, id)).toMatchObject({ state: 'queued', message: 'The network asks to wait.' })
    expect(await writingJobs(db)).toBe(0)
    await pool().query('UPDATE job SET run_after = NOW()')
    expect(await writingJobs(db)).toBe(1)
    expect((await claim())!.attempts).toBe(1)
  })

  it('keeps a failure with its sentence', async () => {
    const id = await enqueue(db, IMPORT_CHECK, 7, {})
    await failJob((await claim())!, 'The file cannot be read.')
    expect(await newestJob(db, 'import.', 7)).toMatchObject({
      id,
      state: 'failed',
      message: 'The file cannot be read.',
    })
    expect(await claim()).toBeUndefined()
  })

  it('shows nobody the jobs of another client', async () => {
    const id = await enqueue(db, SYNC, 1, {})
    expect(await jobById(await addClient(`queue-${++clients}`), id)).toBeUndefined()
  })
})

describe('a process that was thought dead', () => {
  it('cannot write any more once another has its job', async () => {
    await enqueue(db, SYNC, 1, {})
    const slow = (await claim())!
    const slowContext = await jobContext(slow)
    await slowContext.step(
      (inside) =>
        inside.run(
          sql`INSERT INTO note (client_id, from_day, to_day, title) VALUES (${inside.client}, '2026-10-01', '2026-10-01', 'first')`,
        ),
      () => ({ done: 1, total: 2 }),
    )
    await pool().query('UPDATE job SET lease_until = NOW() - INTERVAL 1 SECOND')
    const other = (await claim())!
    expect(other.job_id).toBe(slow.job_id)
    expect(await keepLease(slow)).toBe(false)
    const late = (inside: ClientDb) =>
      inside.run(
        sql`INSERT INTO note (client_id, from_day, to_day, title) VALUES (${inside.client}, '2026-10-02', '2026-10-02', 'second')`,
      )
    await expect(slowContext.step(late)).rejects.toThrow(LeaseLost)
    await expect(slowContext.finish(late)).rejects.toThrow(LeaseLost)
    await (await jobContext(other)).finish(late, 'Done')
    expect(
      (
        await db.rows<{ title: string }>(sql`SELECT title FROM note WHERE client_id = ${db.client} ORDER BY note_id`)
      ).map(({ title }) => title),
    ).toEqual(['first', 'second'])
    expect(await jobById(db, slow.job_id)).toMatchObject({ state: 'done', message: 'Done', progress: 2 })
  })

  it('loses a step whole when it breaks in the middle of it', async () => {
    await enqueue(db, SYNC, 1, {})
    const context = await jobContext((await claim())!)
    await expect(
      context.step(
        async (inside) => {
          await inside.run(
            sql`INSERT INTO note (client_id, from_day, to_day, title) VALUES (${inside.client}, '2026-10-01', '2026-10-01', 'half')`,
          )
          throw new Error('stop here')
        },
        () => ({ done: 5 }),
      ),
    ).rejects.toThrow('stop here')
    expect(await db.rows(sql`SELECT title FROM note WHERE client_id = ${db.client}`)).toEqual([])
    expect((await newestJob(db, 'sync', 1))!.progress).toBe(0)
  })
})

describe('what happens by the clock', () => {
  const KINDS = [SYNC, SYNC_DUE, HOUSEKEEPING]
  const schedules = async () =>
    (
      await pool().query<RowDataPacket[]>('SELECT kind, subject, pattern, next_at, last_at FROM schedule ORDER BY kind')
    )[0]
  const jobs = async () => (await pool().query<RowDataPacket[]>('SELECT kind, client_id, subject, state FROM job'))[0]
  beforeEach(() => pool().query('DELETE FROM schedule'))

  it('is put into the queue once, however many look at the same moment, and once for all that was missed', async () => {
    await keepSchedules([{ job: SYNC_DUE, pattern: '* * * * *' }])
    await scheduleFor(db, 7, { job: SYNC, pattern: '0 9 * * 1', timeZone: 'America/New_York' })
    await pool().query('UPDATE schedule SET next_at = NOW(3) - INTERVAL 3 WEEK')
    const counts = await Promise.all(Array.from({ length: 12 }, () => enqueueDueSchedules(KINDS)))
    expect(counts.reduce((sum, count) => sum + count, 0)).toBe(2)
    expect(await jobs()).toEqual(
      expect.arrayContaining([
        expect.objectContaining({ kind: 'sync.due', client_id: null }),
        expect.objectContaining({ kind: 'sync', client_id: db.clientId, subject: '7' }),
      ]),
    )
    expect(await jobs()).toHaveLength(2)
    for (const { next_at: next } of await schedules()) expect((next as Date).getTime()).toBeGreaterThan(Date.now())
    expect(await enqueueDueSchedules(KINDS)).toBe(0)
    await unschedule(db, SYNC, 7)
    expect((await schedules()).map(({ kind }) => kind)).toEqual(['sync.due'])
  })

  it('goes on with the others where one cannot be followed', async () => {
    await scheduleFor(db, 1, { job: SYNC, pattern: '0 9 * * *' })
    await scheduleFor(db, 2, { job: SYNC, pattern: '0 9 * * *' })
    await pool().query('UPDATE schedule SET next_at = NOW(3) - INTERVAL 1 DAY')
    await pool().query(
      "UPDATE schedule SET time_zone = 'Nowhere/At_All', next_at = NOW(3) - INTERVAL 2 DAY WHERE subject = '1'",
    )
    expect(await enqueueDueSchedules(KINDS)).toBe(1)
    expect((await jobs()).map(({ subject }) => subject)).toEqual(['2'])
  })

  it('is kept as it is declared: what changes is due anew, and what is declared no more is gone', async () => {
    const first = [
      { job: SYNC_DUE, pattern: '* * * * *' },
      { job: HOUSEKEEPING, pattern: '17 * * * *' },
    ]
    await Promise.all([keepSchedules(first), keepSchedules(first)])
    await scheduleFor(db, 1, { job: SYNC, pattern: '0 9 * * *' })
    await enqueueDueSchedules(KINDS)
    const before = await schedules()
    await keepSchedules(first)
    expect(await schedules()).toEqual(before)
    await keepSchedules([{ job: HOUSEKEEPING, pattern: '18 * * * *' }])
    const after = await schedules()
    expect(after.map(({ kind, pattern }) => [kind, pattern])).toEqual([
      ['housekeeping', '18 * * * *'],
      ['sync', '0 9 * * *'],
    ])
    expect((after[0]!.next_at as Date).getTime()).toBeLessThanOrEqual(Date.now())
  })

  it('is worked on as a job of no client, of which only the last one is kept', async () => {
    for (let time = 0; time < 3; time++) {
      await keepSchedules([{ job: HOUSEKEEPING, pattern: '17 * * * *' }])
      await pool().query('UPDATE schedule SET next_at = NOW(3)')
      expect(await enqueueDueSchedules(KINDS)).toBe(1)
      await runJobs()
    }
    expect(await jobs()).toEqual([expect.objectContaining({ kind: 'housekeeping', client_id: null, state: 'done' })])
    expect(await newestJobs(db, 'housekeeping')).toEqual([])
  })
})
