import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build, chromiumShell, debianPackages, npmPackages } from './steps/packages.mjs'
import { BUILD_FLAGS } from './steps/flags.mjs'
import { say, Stop } from './steps/say.mjs'

const root = fileURLToPath(new URL('..', import.meta.url))
const results = join(root, '.test-data', 'results')
const node = process.execPath
const bin = (name, path) => join(root, 'node_modules', name, path)
const counts = { passed: 0, failed: 0 }

/** Runs a part of the suite and shows what it prints: as it comes, or all of it at the end. */
function run(args, env = {}, isKept = false) {
  return new Promise((resolve) => {
    const stdio = isKept ? ['ignore', 'pipe', 'pipe'] : 'inherit'
    const child = spawn(node, args, { cwd: root, stdio, env: { ...process.env, ...env } })
    for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => child.kill(signal))
    let printed = ''
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (part) => (printed += part))
    child.on('close', (status) => {
      if (isKept) process.stdout.write(printed)
      resolve(status ?? 1)
    })
  })
}

/** Parts that pass or fail as a whole, one after the other; of two that take from one list, each has the next. */
async function wholes(parts) {
  for (let part = parts.shift(); part; part = parts.shift()) {
    const [name, args] = part
    const passed = (await run([...BUILD_FLAGS, ...args], {}, true)) === 0
    say(`${name}: ${passed ? 'passed' : 'failed'}`)
    counts[passed ? 'passed' : 'failed']++
  }
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
  await chromiumShell()
  await npmPackages(root)
  say('Types, lint, layout of the code, who uses whom, beside the build')
  await run([bin('nuxt', 'bin/nuxt.mjs'), 'prepare', '--logLevel', 'silent'], { NUXT_TELEMETRY_DISABLED: '1' })
  const folders = ['core', 'app', 'server', 'shared', 'demo', 'standins']
  const parts = [
    ['Types', [join(root, 'tools/types.mjs')]],
    ['Lint', [bin('eslint', 'bin/eslint.js'), '.']],
    ['Layout', [bin('prettier', 'bin/prettier.cjs'), '--check', '--log-level', 'warn', '.']],
    [
      'Who uses whom',
      [bin('dependency-cruiser', 'bin/dependency-cruise.mjs'), '--config', '.dependency-cruiser.mjs', ...folders],
    ],
  ]
  await Promise.all([wholes(parts), build(root).then(() => wholes(parts))])
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
