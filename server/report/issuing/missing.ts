import type { FilledBlock, ReportContent } from '../../../shared/report/reportContent'
import { reportBlockOf } from '../blocks/kinds'

/**
 * What is missing in a report as it would be issued, in sentences: parts that cannot be filled or have nothing in them,
 * and figures that rest on fewer days than their period has. An edition can be issued with gaps; whoever issues it has
 * seen them.
 */
export function missingIn({ blocks }: Pick<ReportContent, 'blocks'>): string[] {
  return blocks.flatMap((block, index) =>
    missingOf(block).map((sentence) => `Block ${index + 1}${block.title ? `, “${block.title}”` : ''}: ${sentence}`),
  )
}

function missingOf(block: FilledBlock): string[] {
  if (block.kind === 'broken') return [`it cannot be filled. ${block.problem}`]
  return reportBlockOf(block.kind).missingIn?.(block) ?? []
}
