import type { MoveTo, PlanState } from '~~/core/plan/postStates'

/** What the button that moves a post says, by where it comes from. */
export const MOVE_WORDS: Readonly<Record<MoveTo, (from: PlanState) => string>> = {
  idea: () => 'Back to an idea',
  draft: (from) => (from === 'idea' ? 'Make it a draft' : from === 'waiting' ? 'Ask for changes' : 'Back to a draft'),
  waiting: () => 'Ask for approval',
  approved: (from) => (from === 'scheduled' ? 'Take it off the schedule' : 'Approve'),
  scheduled: (from) => (from === 'late' || from === 'failed' ? 'Schedule it again' : 'Schedule'),
}

const STEPS: Readonly<Record<string, string>> = {
  '': 'said',
  'idea': 'made it an idea',
  'draft': 'made it a draft',
  'waiting': 'asked for approval',
  'approved': 'approved it',
  'scheduled': 'scheduled it',
  'published': 'said that it is published',
  'again': 'had it published again',
  'leave': 'left a profile out',
}

/** A step of a post in words. */
export const stepWords = (step: string): string => STEPS[step] ?? step
