import { declarationOf } from './blocks'
import type { FilledBlock } from './reportContent'

/** What stands over a block: its title, or what it shows. */
export function headingOf(block: FilledBlock): string {
  if (block.kind === 'broken') return block.title
  return block.title || block.heading || declarationOf(block.kind).headingOf(block as never)
}

/** What each block is called for whoever goes from one to the next by name: two of one heading are counted. */
export function regionNames(blocks: readonly FilledBlock[]): Map<string, string> {
  const seen = new Map<string, number>()
  return new Map(
    blocks.map((block) => {
      const heading = headingOf(block)
      const nth = (seen.get(heading) ?? 0) + 1
      seen.set(heading, nth)
      return [block.id, heading && nth > 1 ? `${heading}, number ${nth}` : heading]
    }),
  )
}
