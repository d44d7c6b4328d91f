import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'
import { root } from '../tests/support/application'
import { buildPrograms, BUNDLING } from '../tools/steps/programs.mjs'

/**
 * Bundles the measurements as the application is bundled, and the programs beside it: what runs the sources directly
 * adds a call to every function that is made, which the built application does not have.
 *
 * @returns the path of the bundle
 */
export async function bundled(): Promise<string> {
  await buildPrograms(root)
  const outfile = fileURLToPath(new URL('../.test-data/bench/run.mjs', import.meta.url))
  await build({ ...BUNDLING, entryPoints: [fileURLToPath(new URL('./run.ts', import.meta.url))], outfile })
  return outfile
}
