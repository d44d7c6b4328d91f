import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { chromiumPath, SHELL } from './chromium.mjs'
import { BUILD_FLAGS } from './flags.mjs'
import { run, tail } from './run.mjs'
import { say, Stop } from './say.mjs'
import { makeOf } from './sources.mjs'

const DEBIAN = [
  { name: 'mariadb-server', present: () => ['/usr/sbin/mariadbd', '/usr/bin/mariadbd'].some(existsSync) },
  { name: 'chromium-headless-shell', present: () => existsSync(chromiumPath()) },
]

const installing = (names) => `apt-get update && apt-get install -y --no-install-recommends ${names.join(' ')}`
async function install(names) {
  say(`Installing ${names.join(' and ')} (takes a minute or two)`)
  return await run('sh', ['-c', installing(names)], { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } })
}

/** Installs the shell of Chromium where only the whole is there; without it everything works too, but takes longer. */
export async function chromiumShell() {
  if (process.env.ZAFFER_CHROMIUM || existsSync(SHELL) || process.getuid?.() !== 0) return
  const done = await install(['chromium-headless-shell'])
  if (done.status !== 0) say('It could not be installed; the whole Chromium is used')
}

/** Installs the Debian packages that are missing, or says which command does. */
export async function debianPackages({ needsDatabase }) {
  const missing = DEBIAN.filter(({ name, present }) => !present() && (needsDatabase || name !== 'mariadb-server')).map(
    ({ name }) => name,
  )
  if (missing.length === 0) return
  const command = installing(missing)
  if (process.getuid?.() !== 0)
    throw new Stop(
      `These packages are missing: ${missing.join(', ')}. Install them as root and start again:\n  ${command}`,
    )
  const done = await install(missing)
  if (done.status !== 0)
    throw new Stop(
      `${missing.join(' and ')} could not be installed:\n${tail(done.stderr, 4)}\nInstall by hand and start again:\n  ${command}`,
    )
}

/** Installs the packages of package-lock.json, unless they are there. */
export const npmPackages = (root) =>
  makeOf(root, ['package-lock.json'], join(root, 'node_modules', '.zaffer-installed'), async () => {
    say('Installing npm packages')
    const done = await run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
      cwd: root,
      env: { ...process.env, PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1' },
    })
    if (done.status !== 0)
      throw new Stop(`The npm packages could not be installed:\n${tail(done.stderr || done.stdout, 8)}`)
  })

const SOURCES = ['app', 'core', 'server', 'shared', 'public', 'nuxt.config.ts', 'package-lock.json', 'tsconfig.json']

/** Builds the application and the programs beside it, unless what is built is of the same sources. */
export async function build(root) {
  await makeOf(root, SOURCES, join(root, '.output', 'sources.sha256'), async () => {
    say('Building the application')
    const nuxt = join(root, 'node_modules', 'nuxt', 'bin', 'nuxt.mjs')
    const done = await run(process.execPath, [...BUILD_FLAGS, nuxt, 'build'], {
      cwd: root,
      env: { ...process.env, NODE_ENV: 'production', NUXT_TELEMETRY_DISABLED: '1' },
    })
    if (done.status !== 0) throw new Stop(`The application could not be built:\n${tail(done.stdout + done.stderr, 25)}`)
  })
  // esbuild is there once the packages are
  const { buildPrograms } = await import('./programs.mjs')
  await buildPrograms(root)
}
