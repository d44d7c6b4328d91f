import { bySize, type Contribution } from './contributions'

/** A part of a rate: its numerator and denominator before and after (counts, ≥ 0). */
export interface PartOfRate {
  key: string
  from: { numerator: number; denominator: number }
  to: { numerator: number; denominator: number }
}

/** What a part did to the change of a rate, split into its weight and its own rate. */
export interface RateContribution extends Contribution {
  /** By having more or less weight than before, seen against the average rate. */
  mix: number
  /** By doing better or worse itself. */
  rate: number
}

/** How a rate changed, and why. */
export interface MixAndRate {
  from: number
  to: number
  /** Because parts with another rate gained or lost weight. */
  mix: number
  /** Because parts did better or worse themselves. */
  rate: number
  parts: RateContribution[]
}

/**
 * The change of a rate, split into mix and rate: the decomposition of Kitagawa EM (1955), "Components of a difference
 * between two rates", J Am Stat Assoc 50:1168–1194, with the interaction shared evenly. Mix and rate add up exactly to
 * the change, over all parts and for each.
 *
 * A part without a denominator on one side has no rate there; it is given its rate of the other side, so that it counts
 * as mix alone.
 *
 * @returns undefined when either period has no denominator at all
 * @example mixAndRate(parts)?.mix
 */
export function mixAndRate(parts: readonly PartOfRate[]): MixAndRate | undefined {
  const total = (side: 'from' | 'to', what: 'numerator' | 'denominator') =>
    parts.reduce((sum, part) => sum + part[side][what], 0)
  const [before, after] = [total('from', 'denominator'), total('to', 'denominator')]
  if (before <= 0 || after <= 0) return undefined
  const [from, to] = [total('from', 'numerator') / before, total('to', 'numerator') / after]
  const middle = (from + to) / 2
  const split = parts.map((part): RateContribution => {
    const [weightBefore, weightAfter] = [part.from.denominator / before, part.to.denominator / after]
    const rateBefore = rateOf(part.from) ?? rateOf(part.to) ?? 0
    const rateAfter = rateOf(part.to) ?? rateOf(part.from) ?? 0
    // the weights' changes add up to nothing, so taking the average rate away leaves the sum as it is and gives each
    // part its own meaning
    const mix = (weightAfter - weightBefore) * ((rateBefore + rateAfter) / 2 - middle)
    const rate = (rateAfter - rateBefore) * ((weightBefore + weightAfter) / 2)
    return { key: part.key, mix, rate, change: mix + rate }
  })
  const sum = (what: 'mix' | 'rate') => split.reduce((all, part) => all + part[what], 0)
  return { from, to, mix: sum('mix'), rate: sum('rate'), parts: bySize(split) }
}

const rateOf = ({ numerator, denominator }: { numerator: number; denominator: number }): number | undefined =>
  denominator > 0 ? numerator / denominator : undefined
