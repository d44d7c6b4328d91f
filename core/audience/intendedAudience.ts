import { WITHHELD } from '../breakdowns/audienceBreakdowns'
import { readBracket } from './brackets'

/** Whom a client wants to reach; what is empty does not matter. */
export interface IntendedAudience {
  ages: readonly string[]
  genders: readonly string[]
  countries: readonly string[]
  languages: readonly string[]
}

/** The people of one profile by each trait that its network tells, those withheld included; by `gender|age`. */
export interface ProfileAudience {
  ageGender?: ReadonlyMap<string, number>
  country?: ReadonlyMap<string, number>
  language?: ReadonlyMap<string, number>
}

type TraitName = 'ages and genders' | 'countries' | 'languages'

/** Which part of an audience is wanted: between bounds that always hold, and what it is if the traits go by chance. */
export interface Overlap {
  low: number
  high: number
  estimate: number
  /** The share that each trait has by itself, of those of whom it is known, and which part of all people that is. */
  traits: { trait: TraitName; share: number; known?: number }[]
}

/** Whether a part of a trait is wanted; undefined where it may be either. */
type Wanted = (part: string) => boolean | undefined

/** People by whether they are wanted. */
interface Counted {
  wanted: number
  unwanted: number
  unknown: number
}

/**
 * How much of an audience is wanted. Networks tell ages and genders together, and each other trait by itself; how they
 * go together is not known. Of a profile with N people, wₜ are wanted by a trait t and uₜ may be: those withheld, those
 * of a kind that is not known or a bracket that is wanted in part, and those of whom the trait is not told at all. So
 * at least Σ wₜ − (T − 1)·N of them have all T traits, and at most the least wₜ + uₜ (Fréchet 1951: the bounds of a
 * joint distribution with given margins, here for every way in which the unknown can be distributed). Both are added
 * over profiles. The estimate is the product of the shares, as if they went together by chance and the unknown were as
 * the known; a trait that a profile does not tell has the share of all others.
 *
 * @param audiences  profile by profile; those that tell no wanted trait are no part of it
 * @returns          undefined where nothing is wanted, or a trait that is wanted is told by nobody
 * @example          overlapOf({ ages: ['25-34'], genders: [], countries: ['GB'], languages: [] }, [{ ageGender, country
 *                              }])
 */
export function overlapOf(wanted: IntendedAudience, audiences: readonly ProfileAudience[]): Overlap | undefined {
  const traits = wantedTraits(wanted)
  if (traits.length === 0) return undefined
  const profiles = audiences.flatMap((audience) => {
    const counted = traits.map(({ key, isWanted }) => audience[key] && countedBy(audience[key], isWanted))
    const people = Math.max(0, ...counted.map((one) => (one ? one.wanted + one.unwanted + one.unknown : 0)))
    return people > 0 ? [{ people, counted }] : []
  })
  const pooled = traits.map((_, at) => {
    const told = profiles.flatMap(({ counted }) => counted[at] ?? [])
    return { wanted: sum(told.map((one) => one.wanted)), known: sum(told.map((one) => one.wanted + one.unwanted)) }
  })
  if (pooled.some(({ known }) => known === 0)) return undefined
  const all = sum(profiles.map(({ people }) => people))
  const bounds = profiles.map(({ people, counted }) => {
    const low = Math.max(0, sum(counted.map((one) => one?.wanted ?? 0)) - (traits.length - 1) * people)
    const high = Math.min(...counted.map((one) => (one ? people - one.unwanted : people)))
    const chance = counted.reduce((product, one, at) => {
      const { wanted: some, known } = one && one.wanted + one.unwanted > 0 ? asKnown(one) : pooled[at]!
      return (product * some) / known
    }, people)
    return { low, high, estimate: Math.min(high, Math.max(low, chance)) }
  })
  const share = (side: 'low' | 'high' | 'estimate') => Math.min(1, sum(bounds.map((each) => each[side])) / all)
  return {
    low: share('low'),
    high: share('high'),
    estimate: share('estimate'),
    traits: traits.map(({ trait }, at) => ({
      trait,
      share: pooled[at]!.wanted / pooled[at]!.known,
      known: pooled[at]!.known / all,
    })),
  }
}

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0)
const asKnown = ({ wanted, unwanted }: Counted) => ({ wanted, known: wanted + unwanted })

function wantedTraits({ ages, genders, countries, languages }: IntendedAudience) {
  const traits: { trait: TraitName; key: keyof ProfileAudience; isWanted: Wanted; isAsked: boolean }[] = [
    {
      trait: 'ages and genders',
      key: 'ageGender',
      isAsked: ages.length + genders.length > 0,
      isWanted: (part) => {
        const [gender = '', age = ''] = part.split('|')
        return both(
          genders.length === 0 || genders.includes(gender) || (GENDERS.has(gender) ? false : undefined),
          ages.length === 0 || isWantedAge(ages, age),
        )
      },
    },
    { trait: 'countries', key: 'country', isAsked: countries.length > 0, isWanted: (part) => countries.includes(part) },
    {
      trait: 'languages',
      key: 'language',
      isAsked: languages.length > 0,
      isWanted: (part) => languages.includes(part),
    },
  ]
  return traits.filter(({ isAsked }) => isAsked)
}

/** Genders that are known; every other word means that it is not. */
const GENDERS: ReadonlySet<string> = new Set(['f', 'm'])

/** Both of two things: false where one is not, unknown where one may be. */
const both = (one: boolean | undefined, other: boolean | undefined): boolean | undefined =>
  one === false || other === false ? false : one && other

/** Whether the ages of a bracket are wanted: wholly, not at all, or some of them, which leaves it open. */
function isWantedAge(ages: readonly string[], age: string): boolean | undefined {
  const own = readBracket(age)
  if (!own) return undefined
  const brackets = ages.flatMap((name) => readBracket(name) ?? [])
  let years = 0
  for (let year = own.from; year <= own.to; year++)
    if (brackets.some(({ from, to }) => year >= from && year <= to)) years++
  return years === 0 ? false : years === own.to - own.from + 1 || undefined
}

function countedBy(parts: ReadonlyMap<string, number>, isWanted: Wanted): Counted {
  const counted = { wanted: 0, unwanted: 0, unknown: 0 }
  for (const [part, people] of parts) {
    const answer = part === WITHHELD ? undefined : isWanted(part)
    counted[answer === undefined ? 'unknown' : answer ? 'wanted' : 'unwanted'] += people
  }
  return counted
}
