import { declareBlock } from '../report/declareBlock'
import { fieldSchema, type Field } from './field'

/** The client and its rivals, by what everybody can see of them. */
export interface FilledField {
  kind: 'field'
  field: Field
}

export const fieldBlock = declareBlock<FilledField>()({
  kind: 'field',
  name: 'The field',
  version: 1,
  isScoped: true,
  fields: fieldSchema,
  headingOf: () => 'The field',
})
