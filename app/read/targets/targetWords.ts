import type { Rounding } from '~~/core/format/formatter'
import { inSentence } from '~~/core/format/inSentence'
import { formatValue } from '~~/core/format/formatValue'
import { metricById } from '~~/core/metrics/catalogue'
import { describeDay } from '~~/core/periods/describePeriod'
import type { TargetView } from '~~/shared/read/targets'

/** A target in a line: what, of whom, how much, by when. */
export const targetWords = ({ metric, wanted, by, whoWords }: TargetView, locale: string): string =>
  `${metricById(metric).name} of ${inSentence(whoWords)}: ${formatValue(wanted, metricById(metric).unit, locale)} by ${describeDay(by)}`

/** Where a target in danger is heading. */
export function targetHeading({ metric, heading, progress }: TargetView, locale: string): string {
  if (progress.standing === 'missed') return 'missed'
  const value = (number: number, rounding: Rounding) => formatValue(number, metricById(metric).unit, locale, rounding)
  return heading ? `heading for ${value(heading.low, 'down')} to ${value(heading.high, 'up')}` : 'in danger'
}
