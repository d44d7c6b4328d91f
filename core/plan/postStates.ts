/** How far a planned post has come, in the order of the work. */
export const PLAN_STATES = [
  'idea',
  'draft',
  'waiting',
  'approved',
  'scheduled',
  'publishing',
  'published',
  'late',
  'failed',
] as const
export type PlanState = (typeof PLAN_STATES)[number]

/** What each is called where it is read. */
export const PLAN_STATE_NAMES: Readonly<Record<PlanState, string>> = {
  idea: 'idea',
  draft: 'draft',
  waiting: 'waiting for approval',
  approved: 'approved',
  scheduled: 'scheduled',
  publishing: 'publishing',
  published: 'published',
  late: 'late, needs a decision',
  failed: 'failed',
}

/** Where a person moves a post to; what else happens to it is done by publishing. */
export type MoveTo = Extract<PlanState, 'idea' | 'draft' | 'waiting' | 'approved' | 'scheduled'>

const WITH_APPROVAL: Readonly<Record<PlanState, readonly MoveTo[]>> = {
  idea: ['draft'],
  draft: ['waiting', 'idea'],
  waiting: ['approved', 'draft'],
  approved: ['scheduled', 'draft'],
  scheduled: ['approved', 'draft'],
  publishing: [],
  published: [],
  late: ['scheduled', 'draft'],
  failed: ['scheduled', 'draft'],
}
const WITHOUT_APPROVAL: Readonly<Record<PlanState, readonly MoveTo[]>> = {
  ...WITH_APPROVAL,
  draft: ['scheduled', 'waiting', 'idea'],
  scheduled: ['draft'],
}

/** Who moves a post, and how its client works. */
export interface Mover {
  /** Whether somebody else has written it as it is now. */
  isOther: boolean
  /** Whether a post of the client has to be approved by another person. */
  needsApproval: boolean
  /** Whether what it says was approved as it stands. */
  isApproved: boolean
}

/**
 * Where somebody can move a post, the usual next step first. Nobody approves what they have written themselves; what
 * has failed or is late is only scheduled again where its words are those that were approved.
 *
 * @example movesFrom('draft', { isOther: false, needsApproval: true, isApproved: false }) // ['waiting', 'idea']
 */
export function movesFrom(state: PlanState, { isOther, needsApproval, isApproved }: Mover): MoveTo[] {
  return (needsApproval ? WITH_APPROVAL : WITHOUT_APPROVAL)[state].filter(
    (to) =>
      (to !== 'approved' || isOther || state === 'scheduled') && (to !== 'scheduled' || isApproved || !needsApproval),
  )
}

/** How far it has come with one profile; empty before its time. */
export type PostingState = '' | 'to do' | 'publishing' | 'published' | 'late' | 'failed'

/**
 * The state of a scheduled post, of those that it has with its profiles: what needs somebody comes first.
 *
 * @example settledState(['published', 'failed']) // 'failed'
 */
export function settledState(postings: readonly PostingState[]): PlanState {
  if (postings.includes('failed')) return 'failed'
  if (postings.includes('late')) return 'late'
  if (postings.length > 0 && postings.every((state) => state === 'published')) return 'published'
  return postings.some((state) => state !== '') ? 'publishing' : 'scheduled'
}
