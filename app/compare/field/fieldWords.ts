import { addDays, type Day } from '~~/core/days/day'
import { sizeClassOf, sizeClassWords } from '~~/core/field/sizeClasses'
import { formatShare, formatSignedShare, oneDecimal } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import { metricById } from '~~/core/metrics/catalogue'
import type { FieldMember, FieldTable } from '~~/shared/compare/field'

/** Two that differ by less than this are about alike. */
const ALIKE = 0.05

const isAlike = (ratio: number): boolean => Math.abs(Math.log(ratio)) < Math.log(1 + ALIKE)
const times = (ratio: number, locale: string): string => `${oneDecimal(Math.max(ratio, 1 / ratio), locale)} times`

/**
 * What parts a rival from the client, in words.
 *
 * @example separationWords({ posts: 2.1, each: 0.71, together: 1.5, … }, 'en-GB')
 * // 'posts 2.1 times as often; per post you bring 1.4 times as many interactions. Together it gets 1.5 times as many.'
 */
export function separationWords(
  { posts, each, together }: NonNullable<FieldMember['separation']>,
  locale: string,
): string {
  const often = isAlike(posts)
    ? 'posts about as often as you'
    : posts > 1
      ? `posts ${times(posts, locale)} as often as you`
      : `posts less often: you do ${times(posts, locale)} as often`
  const per = isAlike(each)
    ? 'per post it brings about as many interactions'
    : each > 1
      ? `per post it brings ${times(each, locale)} as many interactions`
      : `per post you bring ${times(each, locale)} as many interactions`
  const whole = isAlike(together)
    ? 'Together that comes to about the same.'
    : together > 1
      ? `Together it gets ${times(together, locale)} as many.`
      : `Together you get ${times(together, locale)} as many.`
  return `${often}; ${per}. ${whole}`
}

/**
 * What parts a rival from the client per post, by formats, in words.
 *
 * @example formatWords({ from: 10, to: 30, mix: 4, rate: 16, most: { key: 'clip', change: 18, mix: 3, rate: 15 } }, 'en-GB')
 * // 'Beside yours its posts have +20.0 interactions each: +4.0 by the mix of formats, +16.0 by what each format brings;
 * // most of it is clip (+18.0).'
 */
export function formatWords(
  { from, to, mix, rate, most }: NonNullable<FieldMember['formats']>,
  locale: string,
): string {
  const signed = (value: number) => `${value > 0 ? '+' : ''}${oneDecimal(value, locale)}`
  return (
    `Beside yours its posts have ${signed(to - from)} interactions each: ${signed(mix)} by the mix of formats, ` +
    `${signed(rate)} by what each format brings; most of it is ${most.key} (${signed(most.change)}).`
  )
}

/** The month that lies some weeks after a day. */
const monthAfter = (day: Day, weeks: number, locale: string): string =>
  new Intl.DateTimeFormat(locale, { month: 'long', year: 'numeric', timeZone: 'UTC' }).format(
    new Date(`${addDays(day, weeks * 7)}T00:00:00Z`),
  )

/** When the smaller of a rival and the client stands level with the larger one, in words. */
export function meetingWords(
  { meeting }: Pick<FieldMember, 'meeting'>,
  lastDay: Day,
  locale: string,
): string | undefined {
  if (!meeting) return undefined
  const { isOvertaken, ratio, pace, from, to } = meeting
  const part = isAlike(ratio)
    ? isOvertaken
      ? 'has about your following'
      : 'has about your following, a little more'
    : isOvertaken
      ? `has ${formatShare(1 / ratio, locale)} of your following`
      : `has ${times(ratio, locale)} your following`
  const [who, whom] = isOvertaken ? ['it', 'you'] : ['you', 'it']
  if (pace <= 0 && from === undefined)
    return `${part}, and ${isOvertaken ? 'grows no faster' : 'you grow no faster'}: at this pace the gap does not close.`
  if (from === undefined) return `${part}. If both go on, ${who} will not stand level with ${whom} within two years.`
  const early = monthAfter(lastDay, from, locale)
  if (to === undefined)
    return `${part}. If both go on, ${who} may stand level with ${whom} from ${early} on, or not within two years.`
  const late = monthAfter(lastDay, to, locale)
  return early === late
    ? `${part}. If both go on, ${who} will stand level with ${whom} in ${early}.`
    : `${part}. If both go on, ${who} will stand level with ${whom} between ${early} and ${late}.`
}

/**
 * How a member grows beside others, and since when otherwise than before, in words; '' where neither is clear.
 *
 * @example growthWords(member, 'en-GB')
 * // 'It grows faster than the 3 others of its size (1,000 to 10,000 followers): +9.1 % in four weeks, their middle +0.9 %.'
 */
export function growthWords(
  {
    isOwn,
    followers,
    growth,
    standsOut,
    turn,
  }: Pick<FieldMember, 'isOwn' | 'followers' | 'growth' | 'standsOut' | 'turn'>,
  locale: string,
): string {
  const signed = (share: number) => formatSignedShare(share, locale)
  const [who, grows] = isOwn ? ['You', 'grow'] : ['It', 'grows']
  const { is = 'alike', others = 0, ofSize = false, middle = 0 } = standsOut ?? {}
  const whom =
    ofSize && followers !== undefined
      ? `the ${others} others of ${isOwn ? 'your' : 'its'} size (${sizeClassWords(sizeClassOf(followers), locale)})`
      : `the ${others} others of the field`
  const beside =
    is === 'alike' || !growth
      ? ''
      : `${who} ${grows} ${is === 'faster' ? 'faster' : 'more slowly'} than ${whom}: ${signed(growth.value)} in four ` +
        `weeks, their middle ${signed(middle)}.`
  const since = turn
    ? `Since ${describeDay(turn.from)} ${isOwn ? 'you grow' : 'it grows'} ` +
      `${turn.after > turn.before ? 'faster' : 'more slowly'}: ${signed(turn.after)} in four weeks, before ` +
      `${signed(turn.before)}.`
    : ''
  return [beside, since].filter(Boolean).join(' ')
}

/** Where the client stands against the median of its field, in words; undefined where the field is too small. */
export function medianWords(tables: readonly FieldTable[], own: number, locale: string): string | undefined {
  const places = tables.flatMap(({ metric, rows, band }) => {
    const index = band && rows.find(({ member }) => member === own)?.standing?.index
    return index === undefined ? [] : [{ name: metricById(metric).name.toLowerCase(), index }]
  })
  if (places.length === 0) return undefined
  const say = (chosen: typeof places) =>
    chosen.map(({ name, index }) => `${name} (${oneDecimal(index, locale)})`).join(', ')
  const ahead = places.filter(({ index }) => index > 100 * (1 + ALIKE))
  const behind = places.filter(({ index }) => index < 100 / (1 + ALIKE))
  const level = places.filter((place) => !ahead.includes(place) && !behind.includes(place))
  const parts = [
    ahead.length > 0 && `ahead in ${say(ahead)}`,
    behind.length > 0 && `behind in ${say(behind)}`,
    level.length > 0 && `about level in ${say(level)}`,
  ].filter(Boolean)
  return `Against the median of the field, which is 100, you are ${parts.join('; ')}.`
}
