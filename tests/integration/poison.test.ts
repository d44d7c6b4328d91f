import { spawn, type ChildProcess } from 'node:child_process'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { runAlone } from '../../server/platform/jobs/alone'
import { jobContext } from '../../server/platform/jobs/context'
import { claim, enqueue, jobById, postponeJob } from '../../server/platform/jobs/queue'
import { programOf } from '../../server/platform/programs'
import { root } from '../support/application'
import { addClient, useDatabase } from './support/database'
import { EDITION_PRINT } from '../../server/report/editions/jobs'
import { SYNC } from '../../server/gather/sync/jobs'
import { IMPORT_APPLY, IMPORT_CHECK } from '../../server/gather/imports/jobs'

const { url, pool } = useDatabase('poison')
let db: ClientDb
let child: ChildProcess | undefined
let ended = 0

beforeAll(async () => {
  db = await addClient('poison')
})
afterAll(() => void child?.kill('SIGKILL'))

/** A worker as the start command starts it, and started again when it dies. */
function keepWorker(): void {
  child = spawn(process.execPath, [programOf('server/worker.ts')], {
    cwd: root,
    env: {
      ...process.env,
      ZAFFER_DATABASE_URL: url(),
      NODE_OPTIONS: `--import=${join(root, 'tests/integration/support/poison.mjs')}`,
    },
    stdio: 'ignore',
  })
  child.once('exit', (_, signal) => {
    if (signal !== 'SIGKILL' || ended > 5) return
    ended++
    keepWorker()
  })
}

describe('a job that ends the process that works on it', () => {
  it('is tried once more in a process of its own, then set aside with a sentence; the others go on', async () => {
    const poison = await enqueue(db, EDITION_PRINT, 'poison', {})
    await pool().query(`UPDATE job SET payload = '{"poison":true}' WHERE job_id = ?`, [poison])
    keepWorker()
    for (let tries = 0; tries < 200 && ended === 0; tries++) await pause(50)
    expect(ended).toBe(1)
    // its lease is over after fifteen seconds; the test does not wait that long
    await pool().query("UPDATE job SET lease_until = NOW(3) - INTERVAL 1 SECOND WHERE state = 'running'")
    for (let tries = 0; tries < 300 && (await jobById(db, poison))!.state !== 'failed'; tries++) await pause(50)
    expect(await jobById(db, poison)).toMatchObject({
      state: 'failed',
      message: expect.stringContaining('it was set aside; everything else goes on'),
    })
    const other = await enqueue(db, SYNC, 1, {})
    for (let tries = 0; tries < 200 && (await jobById(db, other))!.state !== 'failed'; tries++) await pause(50)
    expect(await jobById(db, other)).toMatchObject({ state: 'failed', message: 'The profile was removed.' })
    // the second time took only its own process with it
    expect(ended).toBe(1)
    child!.removeAllListeners('exit')
  })
})

describe('a job over which a process has died once', () => {
  it('comes to its own end in a process of its own, and is told from one that dies', async () => {
    child?.kill('SIGKILL')
    await pool().query('DELETE FROM job')
    const id = await enqueue(db, SYNC, 7, {})
    expect(await runAlone((await claim())!, 'server/aloneProcess.ts')).toBe(true)
    expect(await jobById(db, id)).toMatchObject({ state: 'failed', message: 'The profile was removed.' })
  })
})

describe('tries', () => {
  const state = async (id: number) =>
    (
      (await pool().query('SELECT attempts, deaths, furthest FROM job WHERE job_id = ?', [id]))[0] as {
        attempts: number
        deaths: number
        furthest: number
      }[]
    )[0]
  const die = () => pool().query("UPDATE job SET lease_until = NOW(3) - INTERVAL 1 SECOND WHERE state = 'running'")

  it('are counted again only when the work got further than ever before', async () => {
    child?.kill('SIGKILL')
    await pool().query('DELETE FROM job')
    const id = await enqueue(db, IMPORT_CHECK, 1, {})
    await (
      await jobContext((await claim())!)
    ).step(
      async () => 0,
      () => ({ done: 50, total: 100 }),
    )
    expect(await state(id)).toEqual({ attempts: 1, deaths: 0, furthest: 50 })
    await die()
    // from the beginning again: what was reached before is no progress
    const again = await jobContext((await claim())!)
    await again.step(
      async () => 0,
      () => ({ done: 50, total: 100 }),
    )
    expect(await state(id)).toEqual({ attempts: 2, deaths: 1, furthest: 50 })
    await again.step(
      async () => 0,
      () => ({ message: 'still at it' }),
    )
    expect(await state(id)).toEqual({ attempts: 2, deaths: 1, furthest: 50 })
    await again.step(
      async () => 0,
      () => ({ done: 51, total: 100 }),
    )
    expect(await state(id)).toEqual({ attempts: 1, deaths: 0, furthest: 51 })
    await postponeJob(again.job, 0, 'later', { countsAsTry: true })
    await claim()
    expect(await state(id)).toEqual({ attempts: 2, deaths: 0, furthest: 51 })
  })
})

describe('what writes the figures of a client', () => {
  it('goes one at a time, for each client by itself, also when the one that writes has died', async () => {
    await pool().query('DELETE FROM job')
    const other = await addClient('poison-2')
    await enqueue(db, IMPORT_APPLY, 1, {})
    await enqueue(db, SYNC, 2, {})
    await enqueue(other, SYNC, 3, {})
    await enqueue(db, IMPORT_CHECK, 4, {})
    const claimed = (await Promise.all(Array.from({ length: 8 }, claim))).filter((job) => job !== undefined)
    for (let job = await claim(); job; job = await claim()) claimed.push(job)
    expect(
      claimed.map(({ kind, client_id: client }) => `${kind} ${client === db.clientId ? 'first' : 'second'}`).sort(),
    ).toEqual(['import.apply first', 'import.check first', 'sync second'])
    await pool().query("UPDATE job SET lease_until = NOW(3) - INTERVAL 1 SECOND WHERE kind = 'import.apply'")
    const again = (await claim())!
    expect([again.kind, again.deaths, await claim()]).toEqual(['import.apply', 1, undefined])
    await (await jobContext(again)).finish()
    expect((await claim())!.kind).toBe('sync')
  })
})
