import type { TargetView } from './targets'
import { declareBlock } from '../report/declareBlock'

/** Targets and where they are heading. */
export interface FilledTargets {
  kind: 'targets'
  targets: TargetView[]
}

export const targetsBlock = declareBlock<FilledTargets>()({
  kind: 'targets',
  name: 'Targets',
  version: 1,
  headingOf: () => 'Targets',
})
