import type { Breakdown } from './breakdowns'

/** Whom an audience is made of: those who follow, those who were reached, and those who responded. */
export const AUDIENCE_BASES = [
  { id: 'followers', name: 'Follow', words: 'of the followers', metric: 'followers' },
  { id: 'reached', name: 'Reached', words: 'of the people reached in 28 days', metric: 'reach' },
  { id: 'responded', name: 'Responded', words: 'of the people who responded in 28 days', metric: 'interactions' },
] as const
export type AudienceBase = (typeof AUDIENCE_BASES)[number]['id']

/** By what an audience is told. */
export interface Facet {
  id: string
  name: string
  /** What is known of the people that a share is of, in words. */
  known: string
  naming?: 'country' | 'language'
  networks: readonly string[]
  /** The code of the followers' breakdown; the other bases follow it. Never given to another. */
  codes: Record<AudienceBase, number>
}

const OPEN = ['commons', 'tintype', 'zoetrope', 'lantern']
const EVERYWHERE = [...OPEN, 'murmur', 'cork']
const WORK = ['guildhall']

/** What is known of an audience, in the order in which it is shown. */
export const FACETS: readonly Facet[] = [
  {
    id: 'age_gender',
    name: 'Age and gender',
    known: 'whose age and gender are known',
    networks: OPEN,
    codes: { followers: 19, reached: 23, responded: 32 },
  },
  {
    id: 'country',
    name: 'Countries',
    known: 'whose country is known',
    naming: 'country',
    networks: EVERYWHERE,
    codes: { followers: 11, reached: 24, responded: 33 },
  },
  {
    id: 'town',
    name: 'Towns',
    known: 'whose town is known',
    networks: OPEN,
    codes: { followers: 20, reached: 25, responded: 34 },
  },
  {
    id: 'language',
    name: 'Languages',
    known: 'whose language is known',
    naming: 'language',
    networks: EVERYWHERE,
    codes: { followers: 21, reached: 26, responded: 35 },
  },
  {
    id: 'device',
    name: 'Devices',
    known: 'whose device is known',
    networks: EVERYWHERE,
    codes: { followers: 22, reached: 27, responded: 36 },
  },
  {
    id: 'company_size',
    name: 'Company size',
    known: 'whose company is known',
    networks: WORK,
    codes: { followers: 12, reached: 28, responded: 37 },
  },
  {
    id: 'seniority',
    name: 'Seniority',
    known: 'whose position is known',
    networks: WORK,
    codes: { followers: 13, reached: 29, responded: 38 },
  },
  {
    id: 'function',
    name: 'Function',
    known: 'whose work is known',
    networks: WORK,
    codes: { followers: 14, reached: 30, responded: 39 },
  },
  {
    id: 'industry',
    name: 'Industry',
    known: 'whose industry is known',
    networks: WORK,
    codes: { followers: 15, reached: 31, responded: 40 },
  },
]

/** Under what a network puts those of whom it says no more, since they are too few each. */
export const WITHHELD = 'withheld'

/** Below how many people within the day a network tells nothing of an audience. */
export const AUDIENCE_MINIMUM = { people: 100, days: 1 } as const
/** Below how many people it puts a part of one with the others that it withholds. */
export const PART_MINIMUM = 30

/** The breakdown that a facet of a base is stored as. */
export const audienceBreakdown = (base: AudienceBase, facet: string): string => `${base}_by_${facet}`

/** Breakdowns of audiences that are told on a page of their own; those of followers that the overview has stay there. */
export const audienceBreakdowns = (known: ReadonlySet<number>): Breakdown[] =>
  AUDIENCE_BASES.flatMap(({ id: base, words, metric }) =>
    FACETS.flatMap(({ id, name, known: ofWhom, naming, networks, codes }): Breakdown[] =>
      known.has(codes[base])
        ? []
        : [
            {
              id: audienceBreakdown(base, id),
              code: codes[base],
              name: `${name} ${words}`,
              kind: 'levels',
              metric,
              base: `${words}, ${ofWhom}`,
              ...(naming && { naming }),
              networks: Object.fromEntries(networks.map((network) => [network, { minimum: AUDIENCE_MINIMUM }])),
              definition: `${name} ${words}, ${ofWhom}, as the network counted them last.`,
            },
          ],
    ),
  )
