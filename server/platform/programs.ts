import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/**
 * Where a program of the house is: bundled from its sources, beside the built application.
 *
 * @param source  its file, from the root of the house
 * @throws Error when it was not bundled
 * @example programOf('server/worker.ts') → '/srv/zaffer/.output/programs/server/worker.mjs'
 */
export function programOf(source: string): string {
  const file = join('.output', 'programs', source.replace(/\.ts$/, '.mjs'))
  for (let folder = dirname(fileURLToPath(import.meta.url)); dirname(folder) !== folder; folder = dirname(folder))
    if (existsSync(join(folder, file))) return join(folder, file)
  throw new Error(`${file} is missing: npm start makes it`)
}
