import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, openSync, readdirSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { isOurs } from './processes.mjs'
import { Stop } from './say.mjs'

const LEAST_FREE_MB = Number(process.env.ZAFFER_LEAST_FREE_MB ?? 400)

/** Opens the data folder, or says why it cannot be used. */
export function openData(data) {
  const marker = join(data, 'zaffer.json')
  if (existsSync(data) && readdirSync(data).length > 0 && !existsSync(marker)) {
    throw new Stop(`${data} already holds something else. Choose another folder: ZAFFER_DATA=/some/folder npm start`)
  }
  try {
    // the folder is its owner's alone; those above it are as they would be anyway
    mkdirSync(dirname(data), { recursive: true })
    mkdirSync(join(data, 'logs'), { recursive: true, mode: 0o700 })
  } catch (error) {
    throw new Stop(`The data folder ${data} cannot be made: ${error.message}`)
  }
  const { bavail, bsize } = statfsSync(data)
  const freeMb = Math.floor((bavail * bsize) / 1_048_576)
  if (freeMb < LEAST_FREE_MB)
    throw new Stop(
      `The disk under ${data} has only ${freeMb} MB free; at least ${LEAST_FREE_MB} MB are needed. Make ` +
        'room, or choose another folder with ZAFFER_DATA.',
    )
  lock(join(data, 'lock'), data)
  if (!existsSync(marker)) writeFileSync(marker, JSON.stringify({ format: 1 }))
}

function lock(file, data) {
  try {
    writeFileSync(file, String(process.pid), { flag: 'wx' })
  } catch {
    const pid = Number(readFileSync(file, 'utf8'))
    if (pid !== process.pid && isOurs(pid, 'start.mjs'))
      throw new Stop(
        `The application already runs on ${data} (process ${pid}). Stop that one first, or choose another folder with ZAFFER_DATA.`,
      )
    writeFileSync(file, String(process.pid))
  }
  process.on('exit', () => rmSync(file, { force: true }))
}

/** The secrets of this installation; made once, readable by their owner alone. */
export function openSecrets(data) {
  const file = join(data, 'secrets.json')
  const known = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : {}
  const secret = () => randomBytes(24).toString('hex')
  const secrets = {
    database: secret(),
    databaseRoot: secret(),
    seal: secret(),
    session: secret(),
    standins: secret(),
    demo: randomBytes(6).toString('base64url'),
    ...known,
  }
  if (Object.keys(secrets).length !== Object.keys(known).length)
    writeFileSync(file, JSON.stringify(secrets, null, 2), { mode: 0o600 })
  return secrets
}

/** The log file of a process. */
export const logFile = (data) => (name) => openSync(join(data, 'logs', `${name}.log`), 'a')
