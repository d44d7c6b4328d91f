import { BREAKDOWNS, breakdownById } from '../../core/breakdowns/breakdowns'
import type { BreakdownView } from './breakdown'
import { declareBlock } from '../report/declareBlock'

/** A figure by its parts. */
export interface FilledBreakdown {
  kind: 'breakdown'
  breakdown: BreakdownView
}

export const breakdownBlock = declareBlock<FilledBreakdown>()({
  kind: 'breakdown',
  name: 'Breakdown of a figure',
  version: 1,
  isScoped: true,
  option: { label: 'Which breakdown', choices: BREAKDOWNS.map(({ id, name }) => ({ value: id, name })) },
  headingOf: ({ breakdown }) => breakdownById(breakdown.breakdown).name,
})
