import { array, object, string, type InferType } from 'yup'
import type { Overlap } from '../../core/audience/intendedAudience'
import type { RepresentationIndex } from '../../core/audience/representationIndex'
import { AUDIENCE_BASES, FACETS, type AudienceBase } from '../../core/breakdowns/audienceBreakdowns'
import { AGES } from '../../core/breakdowns/breakdowns'

/** A part of an audience: how many people of each base, and how it stands among those who responded. */
export interface AudiencePart {
  part: string
  name: string
  counts: Partial<Record<AudienceBase, number>>
  /** Those who responded against those who follow, where both are told. */
  index?: RepresentationIndex
}

/** Of how many an audience is known, and what is not. */
export interface AudienceTotal {
  known: number
  withheld: number
  isEstimated: boolean
  /** How many profiles tell it, and the days on which they counted. */
  profiles: number
  from: string
  to: string
}

/** Profiles of which a base is not told, and why. */
export interface AudienceGap {
  base: AudienceBase
  names: string[]
  reason: string
}

/** The ages that half of a base are younger than, of all and by gender; absent where that cannot be said. */
export type MedianAges = Partial<Record<'all' | 'f' | 'm', number>>

/** An audience by one facet, the three bases beside each other. */
export interface FacetView {
  facet: string
  totals: Partial<Record<AudienceBase, AudienceTotal>>
  parts: AudiencePart[]
  /** Of ages alone; absent in editions of before it was told. */
  medianAges?: Partial<Record<AudienceBase, MedianAges>>
  gaps: AudienceGap[]
}

/** The audience of a scope. */
export interface AudienceView {
  /** The facets that its networks tell. */
  facets: string[]
  shown: FacetView[]
  intended?: { wanted: IntendedInput; overlaps: Partial<Record<AudienceBase, Overlap>> }
}

/** A part of an audience over time: its share in each count. */
export interface AudienceLine {
  base: AudienceBase
  points: { day: string; share: number; of: number }[]
}

const facetIds = FACETS.map(({ id }) => id)

/** What is asked of an audience: one facet in full, or all that there are. */
export const audienceSchema = object({
  facet: string()
    .oneOf(['', ...facetIds], 'Audiences are not told by “${value}”.')
    .default(''),
})
export const audienceLineSchema = object({
  facet: string().oneOf(facetIds, 'Audiences are not told by “${value}”.').required('Choose a facet.'),
  part: string().required('Choose a part.').max(80),
})

const some = (known: readonly string[], what: string) =>
  array(
    string()
      .oneOf([...known], `Choose ${what} from the list.`)
      .required(),
  )
    .max(known.length)
    .default([])
const codes = (pattern: RegExp, what: string) =>
  array(string().matches(pattern, `Write ${what}.`).required())
    .max(30, 'Thirty of them at the most.')
    .default([])

/** Whom a client wants to reach. */
export const intendedSchema = object({
  ages: some(AGES, 'ages'),
  genders: some(['f', 'm'], 'genders'),
  countries: codes(/^[A-Z]{2}$/, 'countries by their two letters, such as GB'),
  languages: codes(/^[a-z]{2,3}$/, 'languages by their letters, such as en'),
})
export type IntendedInput = InferType<typeof intendedSchema>

/** What a base is called, in a table and in words. */
export const baseName = (base: AudienceBase) => AUDIENCE_BASES.find(({ id }) => id === base)!
