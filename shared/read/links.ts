import { array, boolean, number, object, type InferType } from 'yup'
import type { CountChange } from '../../core/change/countChange'
import { contrast, READABLE } from '../../core/colours/contrast'
import { text } from '../platform/text'

const LONGEST_PART = 80

/** A part of a campaign, as it stands in an address. */
const campaignPart = () => text().max(LONGEST_PART, `Keep it under ${LONGEST_PART} letters.`).default('')

/** Whether a text is the address of a page that anybody's browser may be sent to. */
function isWebAddress(address: string): boolean {
  if (!URL.canParse(address)) return false
  const { protocol, hostname, username, password } = new URL(address)
  return /^https?:$/.test(protocol) && hostname !== '' && username === '' && password === ''
}

/** A link that counts its clicks, as somebody makes it. */
export const linkSchema = object({
  name: text().required('Give it a name, so that you find it again.').max(80, 'Keep the name under 80 letters.'),
  target: text()
    .required('Write where it leads.')
    .max(1600, 'That address is too long: 1,600 letters at the most.')
    .test('web', 'Write an address that begins with https:// or http://, without a name and password in it.', (value) =>
      isWebAddress(value ?? ''),
    ),
  source: campaignPart(),
  medium: campaignPart(),
  campaign: campaignPart(),
  content: campaignPart(),
})
export type LinkInput = InferType<typeof linkSchema>

/** Whether a link or a page is ended, or goes on. */
export const endedSchema = object({
  isEnded: boolean().typeError('It goes on, or it ends.').required('Say whether it ends.'),
})

/** How many links are shown at once. */
export const LINKS_AT_ONCE = 50
export const MOST_LINKS = 2000
export const linksSchema = object({
  rows: number().typeError('Ask for a number of links.').integer().min(1).max(MOST_LINKS).default(LINKS_AT_ONCE),
})

/** How often something was asked for: by people, by programs that say so, and ahead of a click that may not come. */
export interface VisitCounts {
  people: number
  robots: number
  prefetches: number
}

/** A tracked link with its clicks in a period. */
export interface LinkView extends LinkInput {
  id: number
  code: string
  createdAt: Date
  changedAt: Date | null
  endedAt: Date | null
  clicks: VisitCounts
  /** Clicks of people on the day that is not over yet, which belongs to no period. */
  today: number
  /** The clicks of people against the comparison; absent where nothing is compared. */
  change?: CountChange
  /** Why there is no change: it was made after the comparison began. */
  isYounger?: boolean
}

/** Clicks of a day or an hour; people’s alone. */
export interface VisitsOfDay {
  day: string
  visits: number
}

/** From where people came, or on which page they followed it. */
export interface VisitPart {
  facet: 'referrer' | 'country' | 'page'
  part: string
  name: string
  visits: number
}

/** Everything that is counted of one link or page in a period. */
export interface VisitDetail {
  counts: VisitCounts
  days: VisitsOfDay[]
  /** By the hour of the day, 0 to 23, in the client’s time zone. */
  hours: number[]
  parts: VisitPart[]
}

/** The tracked links of a client, the most followed first. */
export interface LinkList {
  links: LinkView[]
  /** How many there are in all. */
  all: number
  clicks: VisitCounts
  change?: CountChange
  /** Clicks of people on links that are shown and were made after the comparison began: no like stands beside them. */
  ofYounger: number
}

const colour = () => text().matches(/^#[0-9a-f]{6}$/i, 'Choose a colour.')
/** How many things stand on a page of links. */
export const MOST_ITEMS = 40

/** One thing on a page: a heading, or a link with its words. */
const itemSchema = object({
  text: text().required('Say what stands there.').max(120, 'Keep it under 120 letters.'),
  /** The tracked link that it leads to, by number; a heading has none. */
  link: number().integer().min(1).max(4_294_967_295).nullable().default(null),
})

/** A public page of several links, as somebody makes it. */
export const linkPageSchema = object({
  title: text().required('Give the page a title.').max(80, 'Keep the title under 80 letters.'),
  intro: text().max(400, 'Keep the text under 400 letters.').default(''),
  ground: colour().default('#FAF8F3'),
  ink: colour().default('#1B2333'),
  accent: colour().default('#23409A'),
  items: array(itemSchema.required()).max(MOST_ITEMS, `A page has ${MOST_ITEMS} parts at the most.`).default([]),
})
  .test(function test({ ground, ink }) {
    return contrast(ground, ink) < READABLE
      ? this.createError({ path: 'ink', message: unreadable('text', contrast(ground, ink)) })
      : true
  })
  .test(function test({ ground, accent }) {
    return contrast(ground, accent) < READABLE
      ? this.createError({ path: 'accent', message: unreadable('links', contrast(ground, accent)) })
      : true
  })
export type LinkPageInput = InferType<typeof linkPageSchema>

const unreadable = (what: string, found: number) =>
  `The ${what} could not be read on this ground: the contrast is ${found.toFixed(1)}, and ${READABLE} is needed.`

/** The public pages of a client, and the colour that a new one begins with: the agency's own. */
export interface LinkPages {
  pages: LinkPageView[]
  accent: string
}

/** A public page with what is counted of it. */
export interface LinkPageView extends LinkPageInput {
  id: number
  code: string
  createdAt: Date
  views: VisitCounts
  /** How often people followed each of its links from here, by number. */
  clicks: { link: number; visits: number }[]
}
