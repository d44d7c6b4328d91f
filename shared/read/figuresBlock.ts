import { FIGURE_SETS } from '../../core/metrics/figureSets'
import type { ComparedFigure } from '../../core/rollup/compareFigures'
import { declareBlock } from '../report/declareBlock'

/** Figures at the head, each with its change and its working. */
export interface FilledFigures {
  kind: 'figures'
  figures: ComparedFigure[]
}

export const figuresBlock = declareBlock<FilledFigures>()({
  kind: 'figures',
  name: 'Headline figures',
  version: 1,
  isScoped: true,
  metrics: { usual: FIGURE_SETS[0]!.headlines, most: 12 },
  headingOf: () => '',
})
