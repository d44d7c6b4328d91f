import type { ProfileSearch } from './find'
import { declareBlock } from '../report/declareBlock'

/** The client’s profiles, as its web page links them. */
export interface FilledFound {
  kind: 'found'
  found: ProfileSearch | null
  searchedAt: Date | null
}

export const foundBlock = declareBlock<FilledFound>()({
  kind: 'found',
  name: 'Profiles found',
  version: 1,
  headingOf: () => 'Profiles of the client',
})
