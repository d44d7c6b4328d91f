import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { APPLICATION_FLAGS } from '../tools/steps/flags.mjs'
import { freePort } from '../tools/steps/processes.mjs'

/** Starts the built application on the database of the measurements, and waits until it answers. */
export async function startBuilt(): Promise<{ base: string; stop: () => void }> {
  const port = await freePort()
  const base = `http://127.0.0.1:${port}`
  const server = spawn(process.execPath, [...APPLICATION_FLAGS, join(process.cwd(), '.output/server/index.mjs')], {
    env: {
      ...process.env,
      NITRO_PORT: String(port),
      NITRO_HOST: '127.0.0.1',
      NUXT_SESSION_PASSWORD: 'a session password that is long enough',
      ZAFFER_NETWORKS_ADDRESS: 'http://127.0.0.1:9/{network}',
      NODE_ENV: 'production',
    },
    stdio: 'ignore',
  })
  for (let tries = 0; tries < 200 && !(await fetch(`${base}/api/health`).catch(() => undefined))?.ok; tries++)
    await pause(100)
  return { base, stop: () => void server.kill() }
}
