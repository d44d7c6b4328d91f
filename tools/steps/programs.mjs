import { rmSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { build as bundle } from 'esbuild'
import { PROGRAMS_FOLDER } from './flags.mjs'
import { makeOf } from './sources.mjs'

/** What runs beside the application: processes of their own, and what their threads work out. */
const PROGRAMS = [
  'server/worker.ts',
  'server/aloneProcess.ts',
  'server/compare/habits/habitsThread.ts',
  'server/read/times/liftsThread.ts',
  'standins/serve.ts',
  'tools/setup.ts',
]
const SOURCES = ['core', 'demo', 'server', 'shared', 'standins', 'tools', 'package-lock.json']

/** Keeps the address of each module what it is in the sources, since files are looked for beside it. */
const addresses = {
  name: 'addresses',
  setup: ({ onLoad }) =>
    onLoad(
      { filter: /\/(?:bench|core|demo|server|shared|standins|tests|tools)\/.*\.(?:ts|mjs)$/ },
      async ({ path }) => ({
        contents: (await readFile(path, 'utf8')).replaceAll(
          'import.meta.url',
          JSON.stringify(pathToFileURL(path).href),
        ),
        loader: 'ts',
      }),
    ),
}

/**
 * How sources are made into one file that Node runs as it is.
 *
 * @type {import('esbuild').BuildOptions}
 */
export const BUNDLING = {
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  plugins: [addresses],
  logLevel: 'warning',
}

/** Bundles the programs, which then begin in a third of the time, unless those that are there are of the same sources. */
export async function buildPrograms(root) {
  const folder = join(root, PROGRAMS_FOLDER)
  await makeOf(root, SOURCES, join(folder, 'sources.sha256'), async () => {
    rmSync(folder, { recursive: true, force: true })
    await bundle({
      ...BUNDLING,
      entryPoints: PROGRAMS.map((source) => join(root, source)),
      outdir: folder,
      outbase: root,
      outExtension: { '.js': '.mjs' },
      alias: { '~~': root.replace(/\/$/, '') },
      splitting: true,
    })
  })
}
