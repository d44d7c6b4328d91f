import { describeDay } from '../../core/periods/describePeriod'
import { formatCount } from '../../core/format/numbers'
import { formatter } from '../../core/format/formatter'
import { referenceMeasure, type Reference } from '../../core/industry/reference'
import { networkById } from '../../core/networks/networks'
import type { KeptReference } from './industry'

/** Of how many accounts, in words. */
export function sizeWords({ from, below }: Pick<Reference, 'from' | 'below'>, locale: string): string {
  const say = (count: number) => formatCount(count, locale)
  if (from === undefined && below === undefined) return 'of any size'
  if (below === undefined) return `of ${say(from!)} followers or more`
  return from === undefined ? `of fewer than ${say(below)} followers` : `of ${say(from)} to ${say(below)} followers`
}

/** A value of a measure: a share with two decimals, since these are small; everything else with one. */
export const measureValue = (measure: string, value: number, locale: string): string =>
  referenceMeasure(measure).unit === 'share'
    ? `${formatter(locale, 2).format(100 * value)}\u202F%`
    : formatter(locale, 1).format(value)

/**
 * A figure of an industry in words.
 *
 * @example referenceWords(reference, 'en-GB')
 * // 'Posts a week on Tintype, accounts of 1,000 to 10,000 followers: 3.2 (quartiles 1.8 and 5.0). Garden almanac, 1 Mar 2026.'
 */
export function referenceWords(one: Omit<KeptReference, 'id'>, locale: string): string {
  const value = (given: number) => measureValue(one.measure, given, locale)
  const quartiles =
    one.lower !== undefined && one.upper !== undefined
      ? ` (quartiles ${value(one.lower)} and ${value(one.upper)})`
      : one.lower !== undefined
        ? ` (lower quartile ${value(one.lower)})`
        : one.upper !== undefined
          ? ` (upper quartile ${value(one.upper)})`
          : ''
  const where = one.network === '' ? 'on any network' : `on ${networkById(one.network).name}`
  return (
    `${referenceMeasure(one.measure).name} ${where}, accounts ${sizeWords(one, locale)}: ${value(one.middle)}${quartiles}. ` +
    `${sourceWords(one)}.`
  )
}

/** Where a figure is from, and of when; what was made up says so. */
export const sourceWords = ({
  source,
  day,
  isInvented,
}: Pick<KeptReference, 'source' | 'day' | 'isInvented'>): string =>
  `${source}, ${describeDay(day)}${isInvented ? ' (invented)' : ''}`
