import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import { daysEnding, eachDay } from '../../core/periods/period'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { enqueue, jobById } from '../../server/platform/jobs/queue'
import { runNextJob } from '../../server/jobs'
import { composeReport } from '../../server/report/blocks/composeReport'
import { addReport, reportById } from '../../server/report/reports/reports'
import { allClients } from '../../server/clients/allClients'
import { addTarget, changeTarget, targetsOf } from '../../server/read/targets/targets'
import type { Block } from '../../shared/report/blocks'
import { addClient, addDaysOf, addProfile, runJobs, tableOf, useDatabase } from './support/database'
import { EDITION_ISSUE } from '../../server/report/editions/jobs'

const { pool } = useDatabase('stale')
let db: ClientDb
let profile: number
const owner = () => ({ id: 1, agencyId: 1, name: 'O', email: 'o@b.example', role: 'owner' as const })

beforeAll(async () => {
  db = await addClient('stale')
  await pool().query(
    "INSERT INTO person (agency_id, email, name, role, password_hash) VALUES (1, 'o@b.example', 'O', 'owner', 'x')",
  )
  profile = await addProfile(db, 'tintype', '1')
  await addDaysOf(
    db,
    eachDay(daysEnding('2026-10-28', 60)).map((day, index) => ({
      profile,
      day,
      impressions: 100 + index,
      reactions: 5,
      comments: 1,
      shares: 0,
      saves: 0,
      followers: 900,
    })),
  )
  await addTarget(db, { metric: 'interactions', who: 'all', wanted: 100, from: '2026-10-01', by: '2026-11-30' }, 1)
  // what earlier versions took
  const connection = await pool().getConnection()
  await connection.query("SET SESSION sql_mode = ''")
  await connection.query(
    "INSERT INTO target (client_id, metric, who, wanted, from_day, by_day) VALUES (?, 'posts', 'all', 5, " +
      "'2026-10-01', '9999-12-31'), (?, 'posts', 'all', 5, '2026-00-10', '2026-11-30'), (?, 'gone', 'all', 5, " +
      "'2026-10-01', '2026-11-30'), (?, 'posts', 'some', 5, '2026-10-01', '2026-11-30')",
    Array(4).fill(db.clientId),
  )
  connection.destroy()
})

describe('a value that makes no sense', () => {
  it('in one target leaves the others and the first page standing, in good time, and can be changed', async () => {
    const began = Date.now()
    const { targets, broken } = await targetsOf(db)
    expect(Date.now() - began).toBeLessThan(5000)
    expect(targets.map(({ wanted }) => wanted)).toEqual([100])
    expect(broken.map(({ problem }) => problem).sort()).toEqual([
      'The profiles of this target are gone. Choose others.',
      'There is no metric "gone".',
      'This target goes from 2026-00-10 to 2026-11-30, which are no days to measure. Choose others.',
      'This target goes from 2026-10-01 to 9999-12-31, which are no days to measure. Choose others.',
    ])
    const [client] = await allClients(owner())
    expect(client).toMatchObject({ slug: 'stale', figures: expect.arrayContaining([expect.anything()]) })
    expect(client!.due.filter(({ sentence }) => sentence.startsWith('A target cannot be worked out.'))).toHaveLength(4)
    for (const { id } of broken)
      expect(
        await changeTarget(db, id, { metric: 'posts', who: 'all', wanted: 5, from: '2026-10-01', by: '2026-11-30' }),
      ).toBe(true)
    expect((await targetsOf(db)).broken).toEqual([])
  })

  it('in one part of a report leaves the other parts standing; it is not issued before that part is mended', async () => {
    const block = (part: Partial<Block>): Block => ({
      id: randomUUID(),
      kind: 'figures',
      title: '',
      metrics: ['impressions'],
      option: '',
      who: 'all',
      text: '',
      comment: '',
      ...part,
    })
    const report = await addReport(db, 'R', [
      block({}),
      block({ title: 'Old', metrics: ['gone'] }),
      block({ kind: 'table', metrics: ['followers'] }),
    ])
    await pool().query(
      'UPDATE report SET blocks = REPLACE(blocks, \'"table","title":""\', \'"table","title":"T"\') WHERE report_id = ?',
      [report],
    )
    const { blocks } = await composeReport(db, await reportById(db, report))
    expect(blocks.map((one) => (one.kind === 'broken' ? one.problem : one.kind))).toEqual([
      'figures',
      'There is no metric "gone".',
      'table',
    ])
    const job = await enqueue(db, EDITION_ISSUE, `${report}:x`, {
      reportId: report,
      requestKey: randomUUID(),
      person: 1,
    })
    await runNextJob()
    expect(await jobById(db, job)).toMatchObject({
      state: 'failed',
      message: 'The part “Old” cannot be filled: There is no metric "gone". Mend or remove it, then issue again.',
    })
  })

  it('at one client leaves the other clients standing', async () => {
    const other = await addClient('well')
    await pool().query('UPDATE client SET agency_id = 1 WHERE client_id = ?', [other.clientId])
    await pool().query("UPDATE client SET time_zone = 'Nowhere/Never' WHERE client_id = ?", [other.clientId])
    const clients = await allClients(owner())
    expect(clients.map(({ slug, problem }) => [slug, problem !== undefined]).sort()).toEqual([
      ['stale', false],
      ['well', true],
    ])
  })
})

describe('a long choice of profiles', () => {
  it('is kept for a target as it was made, however long it is', async () => {
    const many: number[] = []
    for (let index = 0; index < 300; index++) many.push(await addProfile(db, 'cork', String(1000 + index)))
    const id = await addTarget(
      db,
      { metric: 'posts', who: many.join(','), wanted: 5, from: '2026-10-01', by: '2026-11-30' },
      1,
    )
    expect(many.join(',').length).toBeGreaterThan(400)
    const [kept] = (await tableOf(`target_member WHERE target_id = ${id}`, 'COUNT(*) AS count, 1, 2')) as {
      count: number
    }[]
    expect(kept!.count).toBe(300)
    const { targets, broken } = await targetsOf(db)
    expect(broken).toEqual([])
    expect(targets.find((one) => one.id === id)).toMatchObject({ who: many.join(','), whoWords: '300 of 301 profiles' })
    await pool().query('UPDATE profile SET is_active = 0 WHERE network = "cork"')
  })
})

describe('issuing', () => {
  it('works its figures out before it holds the report: nobody who changes it waits meanwhile, and a change begins it anew', async () => {
    const report = await addReport(db, 'Issued', [
      { id: 'a', kind: 'figures', title: '', metrics: ['impressions'], option: '', who: 'all', text: '', comment: '' },
    ])
    const job = await enqueue(db, EDITION_ISSUE, `${report}:y`, {
      reportId: report,
      requestKey: randomUUID(),
      person: 1,
    })
    // the report is changed while its figures are being worked out, again and again
    let changes = 0
    const changing = setInterval(
      () =>
        void pool()
          .query('UPDATE report SET version = version + 1 WHERE report_id = ?', [report])
          .then(() => changes++),
      5,
    )
    await runNextJob()
    clearInterval(changing)
    expect(changes).toBeGreaterThan(0)
    const seen = (await jobById(db, job))!
    expect(['queued', 'done']).toContain(seen.state)
    await pool().query("UPDATE job SET run_after = NOW(3) WHERE state = 'queued'")
    await pool().query("UPDATE job SET run_after = NOW(3) + INTERVAL 1 HOUR WHERE kind = 'edition.print'")
    await runJobs()
    expect(await jobById(db, job)).toMatchObject({ state: 'done' })
    expect(await tableOf(`edition WHERE report_id = ${report}`, 'number, title, issued_by_name')).toEqual([
      { number: 1, title: 'Issued', issued_by_name: 'O' },
    ])
    // the name stays as it was when it was issued
    await pool().query("UPDATE person SET name = 'Somebody else' WHERE person_id = 1")
    expect(await tableOf(`edition WHERE report_id = ${report}`, 'issued_by_name, 1, 2')).toEqual([
      { issued_by_name: 'O', 1: 1, 2: 2 },
    ])
  })
})
