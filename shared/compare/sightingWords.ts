import { formatCount, oneDecimal } from '../../core/format/numbers'
import { describeDay } from '../../core/periods/describePeriod'
import type { Sighting } from './sightings'

/** So much of a post is quoted. */
const QUOTED = 80

const quoted = (text: string): string => {
  const letters = [...text.replace(/\s+/g, ' ').trim()]
  return letters.length > QUOTED ? `${letters.slice(0, QUOTED).join('')}…` : letters.join('')
}

/**
 * What a rival was seen to do, in words that stand after its name.
 *
 * @example sightingWords({ kind: 'hashtag', text: 'cometclub', from: '2026-10-11', … }, 'en-GB')
 * // 'began to use #cometclub on 11 Oct 2026.'
 */
export function sightingWords(
  { kind, day, from, amount: given, usual = 0, text, networkName }: Omit<Sighting, 'id' | 'rival'>,
  locale: string,
): string {
  const amount = given ?? 0
  switch (kind) {
    case 'post': {
      const times =
        usual > 0 ? `, ${oneDecimal(amount / usual, locale)} times the usual ${formatCount(usual, locale)}` : ''
      return `had a post on ${networkName} with ${formatCount(amount, locale)} interactions${times}: “${quoted(text)}”`
    }
    case 'silence':
      return (
        `had posted nothing since ${describeDay(from ?? day)}: much longer than any pause of the year before, ` +
        `of which the longest was ${formatCount(amount, locale)} ${amount === 1 ? 'day' : 'days'}.`
      )
    case 'hashtag':
      return `began to use #${text} on ${describeDay(from ?? day)}, in three posts by ${describeDay(day)}.`
    case 'renamed': {
      const [former = '', present = ''] = text.split('\n')
      return `is ${present} on ${networkName} now: ${former} was renamed, and is followed on under the new handle.`
    }
    case 'gone':
      return `is no longer on ${networkName} as ${text}, as was seen on ${describeDay(day)}. What it had up to then is kept.`
    case 'network':
      return `seems to be on ${networkName} too, as ${text}${given !== undefined ? `, with ${formatCount(amount, locale)} followers` : ''}.`
  }
}
