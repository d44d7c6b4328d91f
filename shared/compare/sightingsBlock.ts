import { declareBlock } from '../report/declareBlock'
import type { SightingsView } from './sightings'

/** What rivals did that is not as usual, of the days of the report. */
export interface FilledSightings {
  kind: 'sightings'
  view: SightingsView
}

export const sightingsBlock = declareBlock<FilledSightings>()({
  kind: 'sightings',
  name: 'What rivals did that is not as usual',
  version: 1,
  isScoped: true,
  headingOf: () => 'What rivals did that is not as usual',
})
