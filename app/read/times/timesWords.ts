import { daysBetween } from '~~/core/days/day'
import { describeDay } from '~~/core/periods/describePeriod'
import { slotName } from '~~/core/times/slots'
import { formatCount, formatShare } from '~~/core/format/numbers'
import type { TakenPost, TimesView } from '~~/shared/read/times'
import { slotMoment } from './slotMoment'

const listed = (names: readonly string[]) => new Intl.ListFormat('en').format(names)
const many = (count: number, locale: string) => `${formatCount(count, locale)} ${count === 1 ? 'post' : 'posts'}`

/** Whether the time of publishing matters, in words. */
export function chanceWords(
  { chance, posts, period }: Pick<TimesView, 'chance' | 'posts' | 'period'>,
  locale: string,
): string {
  const weeks = (daysBetween(period.from, period.to) + 1) / 7
  if (!chance)
    return posts.counted === 0
      ? 'No post of these weeks can be judged, so nothing is known of when posts do well.'
      : `Only ${many(posts.counted, locale)} of these weeks can be judged. From 20 on it can be told whether the time matters.`
  const { days, hours, slots, isBeyond, shuffles } = chance
  const rare = (share: number) =>
    share <= 1 / (shuffles + 1) ? `fewer than 1 of ${shuffles} shuffles` : `${formatShare(share, locale)} of shuffles`
  const said = `Chance alone sets weekdays as far apart in ${rare(days)}, hours in ${rare(hours)}, one slot in ${rare(slots)}`
  const among = `${many(posts.counted, locale)} of the ${weeks} weeks up to ${describeDay(period.to)}`
  if (!isBeyond) return `Among ${among} no day and no hour stands out. ${said}.`

  const level = 0.1 / 3
  const names = [days <= level ? 'the weekday' : '', hours <= level ? 'the hour' : '', slots <= level ? 'the slot' : '']
  return `Among ${among} it matters when they are published: by ${listed(names.filter(Boolean))}. ${said}.`
}

/** Why a slot that did well may not be among those that are suggested. */
export const takenWords = (taken: number): string =>
  taken === 0
    ? ''
    : `${taken === 1 ? 'One post is' : `${taken} posts are`} planned or tried in the coming week: a slot is taken for ` +
      'the profiles that post near it, and free for the others.'

/**
 * What is planned near the next time of a slot.
 *
 * @param isTaken  whether that is a post of every profile that is shown
 * @example slotTakenWords([{ profile: 1, profileName: 'Skarle, Commons', at, text: 'Night opening' }], false, { zone,
 *   locale: 'en-GB' }) // 'Taken for Skarle, Commons: Thu 29 Oct, 12:30, “Night opening”. Free for the others.'
 */
export function slotTakenWords(
  posts: readonly TakenPost[],
  isTaken: boolean,
  { zone, locale }: { zone: string; locale: string },
): string {
  const said = posts
    .slice(0, MOST_TAKEN_SAID)
    .map(
      ({ profileName, at, id, text }) =>
        `${profileName}: ${slotMoment(at, { zone, locale, withWeekday: true })}, ${id === undefined ? 'a try' : `“${beginning(text)}”`}`,
    )
  const more = posts.length > said.length ? [`${posts.length - said.length} more`] : []
  return `Taken for ${[...said, ...more].join('; ')}. ${isTaken ? 'Not counted.' : 'Free for the others.'}`
}
const MOST_TAKEN_SAID = 2
const LONGEST_BEGINNING = 40

/** The first words of a post, by which it is known again. */
const beginning = (text: string): string =>
  text.length <= LONGEST_BEGINNING ? text : `${text.slice(0, LONGEST_BEGINNING).replace(/\s+\S*$/, '')} …`

/** Which posts are left out, and why. */
export function leftOutWords({ paid, young, unknown, isCut }: TimesView['posts'], locale: string): string {
  const parts = [
    paid > 0 && `${many(paid, locale)} with paid impressions`,
    young > 0 && `${many(young, locale)} younger than a week`,
    unknown > 0 && `${many(unknown, locale)} of which the response or its base is not told`,
  ].filter(Boolean)
  return [
    parts.length > 0 ? `Left out: ${parts.join(', ')}.` : '',
    isCut ? 'Only the newest 20,000 posts are looked at.' : '',
  ]
    .filter(Boolean)
    .join(' ')
}

/** Of whom the audience there is, and how it is known. */
export function thereWords({ there, whyNotThere }: Pick<TimesView, 'there' | 'whyNotThere'>, locale: string): string {
  if (!there) return whyNotThere ?? ''
  const measured = there.networks.filter(({ isConverted }) => !isConverted).map(({ name }) => name)
  const converted = there.networks.filter(({ isConverted }) => isConverted).map(({ name }) => name)
  return [
    `Followers there: the mean of ${there.days} days, ${formatCount(there.followers, locale)} followers of ` +
      `${there.profiles === 1 ? 'one profile' : `${there.profiles} profiles, whoever follows two counted twice`}.`,
    measured.length > 0 ? `${measured.join(' and ')}: as the network counts.` : '',
    converted.length > 0
      ? `${converted.join(' and ')}: converted from the hours of people’s own day by the countries in which they live.`
      : '',
  ]
    .filter(Boolean)
    .join(' ')
}

/** Slots whose audience cannot be told apart from that of the fullest. */
export function fullestWords({ there }: Pick<TimesView, 'there'>): string {
  const known = (there?.slots ?? []).flatMap((slot) => slot ?? [])
  const first = known.filter(({ group }) => group === 1).sort((a, b) => b.ofAll - a.ofAll)
  if (first.length === 0) return ''
  const [fullest, ...others] = first
  return others.length === 0
    ? `The fullest hour is ${slotName(fullest!.slot)}.`
    : `The fullest hour is ${slotName(fullest!.slot)}; ${others.length} more cannot be told apart from it.`
}

/** How many slots have a lift, how many are above usual, and how many of these chance would put there. */
export function slotsWords({ lifts }: Pick<TimesView, 'lifts'>): string {
  const judged = lifts.filter(({ lift }) => lift)
  const above = judged.filter(({ lift }) => lift!.low > 0).length
  if (judged.length === 0) return ''
  return (
    `${judged.length} of 168 slots have the three posts that a lift needs; the interval of ${above} lies above usual, ` +
    `where chance alone would put about ${Math.round(judged.length * 0.1)}. Those are suggested of which one in ten is chance.`
  )
}
