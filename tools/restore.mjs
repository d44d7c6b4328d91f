import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { openData, openSecrets, logFile } from './steps/data.mjs'
import { startDatabase } from './steps/database.mjs'
import { hashOf, load, statements } from './steps/dump.mjs'
import { debianPackages } from './steps/packages.mjs'
import { Processes } from './steps/processes.mjs'
import { say, Stop } from './steps/say.mjs'

/**
 * Brings a backup back:  npm run restore -- folder  [--replace]
 * The application must not run. The backup is read whole before anything is replaced; without --replace nothing that is
 * there is touched.
 */
const root = fileURLToPath(new URL('..', import.meta.url))
const data = resolve(root, process.env.ZAFFER_DATA ?? '.data')
/** What belongs to the data and moves with it; the passwords of this installation's own database stay. */
const MOVING = ['seal', 'session', 'standins', 'demo']

function named(url, database) {
  const changed = new URL(url)
  changed.pathname = `/${database}`
  return changed.href
}

const tablesOf = (url, database) =>
  statements(
    url,
    `SELECT TABLE_NAME FROM information_schema.TABLES WHERE TABLE_SCHEMA = '${database}' ORDER BY TABLE_NAME`,
  )

async function restore(folder, isReplacing) {
  const about = join(folder, 'zaffer-backup.json')
  if (!existsSync(about)) throw new Stop(`${folder} is no backup: zaffer-backup.json is missing.`)
  const { format, madeAt, databaseSha256 } = JSON.parse(readFileSync(about, 'utf8'))
  if (format !== 1) throw new Stop(`This backup has the format ${format}, which this version does not know.`)
  say('Checking the backup')
  const file = join(folder, 'database.sql.gz')
  if ((await hashOf(file)) !== databaseSha256)
    throw new Stop('The backup is damaged: its database is not the one that was written. Nothing was changed.')
  await debianPackages({ needsDatabase: true })
  openData(data)
  const processes = new Processes(join(data, 'processes.json'), () => {})
  await processes.clearUp()
  const secrets = openSecrets(data)
  const url = process.env.ZAFFER_DATABASE_URL || (await startDatabase({ data, secrets, processes, log: logFile(data) }))
  try {
    const database = new URL(url).pathname.slice(1)
    const isUsed = (await tablesOf(url, database)).length > 0
    if (isUsed && !isReplacing)
      throw new Stop(
        `There is data already. To put the backup of ${madeAt} in its place: npm run restore -- ${folder} --replace`,
      )
    say('Reading the backup in')
    const waiting = `${database}_restoring`
    await statements(
      url,
      `DROP DATABASE IF EXISTS \`${waiting}\`; CREATE DATABASE \`${waiting}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
    )
    await load(named(url, waiting), file)
    const tables = await tablesOf(url, waiting)
    if (!tables.includes('schema_version'))
      throw new Stop('The backup holds no data of this application. Nothing was changed.')
    say('Putting it in its place')
    await statements(
      url,
      [
        `DROP DATABASE IF EXISTS \`${database}\``,
        `CREATE DATABASE \`${database}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
        `RENAME TABLE ${tables.map((table) => `\`${waiting}\`.\`${table}\` TO \`${database}\`.\`${table}\``).join(', ')}`,
        `DROP DATABASE \`${waiting}\``,
      ].join(';'),
    )
    const kept = JSON.parse(readFileSync(join(folder, 'secrets.json'), 'utf8'))
    writeFileSync(
      join(data, 'secrets.json'),
      JSON.stringify(
        { ...secrets, ...Object.fromEntries(MOVING.filter((name) => kept[name]).map((name) => [name, kept[name]])) },
        null,
        2,
      ),
      { mode: 0o600 },
    )
    say(`Restored the backup of ${madeAt}. Start the application with npm start`)
  } finally {
    await processes.endAll()
    rmSync(join(data, 'init.sql'), { force: true })
  }
}

const [folder, ...flags] = process.argv.slice(2)
if (!folder || flags.some((flag) => flag !== '--replace')) {
  console.error('Name the backup: npm run restore -- folder [--replace]')
  process.exit(1)
}
restore(resolve(folder), flags.includes('--replace')).catch((error) => {
  console.error(error instanceof Stop ? error.message : error.stack)
  process.exitCode = 1
})
