import type { WhatIsOpen } from './clients'
import { declareBlock } from './report/declareBlock'

/** What needs somebody. */
export interface FilledOpen {
  kind: 'open'
  open: WhatIsOpen
}

export const openBlock = declareBlock<FilledOpen>()({
  kind: 'open',
  name: 'What needs somebody',
  version: 1,
  headingOf: () => 'What needs somebody',
})
