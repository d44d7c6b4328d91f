import type { Contribution } from './contributions'

/** How many contributions are named; the rest is said in one sum. */
export const NAMED_CONTRIBUTIONS = 3

/**
 * Why something changed, in a sentence: the largest contributions by name, those against the change set apart.
 *
 * @param change  the change of the whole
 * @param parts   the contributions, the largest in size first
 * @param say     how an amount is written, with its sign
 * @example       describeWhy(12, [{ key: 'Clips', change: 15 }, { key: 'Photos', change: -3 }], String) // 'Mostly
 *                                Clips (15); against it Photos (-3).'
 */
export function describeWhy(change: number, parts: readonly Contribution[], say: (amount: number) => string): string {
  const moved = parts.filter((part) => part.change !== 0).slice(0, NAMED_CONTRIBUTIONS)
  if (moved.length === 0) return 'No part has changed.'
  const list = (some: readonly Contribution[]) => some.map((part) => `${part.key} (${say(part.change)})`).join(', ')
  const along = moved.filter((part) => change === 0 || part.change > 0 === change > 0)
  const against = moved.filter((part) => !along.includes(part))
  if (along.length === 0) return `The named parts went the other way: ${list(against)}.`
  const others = against.length > 0 ? `; against it ${list(against)}` : ''
  return `${change === 0 ? 'Up and down cancel out' : 'Mostly'} ${list(along)}${others}.`
}
