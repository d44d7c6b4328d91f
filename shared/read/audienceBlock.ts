import { FACETS } from '../../core/breakdowns/audienceBreakdowns'
import { declareBlock } from '../report/declareBlock'
import type { FacetView } from './audience'

export interface FilledAudience {
  kind: 'audience'
  facet: string
  /** Absent where no network of the scope tells it. */
  view?: FacetView
}

const nameOf = (facet: string) => FACETS.find(({ id }) => id === facet)?.name ?? facet

export const audienceBlock = declareBlock<FilledAudience>()({
  kind: 'audience',
  name: 'Audience',
  version: 1,
  isScoped: true,
  option: { label: 'By', choices: FACETS.map(({ id, name }) => ({ value: id, name: name.toLowerCase() })) },
  headingOf: ({ facet }) => `Audience: ${nameOf(facet).toLowerCase()}`,
})
