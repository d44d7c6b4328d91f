import { randomBytes } from 'node:crypto'
import { isIP } from 'node:net'
import { resolve, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { existsSync, rmSync, writeFileSync } from 'node:fs'
import { chromiumPath } from './steps/chromium.mjs'
import { build, debianPackages, npmPackages } from './steps/packages.mjs'
import { startDatabase } from './steps/database.mjs'
import { logFile, openData, openSecrets } from './steps/data.mjs'
import { APPLICATION_FLAGS, programOf, WORKER_FLAGS } from './steps/flags.mjs'
import { freePort, Processes, requireFree, wait } from './steps/processes.mjs'
import { endRunning, run } from './steps/run.mjs'
import { say, Stop } from './steps/say.mjs'

const root = fileURLToPath(new URL('..', import.meta.url))
const unknown = process.argv.slice(2).filter((argument) => argument !== '--empty')
/** Whether an agency of one's own is begun, without the demo. It has a folder of its own, so that the demo stays. */
const isEmpty = process.argv.includes('--empty')
const data = resolve(root, process.env.ZAFFER_DATA ?? (isEmpty ? '.data-empty' : '.data'))
const port = Number(process.env.ZAFFER_PORT ?? 4310)
const host = process.env.ZAFFER_HOST ?? '127.0.0.1'
const isLoopback = ['127.0.0.1', '::1', 'localhost'].includes(host)

let isStopping = false
const WORKER = 'the worker'
/** How long a worker has to live to count as well, and how long the pause before the next one can grow, in seconds. */
const [WELL_AFTER, LONGEST_PAUSE] = [300, 60]
let startWorker = () => {}
let workerEnds = 0
let workerBegan = 0

/**
 * What the worker does can wait: when it ends, everything else goes on, and it is started again after a pause that
 * grows while it keeps ending.
 */
async function restartWorker(code) {
  if (Date.now() - workerBegan > WELL_AFTER * 1000) workerEnds = 0
  const pause = Math.min(LONGEST_PAUSE, 2 ** workerEnds++)
  say(`The worker ended (${code}); it is started again in ${pause} s. Its log is ${join(data, 'logs', 'worker.log')}`)
  await wait(pause * 1000)
  if (!isStopping) startWorker()
}

const processes = new Processes(join(data, 'processes.json'), (name, code) => {
  if (isStopping) return
  if (name === WORKER) return void restartWorker(code)
  console.error(`\n${name[0].toUpperCase()}${name.slice(1)} ended (${code}). Its log is in ${join(data, 'logs')}.`)
  void stop(1)
})

async function stop(code) {
  if (isStopping) return
  isStopping = true
  say('Stopping')
  endRunning()
  await processes.endAll()
  process.exit(code)
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0))

async function waitFor(url, what, name) {
  for (let tried = 0; tried < 300; tried++) {
    if (isStopping) return
    const answer = await fetch(url, { signal: AbortSignal.timeout(2000) }).catch(() => undefined)
    if (answer?.ok) return
    await wait(100)
  }
  throw new Stop(`${what} does not answer. Its log is ${join(data, 'logs', `${name}.log`)}.`)
}

/** Whether a text is an address of the network, or a range of them. */
function isRange(text) {
  const [address, bits, more] = text.split('/')
  const family = isIP(address)
  return (
    family > 0 &&
    more === undefined &&
    (bits === undefined || (/^\d{1,3}$/.test(bits) && Number(bits) <= (family === 4 ? 32 : 128)))
  )
}

async function start() {
  if (Number(process.versions.node.split('.')[0]) < 20)
    throw new Stop(`Node 20 or newer is needed; this is ${process.version}.`)
  if (unknown.length > 0)
    throw new Stop(
      `There is no “${unknown[0]}”. npm start begins with the demo, npm start -- --empty with an agency of your own.`,
    )
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Stop(`ZAFFER_PORT is not a port: ${process.env.ZAFFER_PORT}`)
  if (process.env.ZAFFER_NOW && Number.isNaN(Date.parse(process.env.ZAFFER_NOW)))
    throw new Stop(`ZAFFER_NOW is not a time: ${process.env.ZAFFER_NOW}`)
  const proxy = (process.env.ZAFFER_TRUSTED_PROXY ?? '')
    .split(',')
    .map((part) => part.trim())
    .find((part) => part !== '' && !isRange(part))
  if (proxy)
    throw new Stop(`ZAFFER_TRUSTED_PROXY names “${proxy}”, which is no address and no range such as 10.0.0.0/8.`)
  openData(data)
  const left = await processes.clearUp()
  if (left > 0) say(`Cleared up after a start that was killed (${left} processes)`)
  await requireFree(port, host)
  const ownDatabase = !process.env.ZAFFER_DATABASE_URL
  await debianPackages({ needsDatabase: ownDatabase })
  await npmPackages(root)
  await build(root)

  const secrets = openSecrets(data)
  const log = logFile(data)
  const databaseUrl = process.env.ZAFFER_DATABASE_URL || (await startDatabase({ data, secrets, processes, log }))
  writeFileSync(join(data, 'database-url'), databaseUrl, { mode: 0o600 })
  const standinsPort = await freePort()
  const beginKey = randomBytes(18).toString('base64url')
  const env = {
    ...process.env,
    NODE_ENV: 'production',
    ZAFFER_DATABASE_URL: databaseUrl,
    ZAFFER_CHROMIUM: chromiumPath(),
    ZAFFER_SECRET: secrets.seal,
    ZAFFER_STANDINS_SECRET: secrets.standins,
    ZAFFER_STANDINS_PORT: String(standinsPort),
    ZAFFER_STANDINS_FILE: join(data, 'given-posts.jsonl'),
    ZAFFER_NETWORKS_ADDRESS: `http://127.0.0.1:${standinsPort}/{network}`,
    ZAFFER_SITES_ADDRESS: `http://127.0.0.1:${standinsPort}/sites`,
    ZAFFER_DEMO_PASSWORD: secrets.demo,
    ZAFFER_APP_URL: `http://127.0.0.1:${port}`,
    NITRO_HOST: host,
    NITRO_PORT: String(port),
    NUXT_SESSION_PASSWORD: secrets.session,
    ZAFFER_HOST: host,
    ZAFFER_BEGIN_KEY: beginKey,
    ...(isEmpty && { ZAFFER_DEMO: 'no' }),
    ...(ownDatabase && { ZAFFER_DATABASE_FOLDER: data }),
  }
  say('Bringing the database up to date')
  const setup = await run(process.execPath, [join(root, programOf('tools/setup.ts'))], { cwd: root, env })
  if (setup.status !== 0)
    throw new Stop(
      `The database could not be brought up to date:\n${setup.stderr.trim().split('\n').slice(0, 12).join('\n')}`,
    )
  const { loaded, isUnnamed, anchor, people } = JSON.parse(setup.stdout.trim().split('\n').at(-1))
  if (loaded) say('Loaded the demo: three clients with two years of figures')

  say('Starting the stand-in networks, the worker and the application')
  const node = (name, file, logName, extra = {}, flags = []) =>
    processes.start(name, process.execPath, [...flags, join(root, file)], {
      env: { ...env, ...extra },
      log: log(logName),
      argument: file,
    })
  node('the stand-in networks', programOf('standins/serve.ts'), 'standins', { ZAFFER_WORLD_ANCHOR: anchor })
  await waitFor(`http://127.0.0.1:${standinsPort}/health`, 'The stand-in networks', 'standins')
  node('the application', '.output/server/index.mjs', 'application', {}, APPLICATION_FLAGS)
  await waitFor(
    `http://${host.includes(':') ? `[${host}]` : host === '0.0.0.0' ? '127.0.0.1' : host}:${port}/api/health`,
    'The application',
    'application',
  )
  startWorker = () => {
    workerBegan = Date.now()
    node(WORKER, programOf('server/worker.ts'), 'worker', {}, WORKER_FLAGS)
  }
  startWorker()
  say('Ready')
  console.log(`\n  Zaffer   http://${isLoopback ? 'localhost' : host}:${port}\n`)
  if (isUnnamed) {
    console.log('  There is no agency yet. Name it, and yourself as its owner, here:')
    console.log(`    http://${isLoopback ? 'localhost' : host}:${port}/begin?key=${beginKey}\n`)
    console.log('  The networks are stand-ins with made-up profiles: add, for instance, @thornapplepark on Tintype.\n')
  } else if (isLoopback && people.length > 0) {
    console.log('  Demo login, the same password for all three:')
    for (const { email, role } of people) console.log(`    ${email.padEnd(26)} ${role}`)
    console.log(`    password  ${secrets.demo}\n`)
  } else if (people.length > 0) {
    console.log('  This address is not loopback, so the demo people cannot sign in here.')
    console.log('  Add a person of your own: npm run person -- add you@company.example "Your Name" owner\n')
  }
  console.log('  Ctrl+C stops everything.')
}

start().catch(async (error) => {
  if (isStopping) return
  console.error(
    `\n${error instanceof Stop ? error.message : error.code === 'ENOSPC' ? 'The disk is full. Make room and start again.' : error.stack}`,
  )
  // where the folder cannot even be looked into, there is nothing of ours in it
  if (existsSync(join(data, 'init.sql'))) rmSync(join(data, 'init.sql'))
  isStopping = true
  await processes.endAll().catch(() => {})
  process.exit(1)
})
