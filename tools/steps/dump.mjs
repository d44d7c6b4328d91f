import { spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import { createReadStream, createWriteStream } from 'node:fs'
import { pipeline } from 'node:stream/promises'
import { createGunzip, createGzip } from 'node:zlib'
import { Stop } from './say.mjs'

/**
 * How the database's own programs reach it. The password goes by the environment: a command line can be read by others.
 */
function reach(url) {
  const { hostname, port, username, password, pathname } = new URL(url)
  return {
    args: [
      '--no-defaults',
      '--protocol=tcp',
      `-h${hostname}`,
      `-P${port || 3306}`,
      `-u${decodeURIComponent(username)}`,
      '--default-character-set=utf8mb4',
    ],
    env: { ...process.env, MYSQL_PWD: decodeURIComponent(password) },
    database: pathname.slice(1),
  }
}

/** Runs a program with something flowing in or out of it. What it says when it fails is the problem. */
async function through(program, args, env, flow) {
  const child = spawn(program, args, { env, stdio: ['pipe', 'pipe', 'pipe'] })
  let said = ''
  child.stderr.on('data', (part) => (said += part))
  const ended = new Promise((resolve) => {
    child.on('error', (error) => resolve(error.message))
    child.on('close', (code) => resolve(code))
  })
  const [flown, code] = await Promise.all([
    flow(child).then(
      () => undefined,
      (error) => error,
    ),
    ended,
  ])
  if (code !== 0) throw new Stop(`${program} failed (${code}):\n${said.trim().split('\n').slice(-4).join('\n')}`)
  if (flown) throw flown
}

/** Writes the whole database into a compressed file, as it is at one moment, while it is in use. */
export async function dump(url, file) {
  const { args, env, database } = reach(url)
  await through(
    'mariadb-dump',
    [
      ...args,
      '--single-transaction',
      '--quick',
      '--skip-lock-tables',
      '--hex-blob',
      '--no-tablespaces',
      '--skip-comments',
      database,
    ],
    env,
    (child) => {
      child.stdin.end()
      return pipeline(child.stdout, createGzip(), createWriteStream(file, { mode: 0o600 }))
    },
  )
}

/** Reads such a file into a database. */
export async function load(url, file) {
  const { args, env, database } = reach(url)
  await through('mariadb', [...args, database], env, (child) => {
    child.stdout.resume()
    return pipeline(createReadStream(file), createGunzip(), child.stdin)
  })
}

/** Runs statements. Gives what they print, a line a row. */
export async function statements(url, text) {
  const { args, env } = reach(url)
  let printed = ''
  await through('mariadb', [...args, '--batch', '--skip-column-names', '-e', text], env, async (child) => {
    child.stdin.end()
    for await (const part of child.stdout) printed += part
  })
  return printed.trim() === '' ? [] : printed.trim().split('\n')
}

/** The SHA-256 of a file. */
export async function hashOf(file) {
  const hash = createHash('sha256')
  await pipeline(createReadStream(file), hash)
  return hash.digest('hex')
}
