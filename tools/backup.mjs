import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { dump, hashOf } from './steps/dump.mjs'
import { say, Stop } from './steps/say.mjs'

/**
 * Backs everything up, while the application runs:  npm run backup  [-- folder]
 * The folder holds the database and the secrets without which its sealed parts cannot be opened: keep it as you keep
 * the data itself.
 */
const root = fileURLToPath(new URL('..', import.meta.url))
const data = resolve(root, process.env.ZAFFER_DATA ?? '.data')

function databaseUrl() {
  if (process.env.ZAFFER_DATABASE_URL) return process.env.ZAFFER_DATABASE_URL
  const file = join(data, 'database-url')
  if (!existsSync(file)) throw new Stop(`There is no data under ${data}. Name another folder with ZAFFER_DATA.`)
  return readFileSync(file, 'utf8')
}

async function backup(folder) {
  if (existsSync(folder))
    throw new Stop(`${folder} is there already. Name another folder: npm run backup -- /some/folder`)
  const part = `${folder}.part`
  rmSync(part, { recursive: true, force: true })
  mkdirSync(part, { recursive: true, mode: 0o700 })
  say('Writing the database')
  await dump(databaseUrl(), join(part, 'database.sql.gz')).catch((error) => {
    rmSync(part, { recursive: true, force: true })
    throw error instanceof Stop && /connect/i.test(error.message)
      ? new Stop(`The database does not answer. Start the application, then back it up.\n${error.message}`)
      : error
  })
  writeFileSync(join(part, 'secrets.json'), readFileSync(join(data, 'secrets.json')), { mode: 0o600 })
  writeFileSync(
    join(part, 'zaffer-backup.json'),
    JSON.stringify(
      { format: 1, madeAt: new Date().toISOString(), databaseSha256: await hashOf(join(part, 'database.sql.gz')) },
      null,
      2,
    ),
    { mode: 0o600 },
  )
  renameSync(part, folder)
  say(`Backed up into ${folder}`)
}

const stamp = new Date().toISOString().slice(0, 19).replace(/[T:]/g, '-')
backup(resolve(process.argv[2] ?? join(root, 'backups', `zaffer-${stamp}`))).catch((error) => {
  console.error(error instanceof Stop ? error.message : error.stack)
  process.exitCode = 1
})
