import { readFile } from 'node:fs/promises'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { build, type Plugin } from 'esbuild'

/** Keeps the address of each module what it is in the sources, since files are looked for beside it. */
const addresses: Plugin = {
  name: 'addresses',
  setup: ({ onLoad }) =>
    onLoad({ filter: /\/(?:bench|core|demo|server|tests|tools)\/.*\.(?:ts|mjs)$/ }, async ({ path }) => ({
      contents: (await readFile(path, 'utf8')).replaceAll('import.meta.url', JSON.stringify(pathToFileURL(path).href)),
      loader: 'ts',
    })),
}

/**
 * Bundles the measurements as the application is bundled: what runs the sources directly adds a call to every function
 * that is made, which the built application does not have.
 *
 * @returns the path of the bundle
 */
export async function bundled(): Promise<string> {
  const outfile = fileURLToPath(new URL('../.test-data/bench/run.mjs', import.meta.url))
  await build({
    entryPoints: [fileURLToPath(new URL('./run.ts', import.meta.url))],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    plugins: [addresses],
    logLevel: 'warning',
  })
  return outfile
}
