import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'

/** Every file in a folder and in those within it; a file by itself. */
export function filesIn(path) {
  if (!existsSync(path)) return []
  try {
    return readdirSync(path, { withFileTypes: true })
      .flatMap((entry) => filesIn(join(path, entry.name)))
      .sort()
  } catch {
    return [path]
  }
}

/** What tells these files, and this Node, from all others. */
export function hashOf(files, root) {
  const hash = createHash('sha256').update(process.version)
  for (const file of files) hash.update(relative(root, file)).update('\0').update(readFileSync(file)).update('\0')
  return hash.digest('hex')
}
