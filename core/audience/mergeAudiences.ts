import { WITHHELD } from '../breakdowns/audienceBreakdowns'
import { AGES } from '../breakdowns/breakdowns'
import { spreadEvenly } from './brackets'

/** An audience by its parts: people by the id of the part. */
export interface CountedAudience {
  /** The people of whom it is known, those withheld included. */
  known: number
  parts: ReadonlyMap<string, number>
  /** Those who are counted and of whom the network says no more. */
  withheld: number
  /** Whether parts were split by an assumption. */
  isEstimated: boolean
}

/**
 * The audiences of several profiles as one, each by the weight of its people. One person can be in several of them:
 * these are people of profiles, and not different people. Where they count ages in brackets of their own, those are
 * brought to the usual ones.
 *
 * @param audiences  people by part, audience by audience; the part `withheld` is of whom no more is said
 * @param isAges     whether parts are genders and ages, such as `f|25-34`
 * @example          mergeAudiences([new Map([['GB', 3]]), new Map([['GB', 1], ['FR', 2]])], false).parts.get('GB') // 4
 */
export function mergeAudiences(audiences: readonly ReadonlyMap<string, number>[], isAges: boolean): CountedAudience {
  const parts = new Map<string, number>()
  let [withheld, known, isEstimated] = [0, 0, false]
  for (const audience of audiences) {
    const own = isAges ? inUsualBrackets(audience) : { counts: audience, isEstimated: false }
    isEstimated ||= own.isEstimated
    for (const [part, people] of own.counts) {
      known += people
      if (part === WITHHELD) withheld += people
      else parts.set(part, (parts.get(part) ?? 0) + people)
    }
  }
  return { known, parts, withheld, isEstimated }
}

/** Genders and ages, the ages in the usual brackets. */
function inUsualBrackets(audience: ReadonlyMap<string, number>) {
  const counts = new Map<string, number>()
  let isEstimated = false
  const byGender = new Map<string, Map<string, number>>()
  for (const [part, people] of audience) {
    const [gender, age] = part.split('|')
    if (age === undefined) counts.set(part, people)
    else byGender.set(gender!, (byGender.get(gender!) ?? new Map<string, number>()).set(age, people))
  }
  for (const [gender, ages] of byGender) {
    const spread = spreadEvenly(ages, AGES)
    isEstimated ||= spread.isEstimated
    for (const [age, people] of spread.counts) counts.set(`${gender}|${age}`, people)
  }
  return { counts, isEstimated }
}
