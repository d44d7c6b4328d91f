import { declareBlock } from '../report/declareBlock'
import { placesQuerySchema, type PlacesView } from './places'

export interface FilledPlaces {
  kind: 'places'
  view: PlacesView
}

export const placesBlock = declareBlock<FilledPlaces>()({
  kind: 'places',
  name: 'Places beside each other',
  version: 1,
  isScoped: true,
  fields: placesQuerySchema,
  headingOf: () => 'Places',
})
