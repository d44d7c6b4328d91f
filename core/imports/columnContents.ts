import { readCount, type DecimalSign } from './readCount'
import { detectDateOrder } from './readDate'
import type { KnownProfile } from './rowReader'
import type { Target } from './layout'

/** What a column holds, as its cells show, whatever its heading says. */
export type ColumnContent = 'dates' | 'ids' | 'names' | 'counts' | 'text' | 'nothing'

/** So large a part of the cells that are filled has to agree. */
const MOST = 0.7

/**
 * What the columns of a table hold, from their first cells.
 *
 * @param width     how many columns there are
 * @param sample    the first records
 * @param profiles  those whose ids and names are known
 * @example columnContents(2, [['2026-10-28', '1,204'], ['2026-10-29', '987']], 'point', []) // ['dates', 'counts']
 */
export function columnContents(
  width: number,
  sample: readonly (readonly string[])[],
  decimal: DecimalSign,
  profiles: readonly KnownProfile[],
): ColumnContent[] {
  const ids = new Set(profiles.map(({ remoteId }) => remoteId))
  const names = new Set(profiles.flatMap(({ handle, name }) => [plain(handle), plain(name)]))
  return Array.from({ length: width }, (_, index) => {
    const cells = sample.map((row) => (row[index] ?? '').trim()).filter((cell) => cell !== '')
    if (cells.length === 0) return 'nothing'
    const mostly = (is: (cell: string) => boolean) => cells.filter(is).length >= cells.length * MOST
    if (mostly((cell) => ids.has(cell))) return 'ids'
    if (mostly((cell) => names.has(plain(cell)))) return 'names'
    if (mostly((cell) => detectDateOrder([cell]) !== 'none')) return 'dates'
    return mostly((cell) => isCount(cell, decimal)) ? 'counts' : 'text'
  })
}

const plain = (name: string): string => name.trim().toLowerCase().replace(/^@/, '')

function isCount(cell: string, decimal: DecimalSign): boolean {
  try {
    return readCount(cell, decimal) !== undefined
  } catch {
    return false
  }
}

/**
 * Adds to a guess by headings what the cells themselves say: the day where none is named, and who a row belongs to.
 * Which figure a column of counts holds is never guessed from its cells.
 */
export function guessByContents(targets: readonly Target[], contents: readonly ColumnContent[]): Target[] {
  const guessed = [...targets]
  const fill = (target: Target, content: ColumnContent) => {
    const index = contents.findIndex((found, at) => found === content && guessed[at] === '')
    if (!guessed.includes(target) && index >= 0) guessed[index] = target
  }
  fill('day', 'dates')
  fill('profile_id', 'ids')
  if (!guessed.includes('profile_id')) fill('handle', 'names')
  return guessed
}
