import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { expect, vi } from 'vitest'
import { APPLICATION_FLAGS } from '../../../tools/steps/flags.mjs'
import { freePort } from '../../../tools/steps/processes.mjs'
import { root } from '../../support/application'

/** The built application, as the start command starts it. */
export interface Server {
  base: string
  pid: number
  stop: () => void
}

/** Starts the built application on a database, and waits until it answers. */
export async function startServer(databaseUrl: string, env: Record<string, string> = {}): Promise<Server> {
  const port = await freePort()
  const base = `http://127.0.0.1:${port}`
  const child = spawn(process.execPath, [...APPLICATION_FLAGS, join(root, '.output/server/index.mjs')], {
    env: {
      ...process.env,
      ZAFFER_DATABASE_URL: databaseUrl,
      NITRO_PORT: String(port),
      NITRO_HOST: '127.0.0.1',
      NUXT_SESSION_PASSWORD: 'a session password that is long enough',
      ZAFFER_NETWORKS_ADDRESS: 'http://127.0.0.1:9/{network}',
      NODE_ENV: 'production',
      ...env,
    },
    stdio: 'ignore',
  })
  await vi.waitFor(async () => expect((await fetch(`${base}/api/health`)).status).toBe(200), { timeout: 20_000 })
  return { base, pid: child.pid!, stop: () => void child.kill() }
}

/** The cookies that an answer sets, as a browser sends them back. */
export const cookiesOf = (answer: Response): string =>
  answer.headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0])
    .join('; ')
