import { spawn } from 'node:child_process'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { Stop } from './say.mjs'

/** A port on which nothing listens. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer().once('error', reject)
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address()
      server.close(() => resolve(port))
    })
  })
}

/** Makes sure that nobody listens on a port yet. */
export function requireFree(port, host) {
  return new Promise((resolve, reject) => {
    const server = createServer().once('error', (error) =>
      reject(
        error.code === 'EADDRINUSE'
          ? new Stop(
              `Something else already listens on ${host}:${port}. Stop it, or choose another port: ZAFFER_PORT=${port + 1} npm start`,
            )
          : new Stop(`${host}:${port} cannot be listened on: ${error.message}`),
      ),
    )
    server.listen(port, host, () => server.close(resolve))
  })
}

/** Whether a process is alive and was started with an argument: a number alone may belong to somebody else by now. */
export function isOurs(pid, argument) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8')
      .split('\0')
      .some((part) => part.includes(argument))
  } catch {
    return false
  }
}

export const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms))

/** Ends a process: asks first, and insists after some seconds. */
export async function end(pid, argument, seconds = 20) {
  for (const [signal, tries] of [
    ['SIGTERM', seconds * 10],
    ['SIGKILL', 50],
  ]) {
    if (!isOurs(pid, argument)) return
    try {
      process.kill(pid, signal)
    } catch {
      return
    }
    for (let tried = 0; tried < tries && isOurs(pid, argument); tried++) await wait(100)
  }
}

/** Keeps track of the processes of one start, so that the next one can clear up after a start that was killed. */
export class Processes {
  #file
  #children = new Map()
  #onExit

  constructor(file, onExit) {
    this.#file = file
    this.#onExit = onExit
  }

  /** Ends what an earlier start has left behind. Returns how many processes that were. */
  async clearUp() {
    if (!existsSync(this.#file)) return 0
    const left = JSON.parse(readFileSync(this.#file, 'utf8') || '[]').filter(({ pid, argument }) =>
      isOurs(pid, argument),
    )
    for (const { pid, argument } of left.reverse()) await end(pid, argument)
    return left.length
  }

  /** Starts a process in a group of its own, so that Ctrl+C reaches it through us and in the right order. */
  start(name, program, args, { env, log, argument }) {
    const child = spawn(program, args, { env, stdio: ['ignore', log, log], detached: true })
    child.on('exit', (code, signal) => {
      if (this.#children.delete(name)) this.#onExit(name, code ?? signal)
    })
    child.on('error', (error) => this.#onExit(name, error.message))
    this.#children.set(name, { child, argument })
    this.#record()
    return child
  }

  #record() {
    writeFileSync(
      this.#file,
      JSON.stringify([...this.#children.values()].map(({ child, argument }) => ({ pid: child.pid, argument }))),
    )
  }

  /** Ends everything, the newest first. */
  async endAll() {
    for (const [name, { child, argument }] of [...this.#children].reverse()) {
      this.#children.delete(name)
      await end(child.pid, argument)
    }
    this.#record()
  }
}
