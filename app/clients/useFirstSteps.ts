import type { Needs } from '~~/shared/platform/releasable'

/** A thing to do in the first ten minutes. */
export interface FirstStep {
  id: string
  words: string
  /** Where it is done, of the first client. */
  path: string
  needs: Needs
  /** For whom it is; for everybody who may see it, where it is left out. */
  roles?: readonly ('owner' | 'analyst' | 'viewer')[]
}

/** What the owner of a new agency does before there is anything to read, once the agency has its name. */
export const START_STEPS: readonly Omit<FirstStep, 'needs'>[] = [
  { id: 'agency', words: 'Name the agency, as it stands in its reports', path: '' },
  { id: 'client', words: 'Add the first client', path: '' },
  { id: 'profile', words: 'Add its profiles, by handle or address', path: 'profiles' },
  { id: 'consent', words: 'Send their owners the consent link, for what only they may see', path: 'profiles' },
  { id: 'report', words: 'Begin a report', path: 'reports' },
]

/** What somebody new does first, in the order of the work. */
export const FIRST_STEPS: readonly FirstStep[] = [
  { id: 'working', words: 'Select a figure: its working opens in the margin', path: 'overview', needs: 'figures' },
  {
    id: 'scope',
    words: 'Select a phrase of the sentence at the top: other days, a network, another comparison',
    path: 'overview',
    needs: 'figures',
  },
  {
    id: 'note',
    words: 'Write down why a day was odd: a note stands on the chart and in the report',
    path: 'overview',
    needs: 'figures',
    roles: ['owner', 'analyst'],
  },
  {
    id: 'look',
    words: 'Open a report and look at its next edition, with what is missing in it',
    path: 'reports',
    needs: 'work',
  },
  { id: 'issue', words: 'Issue the edition, and share it by a link', path: 'reports', needs: 'work' },
  {
    id: 'release',
    words: 'Decide what viewers of a client may see',
    path: 'editions',
    needs: 'read',
    roles: ['owner'],
  },
  {
    id: 'edition',
    words: 'Open an edition: what was reported, and never changes',
    path: 'editions',
    needs: 'read',
    roles: ['viewer'],
  },
]

/** Where somebody's browser keeps what they have done of the first steps. */
export const firstStepsKey = (email: string): string => `zaffer:first:${email}`

/** What somebody has done of the first steps, kept in their browser; a page that was drawn on the server learns it last. */
export const useFirstSteps = createSharedComposable(() => {
  const session = useSession()
  const kept = useLocalStorage<{ done: string[]; isAway: boolean }>(
    () => firstStepsKey(session.session?.person.email ?? ''),
    { done: [], isAway: false },
    { initOnMounted: true },
  )
  return {
    done: computed(() => kept.value.done),
    /** Whether somebody has begun with an agency of their own, in this browser. */
    isNewAgency: computed(() => kept.value.done.includes('agency')),
    isAway: computed(() => kept.value.isAway),
    /** Ticks a step, wherever it was done. */
    tick: (id: string) => {
      if (!kept.value.done.includes(id)) kept.value = { ...kept.value, done: [...kept.value.done, id] }
    },
    putAway: () => (kept.value = { ...kept.value, isAway: true }),
  }
})
