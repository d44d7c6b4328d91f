import { readBracket } from './brackets'

/**
 * The age that half of an audience are younger than, as if the people of each bracket were spread evenly over its years:
 * interpolation within grouped data, common practice of population statistics. A bracket of 25–34 reaches from the 25th
 * birthday to the day before the 35th, so it has ten years.
 *
 * @param counts  people by age bracket; what is no bracket is left out
 * @returns       undefined where nobody's age is known, or half of them are in the last bracket, which is open
 * @example       medianAge(new Map([['18-24', 30], ['25-34', 50], ['35-44', 20]])) // 29
 */
export function medianAge(counts: ReadonlyMap<string, number>): number | undefined {
  const brackets = [...counts]
    .flatMap(([name, people]) => {
      const bracket = readBracket(name)
      return bracket && people > 0 ? [{ ...bracket, people, isOpen: name.endsWith('+') }] : []
    })
    .sort((a, b) => a.from - b.from)
  const half = brackets.reduce((sum, { people }) => sum + people, 0) / 2
  let younger = 0
  for (const { from, to, people, isOpen } of brackets) {
    if (younger + people >= half) return isOpen ? undefined : from + ((half - younger) / people) * (to - from + 1)
    younger += people
  }
  return undefined
}
