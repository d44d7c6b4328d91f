import type { Needs } from '~~/shared/platform/releasable'

/** The work from top to bottom, as the rail shows it. Only what exists is listed. */
export const STAGES: readonly {
  name: string
  pages: readonly { name: string; path: string; /** What a person has to be allowed to see for it. */ needs: Needs }[]
}[] = [
  {
    name: 'Gather',
    pages: [
      { name: 'Profiles', path: 'profiles', needs: 'work' },
      { name: 'Find profiles', path: 'find', needs: 'work' },
      { name: 'Imports', path: 'imports', needs: 'work' },
      { name: 'Data', path: 'data', needs: 'work' },
    ],
  },
  {
    name: 'Read',
    pages: [
      { name: 'Overview', path: 'overview', needs: 'figures' },
      { name: 'Content', path: 'content', needs: 'figures' },
      { name: 'Tags', path: 'tags', needs: 'figures' },
      { name: 'Audience', path: 'audience', needs: 'figures' },
      { name: 'Times', path: 'times', needs: 'figures' },
      { name: 'Places', path: 'places', needs: 'places' },
      { name: 'Ranks', path: 'ranks', needs: 'figures' },
      { name: 'Directories', path: 'directories', needs: 'places' },
      { name: 'Questions', path: 'questions', needs: 'places' },
      { name: 'Reviews', path: 'reviews', needs: 'places' },
      { name: 'Reachable', path: 'reachable', needs: 'work' },
      { name: 'Traffic', path: 'traffic', needs: 'figures' },
      { name: 'Links', path: 'links', needs: 'figures' },
    ],
  },
  {
    name: 'Compare',
    pages: [
      { name: 'Field', path: 'field', needs: 'rivals' },
      { name: 'Habits', path: 'habits', needs: 'rivals' },
      { name: 'Industry', path: 'industry', needs: 'figures' },
    ],
  },
  { name: 'Plan', pages: [{ name: 'Calendar', path: 'calendar', needs: 'figures' }] },
  {
    name: 'Report',
    pages: [
      { name: 'Reports', path: 'reports', needs: 'reports' },
      { name: 'Editions', path: 'editions', needs: 'read' },
    ],
  },
]

/** The stages with those pages that somebody may see. */
export const stagesFor = (may: (needs: Needs) => boolean) =>
  STAGES.map(({ name, pages }) => ({ name, pages: pages.filter(({ needs }) => may(needs)) })).filter(
    ({ pages }) => pages.length > 0,
  )

/** The place of a stage in the order of the work, 1 to 5: the key that leads to it. */
export const STAGE_KEYS: Record<string, string> = { 1: 'Gather', 2: 'Read', 3: 'Compare', 4: 'Plan', 5: 'Report' }
