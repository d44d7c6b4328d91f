import { number, object, string, type InferType } from 'yup'
import type { BeyondChance } from '../../core/times/chance'
import type { SlotThere } from '../../core/times/audienceThere'
import type { PlannedTry } from '../../core/times/planTries'
import { RESPONSE_BASES, RESPONSES, type ResponseBase, type ResponseId } from '../../core/times/responses'
import type { SlotLift } from '../../core/times/slotLifts'
import type { Suggestion } from '../../core/times/suggestSlots'
import { NETWORKS } from '../../core/networks/networks'

/** Over how many weeks posts are looked at, up to the end of the period. */
export const TIME_WEEKS = [13, 26, 52, 104] as const
/** Which kind of evidence is drawn as lines. */
export const TIME_LINES = [
  { id: 'there', name: 'the audience there' },
  { id: 'arrive', name: 'interactions arriving' },
] as const
/** How many tries stand at a time, and how many are planned at once. */
export const MOST_TRIES = 200
export const MOST_PLANNED = 20

const whole = (least: number, most: number, usual: number, words: string) =>
  number().typeError(words).integer(words).min(least, words).max(most, words).default(usual)

/** How times are looked at, as it stands in an address, in a block and where tries are kept. */
const timesFields = {
  response: string<ResponseId>()
    .oneOf(
      RESPONSES.map(({ id }) => id),
      'There is no response “${value}”.',
    )
    .default('interactions'),
  base: string<ResponseBase>()
    .oneOf(
      RESPONSE_BASES.map(({ id }) => id),
      'There is no base “${value}”.',
    )
    .default('reach'),
  weeks: number()
    .typeError('Choose the weeks from the list.')
    .oneOf(TIME_WEEKS, 'Choose the weeks from the list.')
    .default(52),
  /** One network; every one, where it is empty. */
  network: string()
    .oneOf(['', ...NETWORKS.map(({ id }) => id)], 'There is no network “${value}”.')
    .default(''),
  /** In whose week: the client’s, where it is empty, or that of a country’s audience, ISO 3166-1. */
  zone: string()
    .matches(/^([A-Z]{2})?$/, 'Choose a country from the list.')
    .default(''),
  /** How many slots are wanted a week, and how many hours they keep apart. */
  wanted: whole(1, 14, 5, 'From 1 to 14 slots a week.'),
  apart: whole(1, 72, 12, 'From 1 to 72 hours apart.'),
  /** How many tries are planned. */
  tries: whole(1, MOST_PLANNED, 6, `From 1 to ${MOST_PLANNED} tries.`),
}
export const timesSchema = object(timesFields)
export type TimesQuery = InferType<typeof timesSchema>

/** Tries that somebody keeps: when a profile will post to find out. */
export const keepTriesSchema = timesSchema.shape({
  profile: number().typeError('Choose a profile.').integer('Choose a profile.').required('Choose a profile.'),
})
export type KeepTriesInput = InferType<typeof keepTriesSchema>

/** A post as a mark on the lines. */
export interface TimesMark {
  profile: number
  id: string
  /** Milliseconds since 1970 UTC, and the hours since Monday 00:00 in the zone. */
  at: number
  hours: number
  /** How far it was from usual, as a share: 0.3 is 30 % more. */
  beside: number
  text: string
}

/** The audience there. */
export interface TimesThere {
  /** 168, or null where nothing is known of a slot. */
  slots: (SlotThere | null)[]
  /** Followers of the profiles that it is of. */
  followers: number
  profiles: number
  /** On which networks; some tell only the hours of people’s own day and where they live: those are converted. */
  networks: { name: string; isConverted: boolean }[]
  /** Up to which day, and over how many. */
  to: string
  days: number
}

/** A try that was kept, and what came of it. */
export interface TimesTry {
  id: number
  profile: number
  profileName: string
  slot: number
  plannedAt: Date
  /** Whether its hour is still to come, or not over. */
  isAhead: boolean
  /** What was thought of the slot before, as shares. */
  before: { low: number; high: number }
  /** The post that was published then. `beside` is absent while it cannot be judged. */
  post?: { id: string; beside?: number }
  /** What is thought of the slot now; absent where it was kept for another response. */
  now?: { low: number; high: number }
}

/** One network, beside the others. */
export interface NetworkTimes {
  id: string
  name: string
  posts: number
  isBeyond?: boolean
  /** Its 168 audiences, of the fullest; absent where the network tells none. */
  there?: (number | null)[]
  fullest?: number
  /** The slot whose posts did best at the near end, where any did better than usual. */
  best?: SlotLift
}

/** A scheduled post or a try of the coming week. */
export interface TakenPost {
  profile: number
  profileName: string
  /** Milliseconds since 1970 UTC. */
  at: number
  /** The scheduled post; absent for a try. */
  id?: number
  text: string
}

/** When to post. */
export interface TimesView {
  zone: string
  /** Countries that can be chosen: those in which most followers live. */
  countries: { id: string; name: string }[]
  networks: { id: string; name: string }[]
  profiles: { id: number; name: string }[]
  period: { from: string; to: string }
  posts: {
    counted: number
    /** Left out: with paid impressions, younger than a week, without the response or its base. */
    paid: number
    young: number
    unknown: number
    /** Whether there are more than are looked at. */
    isCut: boolean
  }
  there?: TimesThere
  /** Why it is not known when the audience is there. */
  whyNotThere?: string
  arrivals?: { slots: number[]; placed: number; posts: number }
  lifts: SlotLift[]
  chance?: BeyondChance
  marks: TimesMark[]
  suggestions: Suggestion[]
  /** Tries and scheduled posts of the coming week from which these keep away. */
  taken: number
  /** What these are; absent in editions of before it was told. */
  takenBy?: TakenPost[]
  planned: PlannedTry[]
  tries: TimesTry[]
  byNetwork: NetworkTimes[]
}
