/** An age bracket: both ages included; the last is open. */
interface Bracket {
  from: number
  to: number
}

/** Up to which age an open bracket is spread. */
const OLDEST = 99

/**
 * A bracket as networks write it.
 *
 * @returns undefined where it is none
 * @example readBracket('65+') // { from: 65, to: 99 }
 */
export function readBracket(text: string): Bracket | undefined {
  const [, from, to, plus] = /^(\d{1,2})(?:-(\d{1,2})|(\+))$/.exec(text) ?? []
  if (from === undefined) return undefined
  const bracket = { from: Number(from), to: plus ? OLDEST : Number(to) }
  return bracket.from <= bracket.to ? bracket : undefined
}

/**
 * Counts in some age brackets as counts in others, as if the people of each were spread evenly over its years: an
 * assumption, so what is split is estimated. What is counted stays as many in all. A bracket that reaches beyond the
 * others goes to the nearest.
 *
 * @param counts  people by bracket
 * @param wanted  the brackets to bring them to, in order and without a gap
 * @example       spreadEvenly(new Map([["13-24", 12]]), ["13-17", "18-24"]).counts // Map { "13-17" => 5, "18-24" => 7 }
 */
export function spreadEvenly(
  counts: ReadonlyMap<string, number>,
  wanted: readonly string[],
): { counts: Map<string, number>; isEstimated: boolean } {
  const targets = wanted.map((name) => ({ name, ...readBracket(name)! }))
  const [first, last] = [targets[0]!, targets.at(-1)!]
  const result = new Map<string, number>()
  const add = (name: string, people: number) => result.set(name, (result.get(name) ?? 0) + people)
  let isEstimated = false
  for (const [name, people] of counts) {
    if (wanted.includes(name)) {
      add(name, people)
      continue
    }
    const own = readBracket(name)
    if (!own) {
      add(name, people)
      continue
    }
    const years = own.to - own.from + 1
    let isWhole = false
    for (const target of targets) {
      const from = target === first ? Math.min(own.from, target.from) : target.from
      const to = target === last ? Math.max(own.to, target.to) : target.to
      const shared = Math.min(own.to, to) - Math.max(own.from, from) + 1
      if (shared <= 0) continue
      if (shared === years) isWhole = true
      add(target.name, (people * shared) / years)
    }
    if (!isWhole) isEstimated = true
  }
  return { counts: result, isEstimated }
}
