import { mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { afterAll, beforeEach, describe, expect, it } from 'vitest'
import { logFile, openData, openSecrets } from '../../tools/steps/data.mjs'
import { end, freePort, isOurs, Processes, requireFree } from '../../tools/steps/processes.mjs'
import { run, tail } from '../../tools/steps/run.mjs'
import { root } from '../support/application'

const data = join(root, '.test-data', 'tools')
beforeEach(() => {
  rmSync(data, { recursive: true, force: true })
  mkdirSync(join(data, 'logs'), { recursive: true })
})
afterAll(() => rmSync(data, { recursive: true, force: true }))

describe('a new data folder', () => {
  it('is its owner’s alone, and leaves the folders above it open', () => {
    const made = join(data, 'above', 'data')
    openData(made)
    expect([made, join(data, 'above')].map((folder) => statSync(folder).mode & 0o777)).toEqual([
      0o700,
      0o777 & ~process.umask(),
    ])
    expect(() => openData(join(data, 'above'))).toThrow('already holds something else')
  })
})

describe('the secrets of an installation', () => {
  it('are made once, differ from each other, and are nobody else’s to read', () => {
    const made = openSecrets(data)
    expect(openSecrets(data)).toEqual(made)
    expect(new Set(Object.values(made)).size).toBe(Object.keys(made).length)
    expect(statSync(join(data, 'secrets.json')).mode & 0o777).toBe(0o600)
  })

  it('are added to when a newer version needs more', () => {
    writeFileSync(join(data, 'secrets.json'), JSON.stringify({ seal: 'kept' }))
    const { seal, session } = openSecrets(data) as Record<string, string>
    expect(seal).toBe('kept')
    expect(session!.length).toBeGreaterThan(20)
  })
})

describe('ports', () => {
  it('are free, or somebody is named who has them', async () => {
    const port = await freePort()
    await requireFree(port, '127.0.0.1')
    const somebody = createServer().listen(port, '127.0.0.1')
    await new Promise((resolve) => somebody.once('listening', resolve))
    await expect(requireFree(port, '127.0.0.1')).rejects.toThrow(`ZAFFER_PORT=${port + 1} npm start`)
    somebody.close()
  })
})

describe('processes', () => {
  const sleeper = ['-e', 'setInterval(() => {}, 1000)', 'a-mark-of-ours']

  it('are ended in the end, and cleared up after a start that was killed', async () => {
    const file = join(data, 'processes.json')
    const first = new Processes(file, () => {})
    const child = first.start('a sleeper', process.execPath, sleeper, {
      env: process.env,
      log: logFile(data)('sleeper'),
      argument: 'a-mark-of-ours',
    })
    expect(isOurs(child.pid!, 'a-mark-of-ours')).toBe(true)
    expect(isOurs(child.pid!, 'somebody else’s mark')).toBe(false)
    // the first is forgotten, as if it had been killed
    expect(await new Processes(file, () => {}).clearUp()).toBe(1)
    expect(isOurs(child.pid!, 'a-mark-of-ours')).toBe(false)
    expect(await new Processes(file, () => {}).clearUp()).toBe(0)
  })

  it('say so when one ends by itself, and not when it was ended', async () => {
    const ended: [string, unknown][] = []
    const processes = new Processes(join(data, 'processes.json'), (name: string, code: unknown) =>
      ended.push([name, code]),
    )
    const child = processes.start('short', process.execPath, ['-e', 'process.exit(3)'], {
      env: process.env,
      log: logFile(data)('short'),
      argument: 'x',
    })
    await new Promise((resolve) => child.once('close', resolve))
    expect(ended).toEqual([['short', 3]])
    processes.start('long', process.execPath, sleeper, {
      env: process.env,
      log: logFile(data)('long'),
      argument: 'a-mark-of-ours',
    })
    await processes.endAll()
    expect(ended.length).toBe(1)
    expect(JSON.parse(readFileSync(join(data, 'processes.json'), 'utf8'))).toEqual([])
  })

  it('that do not listen are made to', async () => {
    const stubborn = new Processes(join(data, 'processes.json'), () => {})
    const child = stubborn.start(
      'stubborn',
      process.execPath,
      ['-e', "process.on('SIGTERM', () => {}); setInterval(() => {}, 1000)", 'a-stubborn-mark'],
      { env: process.env, log: logFile(data)('stubborn'), argument: 'a-stubborn-mark' },
    )
    await new Promise((resolve) => setTimeout(resolve, 300))
    await end(child.pid, 'a-stubborn-mark', 1)
    expect(isOurs(child.pid!, 'a-stubborn-mark')).toBe(false)
  })

  it('give their exit code and what they printed', async () => {
    expect(await run(process.execPath, ['-e', "console.log('out'); console.error('err'); process.exit(4)"])).toEqual({
      status: 4,
      stdout: 'out\n',
      stderr: 'err\n',
    })
    expect(await run('/nowhere/program', [])).toMatchObject({ status: -1 })
    expect(tail('a\nb\nc\n', 2)).toBe('b\nc')
  })
})
