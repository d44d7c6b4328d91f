import { object, type InferType } from 'yup'
import type { Overtaking } from '../../core/field/overtaking'
import type { FormatSeparation, Separation } from '../../core/field/separation'
import type { StandingOut } from '../../core/field/standingOut'
import type { Standing, TypicalBand } from '../../core/field/standings'
import { fieldFields } from '../figures/fieldFields'

/** The three sides on which a field is compared, each by one public measure; and what they come to. */
export const FIELD_MEASURES = [
  { metric: 'followers', side: 'Following' },
  { metric: 'posts', side: 'Output' },
  { metric: 'interactions', side: 'Response' },
  { metric: 'interactions_per_post', side: 'Response by post' },
  { metric: 'engagement_by_followers', side: 'Response by followers' },
  { metric: 'views', side: 'Video views' },
] as const
export type FieldMetric = (typeof FIELD_MEASURES)[number]['metric']

export const fieldSchema = object(fieldFields)
export type FieldQuery = InferType<typeof fieldSchema>

/** A member of a field in one measure, over two periods. */
export interface FieldRow {
  member: number
  /** What it has over the period, by which it stands where it does; and what it had over the comparison. */
  value?: number
  before?: number
  /** What the change is between: over the days, or the profiles, that both periods have. */
  from?: number
  to?: number
  difference?: number
  /** Of a rate none: it is given in points. */
  rate?: number
  isUnclear?: boolean
  standing?: Standing
  /** Its rank in the comparison. */
  rankBefore?: number
  /** Of how many days of its profiles something is known, where not of all. */
  days?: { known: number; of: number }
  reason?: string
}

export interface FieldTable {
  metric: FieldMetric
  rows: FieldRow[]
  /** Absent where fewer than three members have a value. */
  band?: TypicalBand
}

/** One organisation: the client, or a rival. */
export interface FieldMember {
  /** One of its profiles, by which an address names it. */
  id: number
  name: string
  isOwn: boolean
  networks: string[]
  profiles: number
  followers?: number
  /** Growth in four weeks at the pace of its last 26, with the 80 % interval of that pace. */
  growth?: { value: number; low: number; high: number; weeks: number }
  /** How it grows beside others of its size, or of the whole field; `middle` is their growth in four weeks. */
  standsOut?: StandingOut
  /** Since when it grows otherwise: the first day of that week, and what four weeks brought before and bring now. */
  turn?: { from: string; before: number; after: number }
  /** The last day on which it has posted. */
  lastPost?: string
  /** Its profiles that their networks no longer have, each with the day on which that was seen. */
  gone?: { handle: string; networkName: string; on: string }[]
  /** Its part of all interactions of the field, now and in the comparison. */
  voice?: { now: number; then?: number }
  /** Of a rival: what parts it from the client. */
  separation?: Separation
  /** Of a rival: what parts it from the client per post, by formats. */
  formats?: FormatSeparation
  /** Of a rival: when the smaller of the two stands level with the larger one. */
  meeting?: Overtaking & { isOvertaken: boolean; ratio: number }
}

/** A post of the field that did well, by what everybody can see of it. */
export interface FieldPost {
  member: number
  /** Its profile, and the network’s id of it; editions of before these came do not have them. */
  profile?: number
  id?: string
  /** What is to be seen on its picture, in words; absent where it has none. */
  alt?: string
  tags?: { id: number; name: string; colour: number }[]
  networkName: string
  format: string
  text: string
  publishedAt: Date
  interactions: number
  /** Beside the median post of its profile in the year before the end of the period. */
  times?: number
}

/** Whom a field can have beside the client, and on which networks. */
export interface FieldChoices {
  networks: { id: string; name: string }[]
  rivals: { id: number; name: string }[]
}

/** The client and its rivals as one group. */
export interface Field {
  members: FieldMember[]
  /** Rivals that are there and not looked at now. */
  hidden: { id: number; name: string }[]
  /** Networks on which any of them is. */
  networks: { id: string; name: string }[]
  tables: FieldTable[]
  posts: FieldPost[]
  /** Weeks end on this day: from it on growth is counted back. */
  lastDay: string
}
