import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'

/** Every file in a folder and in those within it; a file by itself. */
function filesIn(path) {
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
function hashOf(files, root) {
  const hash = createHash('sha256').update(process.version)
  for (const file of files) hash.update(relative(root, file)).update('\0').update(readFileSync(file)).update('\0')
  return hash.digest('hex')
}

/**
 * Makes something of files and folders, unless what is there was made of the same.
 *
 * @param names   the files and folders, from the root
 * @param marker  the file that says of which it was made
 */
export async function makeOf(root, names, marker, make) {
  const sources = hashOf(
    names.flatMap((name) => filesIn(join(root, name))),
    root,
  )
  if (existsSync(marker) && readFileSync(marker, 'utf8') === sources) return
  await make()
  mkdirSync(dirname(marker), { recursive: true })
  writeFileSync(marker, sources)
}
