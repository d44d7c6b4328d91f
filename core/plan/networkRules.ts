import { networkById } from '../networks/networks'
import { hashtagsOf, textLength, type Counting } from './textLength'

/** What can be shown with a post. */
export interface PlanMedia {
  /** A media type, such as “image/png”. */
  type: string
  bytes: number
  isAnimated: boolean
  alt: string
}

/** The kinds of a post on a listing. */
export const LISTING_KINDS = ['news', 'event', 'offer', 'product'] as const
export type ListingKind = (typeof LISTING_KINDS)[number]

/** A post as one network is to have it. */
export interface PlanContent {
  text: string
  heading: string
  collection: string
  link: string
  kind: string
  /** From when to when an event or an offer is, as days; empty where it is none. */
  startsOn: string
  endsOn: string
  media: readonly PlanMedia[]
}

/** What a network takes. A rule that is left out is none. */
export interface NetworkRules {
  text: { most: number; counting: Counting; linkLength?: number; isNeeded?: true }
  pictures: { most: number; mostBytes: number; types: readonly string[]; noAnimated?: true }
  videos: number
  /** What has to be shown. */
  needs?: 'picture' | 'video' | 'picture or video'
  heading?: { most: number; isNeeded: boolean }
  needsCollection?: true
  kinds?: readonly ListingKind[]
  hashtags?: number
  takesLink: boolean
  /** How many minutes the network wants between two posts of one profile. */
  minutesApart: number
}

const PICTURES = ['image/jpeg', 'image/png', 'image/webp', 'image/gif']
const MB = 1_000_000
/** What a post shows at the most, in bytes, all of it together: that much is sent at once. */
const MOST_SHOWN = 16 * MB

/** The rules of every network, by its id. */
export const NETWORK_RULES: Readonly<Record<string, NetworkRules>> = {
  commons: {
    text: { most: 5000, counting: 'letters' },
    pictures: { most: 10, mostBytes: 8 * MB, types: PICTURES },
    videos: 1,
    takesLink: true,
    minutesApart: 10,
  },
  tintype: {
    text: { most: 2200, counting: 'letters' },
    pictures: { most: 10, mostBytes: 8 * MB, types: PICTURES, noAnimated: true },
    videos: 1,
    needs: 'picture or video',
    hashtags: 30,
    takesLink: false,
    minutesApart: 30,
  },
  zoetrope: {
    text: { most: 500, counting: 'code points' },
    pictures: { most: 0, mostBytes: 0, types: [] },
    videos: 1,
    needs: 'video',
    takesLink: false,
    minutesApart: 30,
  },
  lantern: {
    text: { most: 5000, counting: 'code points' },
    pictures: { most: 0, mostBytes: 0, types: [] },
    videos: 1,
    needs: 'video',
    heading: { most: 100, isNeeded: true },
    takesLink: true,
    minutesApart: 60,
  },
  guildhall: {
    text: { most: 3000, counting: 'units', isNeeded: true },
    pictures: { most: 9, mostBytes: 5 * MB, types: PICTURES },
    videos: 1,
    takesLink: true,
    minutesApart: 30,
  },
  murmur: {
    text: { most: 300, counting: 'letters', linkLength: 25 },
    pictures: { most: 4, mostBytes: 5 * MB, types: PICTURES },
    videos: 0,
    takesLink: true,
    minutesApart: 1,
  },
  cork: {
    text: { most: 500, counting: 'letters' },
    pictures: { most: 1, mostBytes: 8 * MB, types: PICTURES },
    videos: 0,
    needs: 'picture',
    heading: { most: 100, isNeeded: true },
    needsCollection: true,
    takesLink: true,
    minutesApart: 5,
  },
  waymark: {
    text: { most: 1500, counting: 'units', isNeeded: true },
    pictures: { most: 1, mostBytes: 5 * MB, types: ['image/jpeg', 'image/png'] },
    videos: 0,
    heading: { most: 58, isNeeded: false },
    kinds: LISTING_KINDS,
    takesLink: true,
    minutesApart: 60,
  },
}

/** What a network does not show of a post, though it takes it; empty where it shows everything. */
export const linkHint = ({ link }: Pick<PlanContent, 'link'>, network: string): string =>
  link === '' || NETWORK_RULES[network]!.takesLink
    ? ''
    : `${networkById(network).name} has no place for a link: it is not shown there.`

/** The field of a post that something is wrong with. */
export type PlanField = 'text' | 'media' | 'heading' | 'collection' | 'kind' | 'time'

/** What a network will not take, in a sentence. */
export interface RuleProblem {
  field: PlanField
  sentence: string
}

/** The text as the network is given it: with the link behind it where it has no field of its own. */
export const textWithLink = ({ text, link }: Pick<PlanContent, 'text' | 'link'>): string =>
  link === '' || text.includes(link) ? text : `${text}${text === '' ? '' : ' '}${link}`

const many = (count: number, one: string, more = `${one}s`) =>
  `${count.toLocaleString('en')} ${count === 1 ? one : more}`
const isPicture = ({ type }: PlanMedia) => type.startsWith('image/')

/**
 * What a network will not take of a post, each in a sentence beside its field; empty where all is well.
 *
 * @throws  Unreadable when there is no such network
 * @example ruleProblems({ ...post, text: '' }, 'guildhall') // [{ field: 'text', sentence: 'Guildhall takes no post without a text.' }]
 */
export function ruleProblems(post: PlanContent, network: string): RuleProblem[] {
  const { name } = networkById(network)
  const rules = NETWORK_RULES[network]!
  return [
    ...textProblems(post, rules, name),
    ...mediaProblems(post, rules, name),
    ...headingProblems(post, rules, name),
    ...kindProblems(post, rules, name),
  ]
}

function textProblems(post: PlanContent, { text, hashtags, takesLink }: NetworkRules, name: string): RuleProblem[] {
  const found: RuleProblem[] = []
  const whole = takesLink ? textWithLink(post) : post.text
  const length = textLength(whole, text.counting, text.linkLength)
  if (length > text.most)
    found.push({
      field: 'text',
      sentence: `${name} takes ${many(text.most, 'letter')} at the most. This is ${many(length - text.most, 'letter')} too long.`,
    })
  if (text.isNeeded && post.text.trim() === '')
    found.push({ field: 'text', sentence: `${name} takes no post without a text.` })
  else if (whole.trim() === '' && post.media.length === 0)
    found.push({ field: 'text', sentence: `${name} needs a text, a picture or a video.` })
  const tags = hashtagsOf(whole).length
  if (hashtags !== undefined && tags > hashtags)
    found.push({ field: 'text', sentence: `${name} takes ${hashtags} hashtags at the most. These are ${tags}.` })
  return found
}

function mediaProblems({ media }: PlanContent, { pictures, videos, needs }: NetworkRules, name: string): RuleProblem[] {
  const shown = media.filter(isPicture)
  const films = media.length - shown.length
  const problem = (sentence: string): RuleProblem[] => [{ field: 'media', sentence }]
  return [
    ...(needs === 'picture' && shown.length === 0 ? problem(`${name} needs a picture.`) : []),
    ...(needs === 'video' && films === 0 ? problem(`${name} needs a video.`) : []),
    ...(needs === 'picture or video' && media.length === 0 ? problem(`${name} needs a picture or a video.`) : []),
    ...(shown.length > pictures.most
      ? problem(
          pictures.most === 0
            ? `${name} takes no pictures, only a video.`
            : `${name} takes ${many(pictures.most, 'picture')} at the most. These are ${shown.length}.`,
        )
      : []),
    ...(films > videos
      ? problem(videos === 0 ? `${name} takes no video.` : `${name} takes one video. These are ${films}.`)
      : []),
    ...(films > 0 && shown.length > 0 && videos > 0 && pictures.most > 0
      ? problem(`${name} takes pictures or a video, not both.`)
      : []),
    ...(media.reduce((sum, { bytes }) => sum + bytes, 0) > MOST_SHOWN
      ? problem(`What a post shows comes to ${MOST_SHOWN / MB} MB at the most, all of it together.`)
      : []),
    ...(pictures.noAnimated && shown.some(({ isAnimated }) => isAnimated)
      ? problem(`${name} takes no picture that moves.`)
      : []),
    ...(pictures.most > 0 && shown.some(({ type }) => !pictures.types.includes(type))
      ? problem(
          `${name} takes no picture of this kind (${shown.find(({ type }) => !pictures.types.includes(type))!.type}).`,
        )
      : []),
    ...(pictures.most > 0 && shown.some(({ bytes }) => bytes > pictures.mostBytes)
      ? problem(`${name} takes pictures of ${pictures.mostBytes / MB} MB at the most.`)
      : []),
  ]
}

function headingProblems(post: PlanContent, { heading, needsCollection }: NetworkRules, name: string): RuleProblem[] {
  const found: RuleProblem[] = []
  if (heading?.isNeeded && post.heading === '') found.push({ field: 'heading', sentence: `${name} needs a heading.` })
  if (heading && textLength(post.heading, 'letters') > heading.most)
    found.push({ field: 'heading', sentence: `${name} takes a heading of ${heading.most} letters at the most.` })
  if (needsCollection && post.collection === '')
    found.push({ field: 'collection', sentence: `${name} needs the collection that it is pinned to.` })
  return found
}

function kindProblems(post: PlanContent, { kinds }: NetworkRules, name: string): RuleProblem[] {
  if (!kinds) return []
  if (post.kind === '')
    return [{ field: 'kind', sentence: `${name} needs to know what kind of post it is: ${kinds.join(', ')}.` }]
  const found: RuleProblem[] = []
  if (post.kind !== 'news' && post.heading === '')
    found.push({
      field: 'heading',
      sentence: `${name} needs a heading for an ${post.kind}.`.replace('an product', 'a product'),
    })
  if ((post.kind === 'event' || post.kind === 'offer') && (post.startsOn === '' || post.endsOn === ''))
    found.push({ field: 'kind', sentence: `${name} needs to know from when to when the ${post.kind} is.` })
  else if (post.startsOn > post.endsOn) found.push({ field: 'kind', sentence: 'It ends before it begins.' })
  return found
}

/**
 * What is wrong with a time: it is too near to another post of the same profile.
 *
 * @param others  when else the profile posts, in milliseconds since 1970 UTC
 * @example nearProblems(0, [30_000], 'murmur')[0]!.field // 'time'
 */
export function nearProblems(at: number, others: readonly number[], network: string): RuleProblem[] {
  const { name } = networkById(network)
  const apart = NETWORK_RULES[network]!.minutesApart
  if (!others.some((other) => Math.abs(other - at) < apart * 60_000)) return []
  return [
    {
      field: 'time',
      sentence: `${name} wants ${many(apart, 'minute')} between two posts of a profile; another is planned too near.`,
    },
  ]
}
