/** Whom a client wants to reach; what is empty does not matter. */
export interface IntendedAudience {
  ages: readonly string[]
  genders: readonly string[]
  countries: readonly string[]
  languages: readonly string[]
}

/** Shares of an audience by part, of those of whom it is known. */
export interface AudienceShares {
  /** By `gender|age`. */
  ageGender?: ReadonlyMap<string, number>
  country?: ReadonlyMap<string, number>
  language?: ReadonlyMap<string, number>
}

/** Which part of an audience is wanted: between bounds that always hold, and what it is if the traits go by chance. */
export interface Overlap {
  low: number
  high: number
  estimate: number
  /** The share that each trait has by itself. */
  traits: { trait: 'ages and genders' | 'countries' | 'languages'; share: number }[]
}

/**
 * How much of an audience is wanted. Networks tell ages and genders together, and each other trait by itself; how they
 * go together is not known. So the share lies between what it must be at the least and can be at the most (Fréchet
 * 1951: the bounds of a joint distribution with given margins), and is estimated as their product, as if they went
 * together by chance.
 *
 * @returns undefined where nothing is wanted, or a trait that is wanted is not told
 * @example overlapOf({ ages: ['25-34'], genders: [], countries: ['GB'], languages: [] }, shares)
 */
export function overlapOf(wanted: IntendedAudience, shares: AudienceShares): Overlap | undefined {
  const traits: Overlap['traits'] = []
  const add = (trait: Overlap['traits'][number]['trait'], share: number | undefined) =>
    share === undefined ? false : traits.push({ trait, share: Math.min(1, share) }) > 0
  const sum = (parts: ReadonlyMap<string, number> | undefined, isWanted: (part: string) => boolean) =>
    parts && [...parts].reduce((all, [part, share]) => (isWanted(part) ? all + share : all), 0)
  if (wanted.ages.length + wanted.genders.length > 0) {
    const isWanted = (part: string) => {
      const [gender, age] = part.split('|')
      return (
        (wanted.genders.length === 0 || wanted.genders.includes(gender!)) &&
        (wanted.ages.length === 0 || wanted.ages.includes(age ?? ''))
      )
    }
    if (!add('ages and genders', sum(shares.ageGender, isWanted))) return undefined
  }
  if (
    wanted.countries.length > 0 &&
    !add(
      'countries',
      sum(shares.country, (part) => wanted.countries.includes(part)),
    )
  )
    return undefined
  if (
    wanted.languages.length > 0 &&
    !add(
      'languages',
      sum(shares.language, (part) => wanted.languages.includes(part)),
    )
  )
    return undefined
  if (traits.length === 0) return undefined
  const all = traits.map(({ share }) => share)
  return {
    low: Math.max(0, all.reduce((total, share) => total + share, 0) - (all.length - 1)),
    high: Math.min(...all),
    estimate: all.reduce((product, share) => product * share, 1),
    traits,
  }
}
