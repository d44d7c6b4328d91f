/** From which likeness on what two words begin with counts, how much a letter of it does, and how many letters do. */
const [BOOSTED_FROM, BOOST, MOST_BOOSTED] = [0.7, 0.1, 4]

/**
 * How alike two words are by the letters that both have in nearly the same places (Jaro 1989), the shorter one looked up
 * in the other; of letters in another order whole pairs count, as in Winkler’s own programme.
 */
function jaro(a: readonly string[], b: readonly string[]): number {
  if (a.length === 0 || b.length === 0) return a.length === b.length ? 1 : 0
  const reach = Math.max(0, Math.floor(Math.max(a.length, b.length) / 2) - 1)
  const taken = b.map(() => false)
  const common: string[] = []
  a.forEach((letter, at) => {
    for (let there = Math.max(0, at - reach); there <= Math.min(b.length - 1, at + reach); there++)
      if (!taken[there] && b[there] === letter) {
        taken[there] = true
        common.push(letter)
        return
      }
  })
  if (common.length === 0) return 0
  const otherwise = b.filter((_, at) => taken[at]).filter((letter, at) => letter !== common[at]).length
  const swapped = Math.floor(otherwise / 2)
  return (common.length / a.length + common.length / b.length + (common.length - swapped) / common.length) / 3
}

/**
 * How alike two names are, from 0 to 1: by the letters that they share (Jaro 1989), and more where they begin alike
 * (Winkler 1990): by 0.1 of what is missing for each of up to four letters, from a likeness of 0.7 on.
 *
 * @example jaroWinkler('MARTHA', 'MARHTA') // 0.961
 */
export function jaroWinkler(one: string, other: string): number {
  // from both sides the same
  const [a, b] = [[...one], [...other]].sort((x, y) => x.length - y.length || (x.join() < y.join() ? -1 : 1)) as [
    string[],
    string[],
  ]
  const alike = jaro(a, b)
  if (alike < BOOSTED_FROM) return alike
  const parting = a.findIndex((letter, at) => letter !== b[at])
  const shared = Math.min(parting < 0 ? a.length : parting, MOST_BOOSTED)
  return alike + shared * BOOST * (1 - alike)
}
