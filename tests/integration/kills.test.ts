import { spawn, type ChildProcess } from 'node:child_process'
import { setTimeout as pause } from 'node:timers/promises'
import { beforeAll, describe, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import { PROFILES } from '../../demo/profiles'
import { unit } from '../../demo/random'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { importById, startApply, startCheck, startUndo } from '../../server/gather/imports/store'
import { takeUpload } from '../../server/gather/imports/upload'
import { enqueue } from '../../server/platform/jobs/queue'
import { editionsOf } from '../../server/report/editions/editions'
import { addReport } from '../../server/report/reports/reports'
import type { MappingInput } from '../../shared/gather/imports'
import { programOf } from '../../server/platform/programs'
import { root } from '../support/application'
import { addClient, addProfile, tableOf, useDatabase } from './support/database'
import { useStandins } from './support/standins'
import { SYNC } from '../../server/gather/sync/jobs'
import { EDITION_ISSUE } from '../../server/report/editions/jobs'

const { url, pool } = useDatabase('kills')
const { tokens } = useStandins()
const ROUNDS = 10
let db: ClientDb
let profile: number
let person: number

beforeAll(async () => {
  db = await addClient('kills')
  const someone = PROFILES[0]!
  profile = await addProfile(db, 'commons', someone.remoteId, tokens('commons', someone.remoteId))
  const [added] = await pool().query(
    "INSERT INTO person (agency_id, email, name, role, password_hash) VALUES (1, 'k@b.example', 'Somebody', 'analyst', 'x')",
  )
  person = (added as { insertId: number }).insertId
})

/** A worker of its own, as the start command starts it. */
const worker = (): ChildProcess =>
  spawn(process.execPath, [programOf('server/worker.ts')], {
    cwd: root,
    env: { ...process.env, ZAFFER_DATABASE_URL: url(), ZAFFER_APP_URL: 'http://127.0.0.1:9' },
    stdio: 'ignore',
  })

/**
 * A dead process's lease is over after fifteen seconds; the test does not wait that long. What got no further while two
 * processes died would be set aside, as the test of poison holds: here each death counts as the first.
 */
const letLeasesEnd = () =>
  pool().query("UPDATE job SET lease_until = NOW() - INTERVAL 1 SECOND, deaths = 0 WHERE state = 'running'")

/** Whether work of the client is left; what happens by the clock belongs to no client, and comes when its minute does. */
const isBusy = async () => {
  const [rows] = await pool().query(
    "SELECT COUNT(*) AS count FROM job WHERE state IN ('queued', 'running') AND kind <> 'edition.print' AND client_id = ?",
    [db.clientId],
  )
  return (rows as { count: number }[])[0]!.count > 0
}

/**
 * Kills one worker after the other, each after a time of its own, until the work is done. Returns how many were killed
 * in the middle of it.
 */
async function killUntilDone(seed: string, longest: number): Promise<number> {
  let killed = 0
  for (let round = 0; await isBusy(); round++) {
    expect(round).toBeLessThan(60)
    const child = worker()
    // the process takes a moment to be there; from then on the moment is random
    const isLast = killed >= ROUNDS
    if (isLast) for (let tries = 0; tries < 400 && (await isBusy()); tries++) await pause(50)
    else await pause(700 + longest * unit(seed, round))
    if (!isLast && (await isBusy())) killed++
    const gone = new Promise((resolve) => child.once('exit', resolve))
    child.kill('SIGKILL')
    await gone
    await letLeasesEnd()
  }
  return killed
}

describe('killed again and again, nothing is lost and nothing happens twice', () => {
  it('in a sync', { timeout: 180_000 }, async () => {
    await enqueue(db, SYNC, profile, {})
    const killed = await killUntilDone('sync', 1500)
    console.info(`sync: killed ${killed} times`)
    const days = (await tableOf(`profile_day WHERE client_id = ${db.clientId}`, 'day, impressions, reach_1d')) as {
      day: string
    }[]
    expect(days.map(({ day }) => day)).toEqual(
      Array.from({ length: 200 }, (_, index) => addDays('2026-10-28', index - 199)),
    )
    expect(await tableOf('restatement', 'day, metric, old_value')).toEqual([])
    expect(await tableOf("job WHERE kind = 'sync'", 'kind, state, live_key')).toEqual([
      { kind: 'sync', state: 'done', live_key: null },
    ])
  })

  it('in an import and in its undo', { timeout: 240_000 }, async () => {
    const before = await tableOf(`profile_day WHERE client_id = ${db.clientId}`)
    const lines = Array.from(
      { length: 9000 },
      (_, index) => `${addDays('2002-01-01', index)},${1 + index},${index % 50}`,
    )
    const text = Buffer.from(`Date,Impressions,Reactions\n${lines.join('\n')}\n`)
    const id = await takeUpload(
      db,
      person,
      'long.csv',
      (async function* () {
        yield text
      })(),
    )
    await startCheck(db, id, { ...((await importById(db, id)).mapping as MappingInput), profile }, person)
    const inCheck = await killUntilDone('check', 1500)
    expect((await importById(db, id)).summary).toMatchObject({ rows: 9000, good: 9000, bad: 0 })
    await startApply(db, id, person)
    const inApply = await killUntilDone('apply', 1500)
    const after = (await tableOf(
      `profile_day WHERE client_id = ${db.clientId} AND import_id = ${id}`,
      'day, impressions, reactions',
    )) as { day: string; impressions: number }[]
    expect(after.length).toBe(9000)
    expect(after.every(({ impressions }, index) => impressions === index + 1)).toBe(true)
    await startUndo(db, id, person)
    const inUndo = await killUntilDone('undo', 1500)
    console.info(`import: killed ${inCheck} times in the check, ${inApply} in the writing, ${inUndo} in the undo`)
    expect(await tableOf(`profile_day WHERE client_id = ${db.clientId}`)).toEqual(before)
    expect((await importById(db, id)).state).toBe('undone')
  })

  it('while editions are issued', { timeout: 180_000 }, async () => {
    const report = await addReport(db, 'Killed', [
      {
        id: 'a',
        kind: 'table',
        title: '',
        metrics: ['reach', 'impressions', 'interactions'],
        option: '',
        who: 'all',
        text: '',
        comment: '',
      },
    ])
    for (let index = 0; index < 40; index++)
      await enqueue(db, EDITION_ISSUE, `${report}:${index}`, {
        reportId: report,
        requestKey: `00000000-0000-4000-8000-${String(index).padStart(12, '0')}`,
        person,
      })
    const killed = await killUntilDone('issue', 900)
    console.info(`issuing: killed ${killed} times`)
    const numbers = (await editionsOf(db)).map(({ number }) => number).sort((a, b) => a - b)
    expect(numbers).toEqual(Array.from({ length: 40 }, (_, index) => index + 1))
    await pool().query("DELETE FROM job WHERE kind = 'edition.print'")
  })
})
