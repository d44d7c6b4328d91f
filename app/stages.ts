/** The work from top to bottom, as the rail shows it. Only what exists is listed. */
export const STAGES = [
  { name: 'Gather', pages: [{ name: 'Profiles', path: 'profiles' }, { name: 'Find profiles', path: 'find' }, { name: 'Imports', path: 'imports' }] },
  { name: 'Read', pages: [{ name: 'Overview', path: 'overview' }, { name: 'Content', path: 'content' }] },
  { name: 'Report', pages: [{ name: 'Reports', path: 'reports' }, { name: 'Editions', path: 'editions' }] },
] as const

/** The place of a stage in the order of the work, 1 to 5: the key that leads to it. */
export const STAGE_KEYS: Record<string, string> = { 1: 'Gather', 2: 'Read', 3: 'Compare', 4: 'Plan', 5: 'Report' }
