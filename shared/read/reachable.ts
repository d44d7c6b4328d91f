import { array, number, object, string, type InferType } from 'yup'
import { AGES } from '../../core/breakdowns/breakdowns'
import { text } from '../platform/text'

/** The networks that say how many people could be reached. */
export const ESTIMATING_NETWORKS = ['commons', 'tintype', 'guildhall'] as const

/** What people can be asked for by, as networks name it. */
export const INTERESTS = ['gardens', 'food and drink', 'travel', 'science', 'families', 'the sea'] as const
export const ESTIMATE_COUNTRIES = ['GB', 'IE', 'FR', 'DE', 'US', 'CA'] as const

/** How far around a place can be asked, in kilometres; and from where on it means little outside towns. */
export const LEAST_RADIUS = 0.5
export const LONGEST_RADIUS = 80
export const ROUGH_RADIUS = 1

const some = (known: readonly string[], what: string) =>
  array(
    string()
      .oneOf([...known], `Choose ${what} from the list.`)
      .required(),
  )
    .max(known.length)
    .default([])
const degree = (most: number, what: string) =>
  number()
    .typeError(`Write the ${what} as a number of degrees.`)
    .min(-most, `The ${what} lies between −${most} and ${most} degrees.`)
    .max(most, `The ${what} lies between −${most} and ${most} degrees.`)
    .default(0)

/** Whom a network is asked for: where, of which ages and genders, with which interests. */
export const estimateSchema = object({
  network: string().oneOf(ESTIMATING_NETWORKS, 'That network does not say how many could be reached.').required(),
  kind: string()
    .oneOf(['circle', 'towns', 'countries'] as const, 'Say where they live.')
    .required(),
  lat: degree(90, 'latitude'),
  lon: degree(180, 'longitude'),
  radius: number()
    .typeError('Write the radius as a number of kilometres.')
    .min(LEAST_RADIUS, `The radius is ${LEAST_RADIUS} km at the least.`)
    .max(LONGEST_RADIUS, `The radius is ${LONGEST_RADIUS} km at the most.`)
    .default(5),
  towns: array(text().required().max(60)).max(30, 'Thirty towns at the most.').default([]),
  countries: some(ESTIMATE_COUNTRIES, 'countries'),
  ages: some(AGES, 'ages'),
  genders: some(['f', 'm'], 'genders'),
  interests: some(INTERESTS, 'interests'),
})
  .test(function test({ kind, towns }) {
    return kind === 'towns' && (towns ?? []).length === 0
      ? this.createError({ path: 'towns', message: 'Choose a town.' })
      : true
  })
  .test(function test({ kind, countries }) {
    return kind === 'countries' && (countries ?? []).length === 0
      ? this.createError({ path: 'countries', message: 'Choose a country.' })
      : true
  })
export type EstimateInput = InferType<typeof estimateSchema>

/** An audience that is kept under a name. */
export const keptEstimateSchema = object({
  name: text().required('Give it a name.').max(80, 'Keep the name under 80 letters.'),
  asked: estimateSchema.required(),
})

/** Whom a network is asked for, in its own words. */
export interface EstimateQuery {
  where:
    | { kind: 'circle'; lat: number; lon: number; radius: number }
    | { kind: 'towns'; towns: readonly string[] }
    | { kind: 'countries'; countries: readonly string[] }
  ages: readonly string[]
  genders: readonly ('f' | 'm')[]
  interests: readonly string[]
}

/** What a network says: between which numbers, and how they are made up. */
export interface Estimate {
  low: number
  high: number
  byGender: { gender: 'f' | 'm'; people: number }[]
  byAge: { age: string; people: number }[]
  towns: { name: string; people: number }[]
  alsoFollow: { name: string; share: number }[]
}

const people = () => number().integer().min(0).max(10_000_000_000).required()
const shortName = () => string().max(80).required()

/** An estimate as a network has to give it. */
export const estimateAnswerSchema = object({
  low: people(),
  high: people(),
  byGender: array(object({ gender: string().oneOf(['f', 'm']).required(), people: people() }))
    .max(2)
    .required(),
  byAge: array(object({ age: shortName(), people: people() }))
    .max(20)
    .required(),
  towns: array(object({ name: shortName(), people: people() }))
    .max(20)
    .required(),
  alsoFollow: array(object({ name: shortName(), share: number().min(0).max(1).required() }))
    .max(20)
    .required(),
})

/** An estimate with how it changes with the radius; absent where they are too few. */
export interface ReachableView {
  estimate: Estimate | null
  byRadius: { radius: number; low: number | null; high: number | null }[]
  askedAt: Date
}

/** A kept audience with what was said of it when it was kept. */
export interface KeptReachable {
  id: number
  name: string
  asked: EstimateInput
  low: number | null
  high: number | null
  askedAt: Date
}
