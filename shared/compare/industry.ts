import { boolean, number, object, string, type InferType } from 'yup'
import {
  REFERENCE_MEASURES,
  type Reference,
  type ReferenceMeasureId,
  type ReferencePlace,
} from '../../core/industry/reference'
import { NETWORKS } from '../../core/networks/networks'
import { declareBlock } from '../report/declareBlock'
import { dayField } from '../platform/dayField'
import { text } from '../platform/text'

/** How many figures a client can have, and how large a file of them can be. */
export const MOST_REFERENCES = 1000
export const LARGEST_REFERENCES_BYTES = 500_000
const LARGEST = 1e9

const size = () =>
  number()
    .typeError('Write followers as a number.')
    .integer('Followers are whole.')
    .min(0, 'Followers are not below nothing.')
    .max(LARGEST, 'That is more followers than there are people.')
    .nullable()
    .default(null)
const value = () =>
  number()
    .typeError('Write a number.')
    .min(-1, 'A figure of an industry is not below −100 %.')
    .max(LARGEST, 'That figure is too large.')

/** A figure of an industry as a person writes it down; a share is 0.02, not 2. */
export const referenceSchema = object({
  measure: string<ReferenceMeasureId>()
    .required('Choose a measure.')
    .oneOf(
      REFERENCE_MEASURES.map(({ id }) => id),
      'Choose a measure from the list.',
    ),
  network: string()
    .oneOf(['', ...NETWORKS.map(({ id }) => id)], 'There is no network “${value}”.')
    .default(''),
  from: size(),
  below: size().when('from', ([from], schema) =>
    typeof from === 'number'
      ? schema.test('wider', 'The size ends before it begins.', (below) => below == null || below > from)
      : schema,
  ),
  lower: value().nullable().default(null),
  middle: value().required('Write the middle value.'),
  upper: value().nullable().default(null),
  source: text().required('Say where the figure is from.').max(200, 'Keep the source under 200 letters.'),
  day: dayField(),
  isInvented: boolean().default(false),
}).test('order', (given, context) => {
  const { lower, middle, upper } = given
  if (lower != null && middle != null && lower > middle)
    return context.createError({ path: 'lower', message: 'The lower quartile lies above the middle.' })
  if (upper != null && middle != null && upper < middle)
    return context.createError({ path: 'upper', message: 'The upper quartile lies below the middle.' })
  return true
})
export type ReferenceInput = InferType<typeof referenceSchema>

/** A file of such figures, as a table. */
export const referencesFileSchema = object({
  text: string()
    .required('The file is empty.')
    .test(
      'size',
      'Bring a file of at most 500 kB.',
      (given) => given === undefined || given.length <= LARGEST_REFERENCES_BYTES,
    ),
  isTaken: boolean().required(),
})

/** A figure of an industry as it is kept. */
export interface KeptReference extends Reference {
  id: number
  source: string
  day: string
  /** Whether it was made up for the demo. */
  isInvented: boolean
}

/** What a file would bring, or has brought. */
export interface ReferencesFile {
  /** Those that were taken have a number. */
  added: { words: string; id?: number }[]
  same: number
  refused: { row: number; reason: string }[]
}

/** A profile of the client beside the industry, in one measure. */
export interface IndustryRow {
  measure: ReferenceMeasureId
  profile: number
  name: string
  networkName: string
  followers?: number
  value: number
  reference: Omit<KeptReference, 'id'>
  place: ReferencePlace
  /** 100 × its value / the middle; absent where that is nothing or below. */
  index?: number
}

/** The client's profiles beside the figures of its industry. */
export interface IndustryView {
  rows: IndustryRow[]
  references: KeptReference[]
  /** Posts after this day are still gathering, and are not counted. */
  judgedTo: string
}

/** The same as an edition freezes it. */
export interface FilledIndustry {
  kind: 'industry'
  industry: Omit<IndustryView, 'references'>
}

export const industryBlock = declareBlock<FilledIndustry>()({
  kind: 'industry',
  name: 'Beside the industry',
  version: 1,
  isScoped: true,
  headingOf: () => 'Beside the industry',
})
