import { declareBlock } from '../report/declareBlock'
import type { LinkList } from './links'

/** How many links a block shows. */
export const LINKS_IN_BLOCK = 20

export interface FilledLinks {
  kind: 'links'
  links: LinkList
}

export const linksBlock = declareBlock<FilledLinks>()({
  kind: 'links',
  name: 'Tracked links',
  version: 1,
  headingOf: () => 'Clicks of tracked links',
})
