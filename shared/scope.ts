import { array, number, object, string, type InferType } from 'yup'
import { AGAINST, type Against } from '../core/periods/comparison'

/** The period with which every page begins: four whole weeks, so that weekdays weigh the same. */
export const DEFAULT_PERIOD = 'last-28-days'

/** Who, when and against what, as it stands in the address. An empty list of profiles means all. */
export interface ScopeQuery {
  who: number[]
  period: string
  against: Against
}

const WHO = 'Choose profiles from the list.'

/** Checks what the address says of the scope. */
export const scopeSchema = object({
  who: string().matches(/^(all|\d+(,\d+)*)$/, WHO).default('all'),
  period: string().max(60).default(DEFAULT_PERIOD),
  against: string().oneOf(AGAINST, 'Compare with the days before, last year, or nothing.').default('before'),
})

/**
 * The scope that an address asks for; what it leaves out is the default.
 *
 * @throws ValidationError with a sentence when a part has no meaning
 * @example parseScope({ who: '1,2' }).who // [1, 2]
 */
export function parseScope(query: Record<string, unknown>): ScopeQuery {
  const { who, period, against } = scopeSchema.validateSync(query, { stripUnknown: true })
  return { who: who === 'all' ? [] : who.split(',').map(Number), period, against: against as Against }
}

/** The parts of a scope that differ from the default, for the address. */
export function scopeAddress(scope: ScopeQuery): Record<string, string> {
  return {
    ...(scope.who.length > 0 && { who: scope.who.join(',') }),
    ...(scope.period !== DEFAULT_PERIOD && { period: scope.period }),
    ...(scope.against !== 'before' && { against: scope.against }),
  }
}

const day = () => string().required('Choose a day.').matches(/^\d{4}-\d{2}-\d{2}$/, 'Choose a day.')

/** A note as a person writes it. */
export const noteSchema = object({
  from: day(),
  to: day(),
  title: string().trim().required('Say in a few words what happened.').max(120, 'Keep the first line under 120 characters.'),
  body: string().trim().max(2000, 'A note can be 2,000 characters long.').default(''),
})
export type NoteInput = InferType<typeof noteSchema>

/** Somebody who signs in. */
export const signInSchema = object({
  email: string().trim().required('Write your address.').email('That is not a mail address.').max(190),
  password: string().required('Write your password.').max(200),
})

export const BLOCK_KINDS = ['figures', 'chart', 'table', 'why', 'unusual', 'text'] as const

/** One part of a report. */
export const blockSchema = object({
  id: string().required().max(40),
  kind: string().oneOf(BLOCK_KINDS).required(),
  title: string().trim().max(160).default(''),
  metrics: array(string().required().max(40)).max(12).default([]),
  text: string().max(20_000, 'A text can be 20,000 characters long.').default(''),
  comment: string().max(4000, 'A comment can be 4,000 characters long.').default(''),
})
export type Block = InferType<typeof blockSchema>

/** A report as it is saved. `version` is the one that was opened: somebody else's change in between is not written over. */
export const reportSchema = object({
  title: string().trim().required('A report needs a title.').max(160, 'Keep the title under 160 characters.'),
  period: string().trim().required('A report needs a period.').max(60),
  against: string().oneOf(AGAINST).required(),
  blocks: array(blockSchema).max(60, 'A report can have 60 blocks.').required(),
  version: number().integer().required(),
})
export type ReportInput = InferType<typeof reportSchema>

/** A new report. */
export const newReportSchema = object({
  title: string().trim().required('A report needs a title.').max(160, 'Keep the title under 160 characters.'),
  blocks: array(blockSchema).max(60, 'A report can have 60 blocks.').default([]),
})

/** The wish to issue an edition; the key makes sure that one wish makes one edition. */
export const issueSchema = object({ requestKey: string().uuid().required() })

/** How long a shared link lives. */
export const shareSchema = object({ days: number().integer().min(1, 'A link lives for a day at least.').max(366, 'A link lives for a year at the most.').default(30) })
