import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build, debianPackages, npmPackages } from './steps/packages.mjs'
import { say, Stop } from './steps/say.mjs'

const root = fileURLToPath(new URL('..', import.meta.url))
const results = join(root, '.test-data', 'results')
const node = process.execPath
const bin = (name, path) => join(root, 'node_modules', name, path)
const counts = { passed: 0, failed: 0 }

/** Runs a part of the suite and shows what it prints. */
function run(args, env = {}) {
  return new Promise((resolve) => {
    const child = spawn(node, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
    for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => child.kill(signal))
    child.on('close', (status) => resolve(status ?? 1))
  })
}

/** A part that passes or fails as a whole. */
async function whole(name, args, env) {
  say(name)
  const passed = (await run(args, env)) === 0
  counts[passed ? 'passed' : 'failed']++
}

/** A part that counts its tests itself; one that breaks before it has counted is a failure. */
async function counted(name, args, file, read, env) {
  say(name)
  rmSync(file, { force: true })
  const status = await run(args, env)
  const { passed, failed } = existsSync(file) ? read(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 0 }
  counts.passed += passed
  counts.failed += failed === 0 && status !== 0 ? 1 : failed
}

try {
  mkdirSync(results, { recursive: true })
  await debianPackages({ needsDatabase: true })
  await npmPackages(root)
  await build(root)
  say('Types')
  await run([bin('nuxt', 'bin/nuxt.mjs'), 'prepare', '--logLevel', 'silent'], { NUXT_TELEMETRY_DISABLED: '1' })
  await whole('Types: every file', [bin('vue-tsc', 'bin/vue-tsc.js'), '-b'])
  await whole('Lint', [bin('eslint', 'bin/eslint.js'), '.'])
  await whole('Layout of the code', [bin('prettier', 'bin/prettier.cjs'), '--check', '--log-level', 'warn', '.'])
  await whole('Who uses whom', [
    bin('dependency-cruiser', 'bin/dependency-cruise.mjs'),
    '--config',
    '.dependency-cruiser.mjs',
    ...['core', 'app', 'server', 'shared', 'demo', 'standins'],
  ])
  const vitest = join(results, 'vitest.json')
  await counted(
    'Unit tests, external checks, integration',
    [bin('vitest', 'vitest.mjs'), 'run', '--reporter=dot', '--reporter=json', `--outputFile.json=${vitest}`],
    vitest,
    ({ numPassedTests, numFailedTests }) => ({ passed: numPassedTests, failed: numFailedTests }),
  )
  const browser = join(results, 'browser.json')
  await counted(
    'Browser tests',
    [bin('@playwright/test', 'cli.js'), 'test'],
    browser,
    ({ stats }) => ({ passed: stats.expected + stats.flaky, failed: stats.unexpected }),
    { PLAYWRIGHT_JSON_OUTPUT_NAME: browser },
  )
} catch (error) {
  console.error(error instanceof Stop ? error.message : error)
  counts.failed++
}
console.log(`${counts.passed} passed, ${counts.failed} failed`)
process.exit(counts.failed > 0 || counts.passed === 0 ? 1 : 0)
