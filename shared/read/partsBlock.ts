import { SPLITS, splitById } from '../../core/splits/splits'
import type { SplitView } from './parts'
import { declareBlock } from '../report/declareBlock'

/** A figure by its parts. */
export interface FilledParts {
  kind: 'parts'
  split: SplitView
}

export const partsBlock = declareBlock<FilledParts>()({
  kind: 'parts',
  name: 'A figure by its parts',
  version: 1,
  isScoped: true,
  option: { label: 'What is split', choices: SPLITS.map(({ id, name }) => ({ value: id, name })) },
  headingOf: ({ split }) => splitById(split.split).name,
})
