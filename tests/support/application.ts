import { spawn, type ChildProcess } from 'node:child_process'
import { readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = fileURLToPath(new URL('../..', import.meta.url))

/** An application that was started with the start command. */
export interface Application {
  child: ChildProcess
  output: () => string
  /** Resolves with the exit code. */
  ended: Promise<number | null>
}

/** Runs `npm start`'s script with its own data folder and waits until it is ready, or has ended. */
export async function startApplication(
  data: string,
  env: Record<string, string>,
  uid?: number,
  args: string[] = [],
): Promise<Application> {
  const child = spawn(process.execPath, [join(root, 'tools/start.mjs'), ...args], {
    cwd: root,
    env: { ...process.env, ZAFFER_DATA: data, ...env },
    uid,
  })
  let output = ''
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (part: Buffer) => (output += part.toString()))
  const ended = new Promise<number | null>((resolve) => child.on('close', (code) => resolve(code)))
  const isReady = new Promise<void>((resolve) => child.stdout.on('data', () => output.includes('Ctrl+C') && resolve()))
  await Promise.race([isReady, ended])
  return { child, output: () => output, ended }
}

/** Stops it as Ctrl+C does. */
export async function stopApplication({ child, ended }: Application): Promise<number | null> {
  child.kill('SIGINT')
  return await ended
}

/** The password of the demo people. */
export const demoPassword = (data: string): string =>
  (JSON.parse(readFileSync(join(data, 'secrets.json'), 'utf8')) as { demo: string }).demo

/** Removes a data folder. */
export const forget = (data: string) => rmSync(data, { recursive: true, force: true })
