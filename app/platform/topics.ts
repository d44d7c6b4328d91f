/** What a change can be about, and which answers show it: everybody who changes something names the topic alone. */
export const TOPICS = {
  /** Figures of a client were written: by a sync, an import, an undo. */
  figures: [
    'overview',
    'workings',
    'why',
    'unusual',
    'posts',
    'ends',
    'formats',
    'post',
    'tags',
    'by-tag',
    'occasions',
    'audience',
    'profiles',
    'all-clients',
    'breakdown',
    'data',
    'subject',
    'targets',
    'traffic',
    'field',
    'field-lines',
    'field-events',
    'habits',
    'sightings',
    'industry',
    'places',
    'place',
    'review-figures',
    'reviews',
    'questions',
    'times',
    'calendar',
  ],
  /** Planned posts were written, moved, or went out. */
  plan: ['plan', 'planned', 'plan-files', 'all-clients'],
  /** Tries of times to post came or went. */
  times: ['times', 'calendar'],
  /** Whom a client wants to reach was written down. */
  audience: ['audience'],
  /** Tags were set on posts, or tags and rules changed. */
  tags: ['tags', 'by-tag', 'occasions', 'field-events', 'posts', 'post', 'ends', 'formats', 'calendar'],
  /** Links that are counted, and public pages of them. */
  links: ['links', 'link-pages', 'post'],
  /** Audiences that networks were asked about were kept. */
  reachable: ['reachable'],
  /** Sites came, went, or were changed. */
  sites: ['sites', 'traffic'],
  /** Places came, went, or were changed. */
  places: ['places', 'place', 'review-figures', 'reviews', 'ranks', 'rank', 'rank-allowance', 'directories', 'entries'],
  /** Reviews were answered or read, or templates of answers changed. */
  reviews: ['reviews', 'review-figures', 'reply-templates', 'all-clients'],
  /** Questions were answered. */
  questions: ['questions', 'all-clients'],
  /** Keywords are looked for, or were checked. */
  ranks: ['ranks', 'rank', 'rank-allowance'],
  /** Entries in directories were looked at, corrected, or settled: also in the master record. */
  directories: ['directories', 'entries', 'places', 'place', 'all-clients'],
  /** What rivals did was read, or is open again. */
  sightings: ['sightings', 'all-clients'],
  /** Figures of the industry were written down, brought or removed. */
  industry: ['industry'],
  /** Polls were written down. */
  polls: ['polls'],
  /** A profile came, went, or was switched on or off. */
  profiles: [
    'scope',
    'search',
    'field',
    'field-lines',
    'field-events',
    'habits',
    'sightings',
    'places',
    'place',
    'times',
    'calendar',
  ],
  notes: ['notes', 'overview', 'unusual', 'all-clients'],
  scopes: ['scope'],
  targets: ['targets', 'all-clients'],
  imports: ['imports', 'import', 'scope'],
  reports: ['reports', 'all-clients'],
  editions: ['edition', 'editions', 'reports', 'all-clients'],
  clients: ['all-clients'],
} as const satisfies Record<string, readonly string[]>

export type Topic = keyof typeof TOPICS

/**
 * The answers that show any of some topics, each once.
 *
 * @example answersAbout(['scopes', 'imports']) // ['scope', 'imports', 'import']
 */
export const answersAbout = (topics: readonly Topic[]): string[] => [
  ...new Set(topics.flatMap((topic): readonly string[] => TOPICS[topic])),
]
