import { declareBlock } from '../report/declareBlock'
import { timesSchema, type TimesView } from './times'

/** When the audience is there and when posts did well. */
export interface FilledTimes {
  kind: 'times'
  view: TimesView
  response: string
  base: string
}

export const timesBlock = declareBlock<FilledTimes>()({
  kind: 'times',
  name: 'When to post',
  version: 1,
  isScoped: true,
  fields: timesSchema.pick(['response', 'base', 'weeks', 'network', 'zone', 'wanted', 'apart']),
  headingOf: () => 'When to post',
})
