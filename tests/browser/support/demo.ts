import { cpSync } from 'node:fs'
import { join } from 'node:path'
import { wait } from '../../../tools/steps/processes.mjs'
import type { ScopeDescription } from '../../../shared/figures/description'
import {
  demoPassword,
  forget,
  root,
  startApplication,
  stopApplication,
  type Application,
} from '../../support/application'

/** The moment at which the demo stands still. */
const NOW = '2026-10-29T06:00:00Z'
const made = join(root, '.test-data', 'browser-demo')

/** Waits until the newest days of every client are fetched: figures that still move are nothing to compare. */
async function untilSynced(address: string, password: string): Promise<void> {
  const headers = { 'origin': address, 'content-type': 'application/json' }
  const body = JSON.stringify({ email: 'ada@halyardrow.example', password })
  const signedIn = await fetch(`${address}/api/session`, { method: 'POST', headers, body })
  const cookie = signedIn.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ')
  const ask = async <T>(path: string) =>
    (await (await fetch(`${address}/api/${path}`, { headers: { cookie } })).json()) as T
  const { clients } = await ask<{ clients: { slug: string }[] }>('session')
  const left = async (slug: string) => {
    const { writing, profiles, lastComplete } = await ask<ScopeDescription>(`clients/${slug}/scope`)
    return writing + profiles.filter(({ syncedTo }) => syncedTo && syncedTo < lastComplete).length
  }
  const until = Date.now() + 200_000
  for (const { slug } of clients)
    while ((await left(slug)) > 0) {
      if (Date.now() > until) throw new Error(`${slug} is still being fetched`)
      await wait(200)
    }
}

async function start(data: string, port: number): Promise<{ application: Application; password: string }> {
  const application = await startApplication(data, { ZAFFER_PORT: `${port}`, ZAFFER_NOW: NOW })
  if (!application.output().includes('Ready'))
    throw new Error(`The application did not start:\n${application.output()}`)
  const password = demoPassword(data)
  await untilSynced(`http://localhost:${port}`, password)
  return { application, password }
}

/** Makes the demo once, with its newest days fetched, for each worker to copy. */
export async function makeDemo(port: number): Promise<void> {
  forget(made)
  const { application } = await start(made, port)
  await stopApplication(application)
}

/** An application of a worker's own on a copy of the demo, so that two of them do not see what the other does. */
export async function startDemo(name: string, port: number): Promise<{ application: Application; password: string }> {
  const data = join(root, '.test-data', name)
  forget(data)
  cpSync(made, data, { recursive: true })
  return await start(data, port)
}
