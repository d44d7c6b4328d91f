import type { Calculator, Working } from '../figures/working'
import type { ReachBounds } from './reachBounds'

/** What is known of the people of one or several profiles together. */
export interface Together {
  value?: Working
  low?: Working
  high?: Working
  remark?: string
}

/**
 * Reach over several profiles: at least the largest of them, at most all of them added or, where it is known, everybody
 * who could be reached. In between, where the universe is known, as if they overlapped at random; the estimate starts
 * from the middle of each range and never leaves the provable bounds. Where nothing is known of one of the profiles,
 * nothing bounds them from above, and there is no estimate. A universe that is smaller than the people of a single
 * profile cannot be right: it is left out, and that is said.
 *
 * @param known     the bounds of each profile of which something is known
 * @param isAll     whether that is every profile
 * @param universe  people who could be reached
 * @param people    what they are called
 * @example         together([{ name: 'A', bounds: a }, { name: 'B', bounds: b }], 10_000, true, 'Reach',
 *                              calculator(false)).value?.value
 */
export function together(
  known: readonly { name: string; bounds: ReachBounds }[],
  universe: number | undefined,
  isAll: boolean,
  people: string,
  calc: Calculator,
): Together {
  if (known.length === 1 && isAll) {
    const { exact, low, high } = known[0]!.bounds
    return exact ? { value: exact } : { low, high }
  }
  const named = (side: 'low' | 'high') =>
    known.flatMap(({ name, bounds }) => {
      const working = bounds[side]
      return working ? [{ ...working, label: name }] : []
    })
  const low = calc.step('Largest single profile', 'largest', named('low'))
  const highs = named('high')
  const all = isAll && highs.length === known.length ? calc.step('Sum of all, at most', 'sum', highs) : undefined
  if (universe !== undefined && universe < low.value) {
    return {
      low,
      high: all,
      remark:
        `The audience given for these networks, ${universe.toLocaleString('en-GB')}, is smaller than the ` +
        `${people.toLowerCase()} of one profile, ${low.value.toLocaleString('en-GB')}. It cannot be right and ` +
        'is left out.',
    }
  }
  const audience = universe === undefined ? undefined : calc.given('Audience on these networks', universe)
  const ceilings = [all, audience].filter((ceiling) => ceiling !== undefined)
  const high = ceilings.length > 1 ? calc.step('At most', 'smallest', ceilings) : ceilings[0]
  if (!audience || !all || !high) return { low, high }
  const points = known.map(({ name, bounds }) =>
    bounds.exact
      ? { ...bounds.exact, label: name }
      : calc.step(`${name}, middle of its range`, 'middle', [bounds.low, bounds.high!]),
  )
  const guess = calc.step('If they overlap at random', 'random duplication', [audience, ...points])
  const atLeast =
    guess.value < low.value ? calc.step('No fewer than the largest single profile', 'largest', [guess, low]) : guess
  return {
    value: atLeast.value > high.value ? calc.step('No more than all of them', 'smallest', [atLeast, high]) : atLeast,
    low,
    high,
  }
}
