import { TIMES } from './breakdowns'

/** What a distribution of people by times says of the frequency. */
export interface TimesBounds {
  people: number
  /** The least that the mean can be: everybody in a class saw it as seldom as the class allows. */
  low: number
  /** The most; absent when somebody is in the open class. */
  high?: number
}

/**
 * The bounds of the mean of a distribution that is only known by classes: a frequency outside them contradicts it.
 *
 * @param people  how many people are in each class, by its id
 * @returns       undefined when nobody is in any
 * @example       timesBounds(new Map([['1', 60], ['3-4', 40]])) // { people: 100, low: 1.8, high: 2.2 }
 */
export function timesBounds(people: ReadonlyMap<string, number>): TimesBounds | undefined {
  const classes = TIMES.map(({ id, least, most }) => ({ count: people.get(id) ?? 0, least, most })).filter(
    ({ count }) => count > 0,
  )
  const all = classes.reduce((sum, { count }) => sum + count, 0)
  if (all === 0) return undefined
  const mean = (side: 'least' | 'most') => classes.reduce((sum, each) => sum + each.count * each[side], 0) / all
  const high = mean('most')
  return { people: all, low: mean('least'), ...(Number.isFinite(high) && { high }) }
}

/**
 * Whether a frequency can be the mean of a distribution. The small allowance is for networks that round.
 *
 * @example fitsTimes(2, { people: 100, low: 1.8, high: 2.2 }) // true
 */
export const fitsTimes = (frequency: number, { low, high }: TimesBounds): boolean =>
  frequency >= low - 0.05 && frequency <= (high ?? Infinity) + 0.05
