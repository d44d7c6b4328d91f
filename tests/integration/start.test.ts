import { createServer } from 'node:net'
import { chmodSync, existsSync, mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { createConnection } from 'mysql2/promise'
import { afterAll, describe, expect, it, vi } from 'vitest'
import { freePort, isOurs } from '../../tools/steps/processes.mjs'
import { forget, root, startApplication, stopApplication, type Application } from '../support/application'

const data = join(root, '.test-data', 'start')
const NOW = '2026-10-29T06:00:00Z'
const WORKER = '.output/programs/server/worker.mjs'
forget(data)
const left: Application[] = []
afterAll(async () => {
  for (const application of left) if (application.child.exitCode === null) await stopApplication(application)
  forget(data)
})

const start = async (env: Record<string, string>, folder = data, uid?: number) => {
  const application = await startApplication(folder, { ZAFFER_NOW: NOW, ...env }, uid)
  left.push(application)
  return application
}
const pids = () => JSON.parse(readFileSync(join(data, 'processes.json'), 'utf8')) as { pid: number; argument: string }[]
const health = async (port: number) => (await fetch(`http://127.0.0.1:${port}/api/health`)).json()

describe('the start command', () => {
  it('starts everything, says where and how to sign in, and stops everything on Ctrl+C', async () => {
    const port = await freePort()
    const application = await start({ ZAFFER_PORT: String(port) })
    expect(application.output()).toMatch(/Loaded the demo/)
    expect(application.output()).toContain(`http://localhost:${port}`)
    expect(application.output()).toMatch(
      /ada@halyardrow\.example +owner[\s\S]+jory@halyardrow\.example +analyst[\s\S]+senara@mossgate\.example +viewer[\s\S]+password/,
    )
    expect(await health(port)).toMatchObject({ ok: true })
    expect(statSync(join(data, 'secrets.json')).mode & 0o777).toBe(0o600)
    const started = pids()
    expect(started.length).toBe(4)
    // the application has room for short-lived rows, and the worker stays small
    const flagsOf = (file: string) =>
      readFileSync(`/proc/${started.find(({ argument }) => argument === file)!.pid}/cmdline`, 'utf8').split('\0')
    expect(flagsOf('.output/server/index.mjs')).toContain('--max-semi-space-size=64')
    expect(flagsOf(WORKER)).toContain('--max-old-space-size=256')
    expect(await stopApplication(application)).toBe(0)
    expect(started.filter(({ pid, argument }) => isOurs(pid, argument))).toEqual([])
  })

  it('starts again within ten seconds, also after a start that was killed', async () => {
    const port = await freePort()
    const killed = await start({ ZAFFER_PORT: String(port) })
    const orphans = pids()
    killed.child.kill('SIGKILL')
    await killed.ended
    expect(orphans.some(({ pid, argument }) => isOurs(pid, argument))).toBe(true)
    const began = Date.now()
    const again = await start({ ZAFFER_PORT: String(port) })
    console.info(`started again after a SIGKILL in ${((Date.now() - began) / 1000).toFixed(1)} s`)
    expect(again.output()).toContain('Cleared up after a start that was killed (4 processes)')
    expect(again.output()).not.toContain('Loaded the demo')
    expect(await health(port)).toMatchObject({ ok: true })

    // the worker alone is started again when it dies; everything else goes on
    const workerOf = () => pids().find(({ argument }) => argument === WORKER)!.pid
    const dead = workerOf()
    process.kill(dead, 'SIGKILL')
    await vi.waitFor(() => expect(workerOf()).not.toBe(dead), { timeout: 20_000, interval: 100 })
    expect(again.output()).toContain('The worker ended (SIGKILL); it is started again in 1 s.')
    expect(isOurs(workerOf(), WORKER)).toBe(true)
    expect(await health(port)).toMatchObject({ ok: true })

    // what an earlier version, or somebody, has left open is shut at the next start
    const { databaseRoot: password } = JSON.parse(readFileSync(join(data, 'secrets.json'), 'utf8')) as {
      databaseRoot: string
    }
    const asRoot = await createConnection({ socketPath: join(data, 'mariadb.sock'), user: 'root', password })
    await asRoot.query("CREATE USER 'intruder'@'%'")
    await asRoot.query("GRANT ALL ON *.* TO 'intruder'@'%'")
    await asRoot.end()

    const second = await start({ ZAFFER_PORT: String(await freePort()) })
    expect(await second.ended).toBe(1)
    expect(second.output()).toContain('already runs on')
    expect(await stopApplication(again)).toBe(0)
  })

  it('says what is in its way, and ends with an error', async () => {
    const port = await freePort()
    const somebody = createServer().listen(port, '127.0.0.1')
    const taken = await start({ ZAFFER_PORT: String(port) })
    expect(await taken.ended).toBe(1)
    expect(taken.output()).toContain(`Something else already listens on 127.0.0.1:${port}`)
    somebody.close()

    const foreign = `${data}-foreign`
    mkdirSync(foreign, { recursive: true })
    writeFileSync(join(foreign, 'precious.txt'), 'mine')
    const refused = await start({ ZAFFER_PORT: String(port) }, foreign)
    expect(await refused.ended).toBe(1)
    expect(refused.output()).toContain('already holds something else')
    expect(existsSync(join(foreign, 'mariadb'))).toBe(false)
    forget(foreign)

    const full = await start({ ZAFFER_PORT: String(port), ZAFFER_LEAST_FREE_MB: '999999999' })
    expect(await full.ended).toBe(1)
    expect(full.output()).toMatch(/has only \d+ MB free; at least 999999999 MB are needed/)

    const bare = `${data}-bare`
    mkdirSync(bare, { recursive: true, mode: 0o777 })
    chmodSync(bare, 0o777)
    const unprivileged = await start({ ZAFFER_PORT: String(port), ZAFFER_CHROMIUM: '/nowhere/chromium' }, bare, 65534)
    expect(await unprivileged.ended).toBe(1)
    expect(unprivileged.output()).toContain(
      'These packages are missing: chromium-headless-shell. Install them as root and start again:\n  apt-get update && apt-get install -y',
    )
    forget(bare)

    const confused = await start({ ZAFFER_PORT: '99999' })
    expect(await confused.ended).toBe(1)
    expect(confused.output()).toContain('ZAFFER_PORT is not a port')
    const timeless = await start({ ZAFFER_PORT: String(port), ZAFFER_NOW: 'soon' })
    expect(await timeless.ended).toBe(1)
    expect(timeless.output()).toContain('ZAFFER_NOW is not a time')
    const trusting = await start({ ZAFFER_PORT: String(port), ZAFFER_TRUSTED_PROXY: '10.0.0.0/8, everybody' })
    expect(await trusting.ended).toBe(1)
    expect(trusting.output()).toContain('ZAFFER_TRUSTED_PROXY names “everybody”')
  })

  it('does not let the demo people in at another address than loopback', async () => {
    const port = await freePort()
    const open = await start({ ZAFFER_PORT: String(port), ZAFFER_HOST: '0.0.0.0' })
    expect(open.output()).toContain('the demo people cannot sign in here')
    const { databaseRoot: password } = JSON.parse(readFileSync(join(data, 'secrets.json'), 'utf8')) as {
      databaseRoot: string
    }
    const asRoot = await createConnection({ socketPath: join(data, 'mariadb.sock'), user: 'root', password })
    expect((await asRoot.query("SELECT User FROM mysql.global_priv WHERE User = 'intruder'"))[0]).toEqual([])
    await asRoot.end()
    const { demo } = JSON.parse(readFileSync(join(data, 'secrets.json'), 'utf8')) as { demo: string }
    expect(open.output()).not.toContain(demo)
    const answer = await fetch(`http://127.0.0.1:${port}/api/session`, {
      method: 'POST',
      body: JSON.stringify({ email: 'ada@halyardrow.example', password: demo }),
      headers: { 'content-type': 'application/json', 'origin': `http://127.0.0.1:${port}` },
    })
    expect(answer.status).toBe(401)
    expect(await stopApplication(open)).toBe(0)
  })
})
