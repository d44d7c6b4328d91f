import { mkdtemp, open, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { object } from 'yup'
import { LARGEST_PACKAGE_BYTES, type TakingState } from '../../../shared/gather/data'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { JobFailed, type JobContext } from '../../platform/jobs/context'
import { jobModule, type JobDeclaration } from '../../platform/jobs/job'
import { enqueue, newestJob } from '../../platform/jobs/queue'
import { badRequest, conflict, Problem } from '../../platform/problems/problem'
import { isEmpty, takeIn } from './takeIn'

export const PACKAGE_TAKE = {
  kind: 'package.take',
  payload: object({}),
  priority: 0,
  writesFigures: true,
} satisfies JobDeclaration

/** The subject of the job: a client has one package at a time. */
const SUBJECT = 1
const CHUNK_BYTES = 1024 * 1024
/** After how many rows the progress is told. */
const TOLD_EVERY = 20_000
const NOT_EMPTY = 'A package is taken into a client of which nothing is kept. Add a new client, and bring it there.'

/** Whether a package can be taken in, and how it went with the last one. */
export const takingState = async (db: ClientDb): Promise<TakingState> => ({
  isEmpty: await isEmpty(db),
  job: await newestJob(db, PACKAGE_TAKE.kind, SUBJECT),
})

/**
 * Keeps a package piece by piece, so that any process can take it in, and asks for that.
 *
 * @throws Problem 409 when something is kept of the client or another package is on its way, 413 when it is too large,
 *         400 when there is nothing in it
 */
export async function keepPackage(db: ClientDb, stream: AsyncIterable<Uint8Array>, person: number): Promise<void> {
  const { isEmpty: isFree, job } = await takingState(db)
  if (!isFree) throw conflict(NOT_EMPTY)
  if (job && (job.state === 'queued' || job.state === 'running'))
    throw conflict('A package is being taken in already. Wait for that one.')
  await db.run(sql`DELETE FROM package_chunk WHERE client_id = ${db.client}`)
  let [bytes, chunk] = [0, 0]
  let waiting: Uint8Array[] = []
  let waitingBytes = 0
  const flush = async () => {
    if (waitingBytes === 0) return
    await db.insertRows('package_chunk', ['chunk', 'content'], [[chunk++, Buffer.concat(waiting)]], ['content'])
    waiting = []
    waitingBytes = 0
  }
  try {
    for await (const part of stream) {
      bytes += part.length
      if (bytes > LARGEST_PACKAGE_BYTES)
        throw new Problem(413, 'Too large', `A package can have ${LARGEST_PACKAGE_BYTES / 1024 ** 2} MB at the most.`)
      waiting.push(part)
      waitingBytes += part.length
      if (waitingBytes >= CHUNK_BYTES) await flush()
    }
    await flush()
    if (bytes === 0) throw badRequest('The file is empty.')
  } catch (error) {
    await db.run(sql`DELETE FROM package_chunk WHERE client_id = ${db.client}`)
    throw error instanceof Problem ? error : badRequest('The file broke off on its way. Send it again.')
  }
  await enqueue(db, PACKAGE_TAKE, SUBJECT, {}, person)
}

/**
 * Takes a package in, in one transaction: all of it or nothing, whatever happens meanwhile. The package goes with it, so
 * that it is never taken in twice.
 */
export async function takePackage({ db, step, finish }: JobContext): Promise<void> {
  const chunks = await db.rows<{ chunk: number }>(
    sql`SELECT chunk FROM package_chunk WHERE client_id = ${db.client} ORDER BY chunk`,
  )
  // it was taken in, and the process died before it could say so
  if (chunks.length === 0) return await finish(undefined, 'All of it is here.')
  const folder = await mkdtemp(join(tmpdir(), 'zaffer-package-'))
  const file = await open(join(folder, 'package.zip'), 'w+')
  try {
    for (const { chunk } of chunks) {
      const row = await db.one<{ content: Buffer }>(
        sql`SELECT content FROM package_chunk WHERE client_id = ${db.client} AND chunk = ${chunk}`,
      )
      await file.write(row!.content)
    }
    let told = 0
    const { tables } = await db.transaction(async (inside) => {
      if (!(await isEmpty(inside))) throw new JobFailed(NOT_EMPTY)
      const taken = await takeIn(inside, file.fd, async (rows) => {
        if (rows < told + TOLD_EVERY) return
        told = rows
        await step(
          async () => {},
          () => ({ done: rows, message: `${rows.toLocaleString('en')} rows taken in` }),
        )
      })
      await inside.run(sql`DELETE FROM package_chunk WHERE client_id = ${inside.client}`)
      return taken
    })
    const rows = tables.reduce((sum, table) => sum + table.rows, 0)
    await finish(async () => ({ tables }), `${rows.toLocaleString('en')} rows are here.`)
  } finally {
    await file.close()
    await rm(folder, { recursive: true, force: true })
  }
}

/** A package that could not be taken in is of no more use. */
const forgetPackage = (db: ClientDb) => db.run(sql`DELETE FROM package_chunk WHERE client_id = ${db.client}`)

export const takePackageJob = jobModule(PACKAGE_TAKE, takePackage, forgetPackage)
