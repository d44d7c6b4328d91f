import { declareBlock } from './declareBlock'

/** On paper, a new page begins. */
export interface FilledPage {
  kind: 'page'
}

export const pageBlock = declareBlock<FilledPage>()({
  kind: 'page',
  name: 'Page break',
  version: 1,
  isWritten: true,
  headingOf: () => '',
})
