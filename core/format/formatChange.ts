import type { Change } from '../change/change'
import type { Coverage, Figure } from '../figures/figure'
import { isSigned, metricById } from '../metrics/catalogue'
import type { Unit } from '../metrics/metric'
import { formatShort, formatValue } from './formatValue'
import type { Rounding } from './formatter'
import { formatCount, formatShare, formatSignedShare, oneDecimal } from './numbers'

/** A change in words, with its mark and how it is to be coloured. */
export interface ChangeText {
  mark: '▲' | '▼' | ''
  text: string
  /** The same without what it is from, for narrow places. */
  short: string
  judgement: Change['judgement']
}

/**
 * A change as it stands on the page: its direction in a mark and in words beside colour; of a rate in points, between
 * ranges too. A change that what is not known or chance may be all of is "no clear change"; one that is as large as
 * such changes usually are is "as usual".
 *
 * @param shown  the value that stands beside it: where the change rests on less, both numbers that it rests on are said
 * @example      formatChange('impressions', change, 'en-GB').text // '18.4 % from 348,655'
 */
export function formatChange(metric: string, change: Change, locale: string, shown?: number): ChangeText {
  const { judgement } = change
  const of = (text: string, short = text, mark: ChangeText['mark'] = ''): ChangeText => ({
    mark,
    text,
    short,
    judgement,
  })
  if (change.reason) return of('nothing to compare with')
  const mark = change.direction === 'up' ? '▲' : change.direction === 'down' ? '▼' : ''
  if (change.difference === undefined || change.from === undefined)
    return change.isUnclear ? of('no clear change') : of(openChange(metric, change, locale), undefined, mark)
  if (change.direction === 'same') return of('no change')
  const { unit } = metricById(metric)
  const write = (value: number) => {
    const sign = isSigned(metricById(metric)) && value > 0 ? '+' : ''
    return `${sign}${change.approximate ? formatShort(value, unit, locale) : formatValue(value, unit, locale)}`
  }
  const isOther = shown !== undefined && change.to !== undefined && change.to !== shown
  const numbers = isOther ? `: ${write(change.to!)} from ${write(change.from)}` : ` from ${write(change.from)}`
  const remarks = `${byDay(change, locale)}${change.usual?.isWithin ? ', as usual' : ''}${change.small ? ', small base' : ''}`
  if (change.isUnclear)
    return of(
      `no clear change${numbers}${byDay(change, locale)}${change.small ? ', small base' : ''}`,
      'no clear change',
    )
  const amount = `${change.approximate ? 'about ' : ''}${amountOf(metric, change, locale)}`
  return of(`${amount}${numbers}${remarks}`, amount, mark)
}

/** A count by the day, where the two periods are not equally long. */
const byDay = ({ perDay }: Change, locale: string): string =>
  perDay?.relative === undefined ? '' : ` (a day ${signed(perDay.relative, locale)})`

const signed = formatSignedShare

function amountOf(metric: string, { difference = 0, relative, approximate }: Change, locale: string): string {
  const { unit } = metricById(metric)
  if (unit === 'share') return `${oneDecimal(Math.abs(difference) * 100, locale)}\u202Fpt`
  return relative === undefined
    ? (approximate ? formatShort : formatValue)(Math.abs(difference), unit, locale)
    : formatShare(Math.abs(relative), locale)
}

/** What can be said where the figures are only bounded; in the unit in which the metric's changes are always given. */
function openChange(
  metric: string,
  { low, high, differenceLow, differenceHigh, direction }: Change,
  locale: string,
): string {
  const isShare = metricById(metric).unit === 'share'
  const [least, most] = isShare ? [differenceLow, differenceHigh] : [low, high]
  const say = (value: number, rounding: Rounding) =>
    isShare
      ? `${value > 0 ? '+' : ''}${oneDecimal(value * 100, locale, rounding)}\u202Fpt`
      : signed(value, locale, rounding)
  if (least === undefined || most === undefined) return 'cannot be told'
  const range = `${say(least, 'down')} to ${say(most, 'up')}`
  return direction === 'unknown' ? `cannot be told: ${range}` : range
}

/**
 * What a change rests on, in sentences: both numbers with their days and, where the periods are not equally long, both
 * by the day.
 *
 * @example restsOn('impressions', change, 'en-GB')[0] // 'It rests on 10,378 now and 11,606 then, over the 26 of 28
 *                                 days with data in both periods.'
 */
export function restsOn(metric: string, { from, to, basis, perDay, reason }: Change, locale: string): string[] {
  const { unit } = metricById(metric)
  if (reason) return [reason]
  const write = (value: number) => formatValue(value, unit, locale)
  const day = (value: number) => (unit === 'seconds' ? write(value) : oneDecimal(value, locale))
  return [
    ...(from !== undefined && to !== undefined
      ? [`It rests on ${write(to)} now and ${write(from)} then${basis ? `, ${basis}` : ''}.`]
      : basis
        ? [`It is told ${basis}.`]
        : []),
    ...(perDay
      ? [
          `The periods are not equally long: by the day ${day(perDay.to)} now and ${day(perDay.from)} ` +
            `then${perDay.relative === undefined ? '' : `, ${signed(perDay.relative, locale)}`}. Better or ` +
            'worse is said only where the whole and the day agree.',
        ]
      : []),
  ]
}

/**
 * Everything that a careful reader asks of a change, in sentences: what it rests on, how much of it may be chance, and
 * what is usual.
 */
export function explainChange(metric: string, change: Change, locale: string): string[] {
  const { unit, kind } = metricById(metric)
  const { from, usual } = change
  return [
    ...restsOn(metric, change, locale),
    ...(change.isUnclear
      ? [
          change.chance === undefined
            ? 'No clear change: the ranges of the two meet, so what is not known may be all of it.'
            : `No clear change: chance alone makes such numbers differ as much in ${formatShare(change.chance, locale)} ` +
              'of cases, given how they scatter. One is called clear below 5 %, and of all that stand on a page ' +
              'together no more than one in twenty may be chance.',
        ]
      : []),
    ...(usual
      ? [
          'Four of five such changes over the past year lay between ' +
            `${usualEnd(usual.low, usual.scale, unit, from, locale, 'down')} and ` +
            `${usualEnd(usual.high, usual.scale, unit, from, locale, 'up')} (${usual.count} comparisons). ` +
            `${usual.isWithin ? 'This one is among them: as usual, so neither better nor worse.' : 'This one is not.'}`,
        ]
      : []),
    ...(change.small && !change.reason
      ? [`A small base: fewer than 30 ${kind === 'ratio' ? 'in the denominator ' : ''}in one of the periods.`]
      : []),
  ]
}

function usualEnd(
  value: number,
  scale: 'relative' | 'difference',
  unit: Unit,
  from: number | undefined,
  locale: string,
  rounding: Rounding,
): string {
  if (scale === 'difference') return `${value > 0 ? '+' : ''}${formatCount(value, locale, rounding)}`
  // of a rate in points of the rate that it is compared with
  if (unit === 'share' && from !== undefined)
    return `${value > 0 ? '+' : ''}${oneDecimal(value * from * 100, locale, rounding)}\u202Fpt`
  return signed(value, locale, rounding)
}

/**
 * On how many days a figure rests, where that is not all of them.
 *
 * @returns '' where nothing is missing
 * @example coverageText({ expected: 28, present: 20, partial: [{ profile: 1, present: 20, expected: 28 }], unreported:
 *                         [] }, 'en-GB') // 'on 20 of 28 days'
 */
export function coverageText({ expected, present, partial }: Coverage, locale: string): string {
  if (present >= expected) return ''
  const each = partial[0]?.expected ?? expected
  const [some, all] = [formatCount(present, locale), formatCount(expected, locale)]
  return each === 1
    ? `of ${some} of ${all} profiles`
    : `on ${some} of ${all} ${expected > each ? 'profile-days' : 'days'}`
}

/** How well a figure is known, in words: a value with days missing is exact only on the days that it has. */
export function knownText(figure: Figure, locale: string): string {
  if (figure.reason) return figure.reason
  const missing = coverageText(figure.coverage, locale)
  return `${figure.exactness}${missing ? ` ${missing}` : ''}`
}
