import { number, object } from 'yup'
import { declareBlock } from '../report/declareBlock'
import type { DirectoriesView, PlaceEntries } from './directories'

export interface FilledDirectories {
  kind: 'directories'
  /** All places, or one of them field by field. */
  all?: DirectoriesView
  one?: PlaceEntries
}

export const directoriesBlock = declareBlock<FilledDirectories>()({
  kind: 'directories',
  name: 'Directories',
  version: 1,
  isScoped: true,
  fields: object({
    /** The place, by number; all of them where none is chosen. */
    place: number().integer().min(1).max(4_294_967_295),
  }),
  headingOf: ({ one }) => (one ? `${one.place.name} in directories` : 'Directories beside the master records'),
})
