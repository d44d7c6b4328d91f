import { declarationOf } from './blocks'
import type { FilledBlock } from './reportContent'

/** What stands over a block: its title, or what it shows. */
export function headingOf(block: FilledBlock): string {
  if (block.kind === 'broken') return block.title
  return block.title || block.heading || declarationOf(block.kind).headingOf(block as never)
}
