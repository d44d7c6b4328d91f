import type { ReportContent } from './reportContent'

/** A breakdown as it was frozen when it was called otherwise. */
interface FormerBreakdown {
  kind: 'parts'
  split: { split: string }
}

/**
 * A frozen edition as it is read now: what has another name since is called by that. What it says stays as it is, and
 * so does what is kept of it.
 */
export const thawed = (frozen: ReportContent): ReportContent => ({
  ...frozen,
  blocks: frozen.blocks.map((block) => {
    const { kind, split: former, ...rest } = block as unknown as FormerBreakdown
    if (kind !== 'parts') return block
    const { split: breakdown, ...view } = former
    return { ...rest, kind: 'breakdown', breakdown: { ...view, breakdown } } as unknown as typeof block
  }),
})
