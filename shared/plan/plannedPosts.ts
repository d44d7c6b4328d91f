import { array, boolean, number, object, string, type InferType } from 'yup'
import { isDay } from '../../core/days/day'
import { LISTING_KINDS, type RuleProblem } from '../../core/plan/networkRules'
import { PLAN_STATES, type MoveTo, type PlanState, type PostingState } from '../../core/plan/postStates'
import type { SlotLift } from '../../core/times/slotLifts'
import { text } from '../platform/text'
import type { PlanFileView } from './planFiles'

/** How many posts can be planned ahead, changed at once, and be on how many profiles. */
export const MOST_PLANNED_AHEAD = 5000
export const MOST_AT_ONCE = 200
export const MOST_POSTINGS = 30
export const MOST_MEDIA = 10
/** How large a picture or a video may be, in bytes. */
export const MOST_FILE_BYTES = 7_000_000
export const FILE_TYPES = ['image/jpeg', 'image/png', 'image/webp', 'image/gif', 'video/mp4'] as const

const day = (words: string) =>
  string()
    .test('day', words, (value) => !value || (isDay(value) && value >= '2000-01-01' && value < '2100-01-01'))
    .default('')
const LOCAL_TIME = /^(\d{4}-\d{2}-\d{2}T\d{2}:\d{2})?$/
export const localTime = () => string().matches(LOCAL_TIME, 'Write a day and a time, as 2026-11-30 18:00.')
const webAddress = (words: string) =>
  string()
    .trim()
    .max(500, 'Keep the address under 500 letters.')
    .test('address', words, (value) => !value || (URL.canParse(value) && /^https?:$/.test(new URL(value).protocol)))
export const whichId = (words: string) =>
  number().typeError(words).integer(words).min(1, words).max(4_294_967_295, words)

/** What stands for the page that a post links to: read from it, and changed where that is wanted. */
export const previewSchema = object({
  address: webAddress('Write an address that begins with https://.').default(''),
  title: text().max(200, 'Keep the title under 200 letters.').default(''),
  description: text().max(500, 'Keep the description under 500 letters.').default(''),
  picture: whichId('Choose a picture.').nullable().default(null),
})
export type LinkPreview = InferType<typeof previewSchema>
export const previewAddressSchema = object({
  address: webAddress('Write an address that begins with https://.').required('Write the link first.'),
})

/** What a planned post says and shows, the same for all of its profiles. */
const contentFields = {
  text: text().max(10_000, 'Keep the text under 10,000 letters.').default(''),
  heading: text().max(200, 'Keep the heading under 200 letters.').default(''),
  collection: text().max(100, 'Keep the collection under 100 letters.').default(''),
  link: webAddress('Write an address that begins with https://.').default(''),
  preview: previewSchema.nullable().default(null),
  kind: string()
    .oneOf(['', ...LISTING_KINDS], 'A post on a listing is news, an event, an offer or a product.')
    .default(''),
  startsOn: day('Write a day, as 2026-11-30.'),
  endsOn: day('Write a day, as 2026-11-30.'),
  action: text().max(40, 'Keep the action under 40 letters.').default(''),
  media: array(
    object({
      file: whichId('Choose a picture.').required('Choose a picture.'),
      alt: text().max(1000, 'Keep the description under 1,000 letters.').default(''),
    }),
  )
    .max(MOST_MEDIA, `A post shows ${MOST_MEDIA} pictures at the most.`)
    .default([]),
  variations: array(
    object({
      phrase: text().required('Say which words vary.').max(300, 'Keep these words under 300 letters.'),
      others: array(
        text().required('Write the other words, or take them away.').max(300, 'Keep these words under 300 letters.'),
      )
        .min(1, 'Write at least one other way.')
        .max(10, 'There are ten other ways at the most.')
        .required(),
    }),
  )
    .max(10, 'Ten places of a text vary at the most.')
    .default([]),
}
export const contentSchema = object(contentFields)
export type PlanText = InferType<typeof contentSchema>

/** A planned post as it is written. */
export const plannedSchema = object({
  ...contentFields,
  /** When, on the clocks of the client; empty while nobody knows. */
  at: localTime().default(''),
  isIdea: boolean().default(false),
  postings: array(
    object({
      profile: whichId('Choose profiles from the list.').required('Choose profiles from the list.'),
      /** Its own text; absent where it has the text of all. */
      text: text().max(10_000, 'Keep the text under 10,000 letters.').nullable().default(null),
      isByHand: boolean().default(false),
    }),
  )
    .max(MOST_POSTINGS, `A post is on ${MOST_POSTINGS} profiles at the most.`)
    .test(
      'once',
      'Each profile stands here once.',
      (all) => new Set(all?.map(({ profile }) => profile)).size === (all?.length ?? 0),
    )
    .default([]),
})
export type PlannedInput = InferType<typeof plannedSchema>
/** The same of one that is there already: which version of it was changed. */
export const changedPlannedSchema = plannedSchema.shape({
  version: number().typeError('Say which version was changed.').integer().required('Say which version was changed.'),
})

export const moveSchema = object({
  to: string<MoveTo>()
    .oneOf(['idea', 'draft', 'waiting', 'approved', 'scheduled'], 'A post is moved to one of its states.')
    .required('Say where it is moved to.'),
  version: number().typeError('Say which version is meant.').integer().required('Say which version is meant.'),
  remark: text().max(2000, 'Keep the remark under 2,000 letters.').default(''),
})
export const plannedTimeSchema = object({ at: localTime().required('Say when.') })
export const remarkSchema = object({
  text: text().required('Write a remark.').max(2000, 'Keep the remark under 2,000 letters.'),
})
export const plannedIds = array(whichId('Choose posts from the list.').required())
  .min(1, 'Choose at least one post.')
  .max(MOST_AT_ONCE, `${MOST_AT_ONCE} posts are changed at once at the most.`)
  .required('Choose at least one post.')
export const plannedIdsSchema = object({ ids: plannedIds })
/** Moves many posts by days on the clock, and to another time of the day where one is said. */
export const moveManySchema = object({
  ids: plannedIds,
  days: number()
    .typeError('Write whole days.')
    .integer('Write whole days.')
    .min(-366, 'A year at the most.')
    .max(366, 'A year at the most.')
    .default(0),
  time: string()
    .matches(/^([01]\d|2[0-3]):[0-5]\d$/, { message: 'Write a time, as 18:00.', excludeEmptyString: true })
    .default(''),
})
/** What becomes of a post with one profile: it was published by hand, or is tried again. */
export const decideSchema = object({
  decision: string()
    .oneOf(['published', 'again', 'leave'], 'It was published, goes out now, or is left out.')
    .required('Say what becomes of it.'),
  address: webAddress('Write the address of the post, beginning with https://.').default(''),
})
export const repeatSchema = object({
  rule: string().trim().max(300, 'Keep the rule under 300 letters.').required('Say how it repeats.'),
})
export const planSettingsSchema = object({
  needsApproval: boolean().required('Say whether posts are approved.'),
  lateMinutes: number()
    .typeError('Write a number of minutes.')
    .integer('Write whole minutes.')
    .min(5, 'At least five minutes.')
    .max(10_080, 'At most a week, which is 10,080 minutes.')
    .required('Write a number of minutes.'),
})
export type PlanSettings = InferType<typeof planSettingsSchema>
export const approvalLinkSchema = object({
  reader: text().required('Say who it is for.').max(120, 'Keep the name under 120 letters.'),
  days: number()
    .typeError('Write a number of days.')
    .integer('Write whole days.')
    .min(1, 'At least a day.')
    .max(60, 'At most 60 days.')
    .default(14),
})
/** What a reader outside says of a post. */
export const readerSaysSchema = object({
  isApproved: boolean().required('Say whether you approve it.'),
  version: number().typeError('Say which version is meant.').integer().required('Say which version is meant.'),
  remark: text().max(2000, 'Keep the remark under 2,000 letters.').default(''),
})

/** Which part of the plan is looked at. */
export const planSpanSchema = object({
  from: day('Choose a day.').required('Choose a day.'),
  to: day('Choose a day.').required('Choose a day.'),
})

/** A planned post as it stands in lists and in the calendar. */
export interface PlannedHead {
  id: number
  state: PlanState
  version: number
  /** Milliseconds since 1970 UTC, and what the client’s clocks say; absent while nobody knows when. */
  at?: number
  day?: string
  minutes?: number
  text: string
  heading: string
  writtenName: string
  series?: string
  postings: {
    profile: number
    profileName: string
    networkName: string
    network: string
    state: PostingState
    isByHand: boolean
    remoteId?: string
    address?: string
    refusal: string
  }[]
}

export interface PlanView {
  posts: PlannedHead[]
  /** Ideas and drafts without a time, the newest first. */
  unplaced: PlannedHead[]
  /** Those that need somebody, whenever they are: to approve, to publish by hand, to decide. */
  needing: PlannedHead[]
  isCut: boolean
  settings: PlanSettings
}

/** How a planned post did beside what was expected. */
export interface PlanOutcome {
  profile: number
  /** How far it was from usual, as a share. */
  beside: number
}

/** What a slot promised when a post was scheduled for it. */
export interface PlanExpected {
  slot: number
  number?: number
  lift?: SlotLift['lift']
}

/** A planned post with all that is known of it. */
export interface PlannedPost {
  id: number
  state: PlanState
  version: number
  content: PlanText
  /** On the client’s clocks; empty while nobody knows. */
  at: string
  postings: (PlannedHead['postings'][number] & { text: string | null; publishedAt: Date | null })[]
  files: PlanFileView[]
  writtenName: string
  approvedName: string
  isApproved: boolean
  /** Where whoever asks can move it. */
  moves: MoveTo[]
  remarks: { id: number; who: string; step: string; text: string; isOfThis: boolean; writtenAt: Date }[]
  /** What stands in the way of scheduling it, by profile; 0 is the time. */
  problems: { profile: number; found: RuleProblem[] }[]
  series?: { key: string; turn: number; of: number }
  expected?: PlanExpected
  outcomes: PlanOutcome[]
  /** For whom outside there are links to it that still work. */
  readers: string[]
}

/** What a reader outside sees of a post that waits for approval. */
export interface ApprovalView {
  client: string
  reader: string
  state: PlanState
  version: number
  at: string
  timeZone: string
  content: PlanText
  postings: { networkName: string; profileName: string; text: string }[]
  media: { index: number; type: string; alt: string }[]
}

/** How large a file of posts may be, in bytes. */
export const MOST_SHEET_BYTES = 2_000_000

/** What a file of posts would do, row by row, or has done. */
export interface PlanSheet {
  /** In whose time the times are read. */
  zone: string
  /** Headings of columns that are not read. */
  unread: string[]
  rows: {
    row: number
    day: string
    time: string
    profiles: string
    text: string
    /** Why it is not taken. */
    problem?: string
    /** What networks would not take of it yet. */
    warnings: string[]
  }[]
  /** The drafts that were written. */
  ids: number[]
}

/** A profile that can be posted to. */
export interface PlanTarget {
  id: number
  name: string
  network: string
  networkName: string
  /** Whether its network takes posts from here; a person publishes by hand otherwise. */
  takesPosts: boolean
}

export const isPlanState = (state: string): state is PlanState => (PLAN_STATES as readonly string[]).includes(state)
