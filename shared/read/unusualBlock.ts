import type { UnusualFinding } from './unusual'
import { declareBlock } from '../report/declareBlock'

/** Days that were not as usual, with their reasons. */
export interface FilledUnusual {
  kind: 'unusual'
  metric: string
  days: UnusualFinding[]
}

export const unusualBlock = declareBlock<FilledUnusual>()({
  kind: 'unusual',
  name: 'Unusual days',
  version: 1,
  isScoped: true,
  metrics: { usual: ['interactions'], most: 1 },
  headingOf: () => 'Unusual days',
})
