import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import type { Pool } from 'mysql2/promise'
import { seal } from '../server/platform/people/secrets'
import { connectorFor } from '../server/gather/connectors/connectorFor'
import { enqueue } from '../server/platform/jobs/queue'
import { runNextJob } from '../server/jobs'
import { clientDbForJob } from '../server/platform/database/clientDb'
import { tokensFor } from '../standins/networks'
import { programOf } from '../tools/steps/flags.mjs'
import { freePort } from '../tools/steps/processes.mjs'
import { medians, ms, report, times } from './measure'
import { SYNC } from '../server/gather/sync/jobs'

const REMOTE = { network: 'lantern', id: '30190044716520831' }
const END = '2026-10-28'
const settings = { secret: 'secret of the stand-ins', now: () => Date.now() }

/** Starts the stand-in networks as the start command does, in a process of their own, and waits until they answer. */
async function startStandins(): Promise<{ stop: () => void }> {
  const port = await freePort()
  const standins = spawn(process.execPath, [join(process.cwd(), programOf('standins/serve.ts'))], {
    env: {
      ...process.env,
      ZAFFER_STANDINS_PORT: String(port),
      ZAFFER_STANDINS_SECRET: settings.secret,
      ZAFFER_STANDINS_RATE: '100000',
      ZAFFER_WORLD_ANCHOR: END,
    },
    stdio: ['ignore', 'ignore', 'inherit'],
  })
  process.env.ZAFFER_NETWORKS_ADDRESS = `http://127.0.0.1:${port}/{network}`
  for (let tries = 0; !(await fetch(`http://127.0.0.1:${port}/health`).catch(() => undefined))?.ok; tries++) {
    if (tries === 200) {
      standins.kill()
      throw new Error('the stand-in networks do not answer')
    }
    await pause(50)
  }
  return { stop: () => void standins.kill() }
}

/**
 * The sync of a profile's 400 days and posts and breakdowns, beside reading the same pages from the stand-in and doing nothing with
 * them.
 */
export async function benchSync(pool: Pool): Promise<void> {
  const { stop } = await startStandins()
  try {
    await measured(pool)
  } finally {
    stop()
  }
}

async function measured(pool: Pool): Promise<void> {
  const { access_token: access, refresh_token: refresh } = tokensFor(REMOTE.network, REMOTE.id, settings)
  const tokens = { access, refresh, until: Date.now() + 3_000_000 }
  await pool.query("INSERT INTO agency (name) VALUES ('sync')")
  const client = (
    (
      await pool.query(
        "INSERT INTO client (agency_id, slug, name, time_zone) VALUES (LAST_INSERT_ID(), 'sync', 'sync', 'Europe/London')",
      )
    )[0] as { insertId: number }
  ).insertId
  const db = await clientDbForJob(client)
  const profile = (
    (
      await pool.query(
        'INSERT INTO profile (client_id, network, handle, name, remote_id, consent) VALUES (?, ?, ?, ?, ?, ?)',
        [client, REMOTE.network, 'x', 'x', REMOTE.id, 'given'],
      )
    )[0] as { insertId: number }
  ).insertId

  await pool.query('INSERT INTO connection (client_id, connector, profile_id, credentials) VALUES (?, ?, ?, ?)', [
    client,
    REMOTE.network,
    profile,
    seal(JSON.stringify(tokens)),
  ])

  const { figures, posts, breakdowns } = connectorFor({
    connector: REMOTE.network,
    remoteId: REMOTE.id,
    credentials: { tokens, keep: () => Promise.resolve() },
  })
  const { alone, whole } = await medians(5, {
    alone: async () => {
      for (const ask of [figures!, posts!, breakdowns!]) {
        let next: string | undefined = '2025-09-24'
        while (next) next = (await ask(next)).next
      }
    },
    whole: async () => {
      await pool.query('DELETE FROM profile_day')
      await pool.query('DELETE FROM post')
      await pool.query('DELETE FROM profile_day_breakdown')
      await pool.query('DELETE FROM sync_cursor')
      await enqueue(db, SYNC, profile, {})
      await runNextJob()
    },
  })
  report(
    'Sync of 400 days of a profile, with its posts',
    { 'sync': ms(whole), 'the stand-in alone': ms(alone), 'rate': times(alone / whole) },
    { text: 'at least half the rate of the stand-in', met: whole <= 2 * alone },
  )
}
