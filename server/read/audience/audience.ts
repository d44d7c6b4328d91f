import { overlapOf, type ProfileAudience } from '../../../core/audience/intendedAudience'
import { medianAge } from '../../../core/audience/medianAge'
import { mergeAudiences, type CountedAudience } from '../../../core/audience/mergeAudiences'
import { representationIndex } from '../../../core/audience/representationIndex'
import {
  AUDIENCE_BASES,
  AUDIENCE_MINIMUM,
  audienceBreakdown,
  FACETS,
  PART_MINIMUM,
  type AudienceBase,
  type Facet,
} from '../../../core/breakdowns/audienceBreakdowns'
import { AGES, breakdownById, partName } from '../../../core/breakdowns/breakdowns'
import { addDays } from '../../../core/days/day'
import { describeDay } from '../../../core/periods/describePeriod'
import {
  intendedSchema,
  type AudienceGap,
  type AudienceLine,
  type AudiencePart,
  type AudienceTotal,
  type AudienceView,
  type FacetView,
  type IntendedInput,
} from '../../../shared/read/audience'
import type { ProfileRow } from '../../figures/questions/profileRows'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** How old a count of an audience may be, in days: networks count once a week. */
const NEWEST_DAYS = 7

interface CountRow {
  profile: number
  code: number
  day: string
  part: string
  people: number
}

/** What networks have counted last of some audiences, no older than a week at the end of the period. */
const newestCounts = (db: ClientDb, profiles: readonly number[], to: string, codes: readonly number[]) =>
  db.rows<CountRow>(sql`
    SELECT   b.profile_id AS profile, b.breakdown AS code, b.day, n.part, b.value AS people
    FROM     profile_day_breakdown b
    JOIN     (SELECT   profile_id, breakdown, MAX(day) AS day
              FROM     profile_day_breakdown
              WHERE    client_id = ${db.client}
              AND      profile_id IN (${[...profiles]})
              AND      breakdown IN (${[...codes]})
              AND      day BETWEEN ${addDays(to, 1 - NEWEST_DAYS)} AND ${to}
              GROUP BY profile_id, breakdown) l
             ON l.profile_id = b.profile_id AND l.breakdown = b.breakdown AND l.day = b.day
    JOIN     breakdown_part n ON n.client_id = b.client_id AND n.part_id = b.part_id
    WHERE    b.client_id = ${db.client}
    ORDER BY b.profile_id, b.breakdown, n.part`)

const codesOf = (facets: readonly Facet[]): number[] => facets.flatMap(({ codes }) => Object.values(codes))

/** Those of a scope whose network tells a facet. */
const tellingIn = ({ profiles }: ResolvedScope, { networks }: Facet): ProfileRow[] =>
  profiles.filter(({ network }) => networks.includes(network))

/**
 * The audience of a scope: those who follow, were reached and responded, beside each other.
 *
 * @param only  one facet; every one that its networks tell, where it is empty
 */
export async function audienceOf(db: ClientDb, scope: ResolvedScope, only = ''): Promise<AudienceView> {
  const told = FACETS.filter((facet) => tellingIn(scope, facet).length > 0)
  const wanted = await intendedOf(db)
  const asked = told.filter(({ id }) => only === '' || id === only)
  const rows = await newestCounts(
    db,
    scope.profiles.map(({ profile_id: profile }) => profile),
    scope.period.to,
    codesOf(told),
  )
  const counted = (facet: Facet) => countedBy(rows, facet)
  return {
    facets: told.map(({ id }) => id),
    shown: asked.map((facet) => facetView(scope, facet, rows, counted(facet))),
    ...(wanted && { intended: { wanted, overlaps: overlaps(wanted, rows) } }),
  }
}

type ByBase = Partial<Record<AudienceBase, CountedAudience>>

/** The audiences of every profile as one, base by base. */
function countedBy(rows: readonly CountRow[], facet: Facet): ByBase {
  return Object.fromEntries(
    AUDIENCE_BASES.flatMap(({ id: base }) => {
      const own = rows.filter(({ code }) => code === facet.codes[base])
      if (own.length === 0) return []
      return [[base, mergeAudiences([...byProfile(own).values()], facet.id === 'age_gender')] as const]
    }),
  )
}

/** People by part, profile by profile. */
function byProfile(rows: readonly CountRow[]): Map<number, Map<string, number>> {
  const profiles = new Map<number, Map<string, number>>()
  for (const { profile, part, people } of rows)
    profiles.set(profile, (profiles.get(profile) ?? new Map<string, number>()).set(part, people))
  return profiles
}

function facetView(scope: ResolvedScope, facet: Facet, rows: readonly CountRow[], counted: ByBase): FacetView {
  const ids = [...new Set(Object.values(counted).flatMap(({ parts }) => [...parts.keys()]))]
  const { followers, responded } = counted
  const parts = ids.map((part): AudiencePart => {
    const counts = Object.fromEntries(
      Object.entries(counted).flatMap(([base, { parts: own }]) => (own.has(part) ? [[base, own.get(part)!]] : [])),
    ) as AudiencePart['counts']
    const index =
      counts.responded !== undefined && counts.followers !== undefined
        ? representationIndex(counts.responded, responded!.known, counts.followers, followers!.known)
        : undefined
    return { part, name: nameOf(facet, part), counts, ...(index && { index }) }
  })
  return {
    facet: facet.id,
    totals: Object.fromEntries(
      Object.entries(counted).map(([base, audience]) => [base, totalOf(rows, facet, base as AudienceBase, audience)]),
    ),
    parts: parts.sort(inOrder(facet)),
    ...(facet.id === 'age_gender' && { medianAges: medianAgesOf(counted) }),
    gaps: gapsOf(scope, facet, rows),
  }
}

/** The ages that half of each base are younger than. */
const medianAgesOf = (counted: ByBase): FacetView['medianAges'] =>
  Object.fromEntries(
    Object.entries(counted).map(([base, { parts }]) => [
      base,
      Object.fromEntries(
        (['all', 'f', 'm'] as const).flatMap((who) => {
          const ages = new Map<string, number>()
          for (const [part, people] of parts) {
            const [gender, age = ''] = part.split('|')
            if (who === 'all' || gender === who) ages.set(age, (ages.get(age) ?? 0) + people)
          }
          const median = medianAge(ages)
          return median === undefined ? [] : [[who, median]]
        }),
      ),
    ]),
  )

/** The name of a part: an age and gender, or what its breakdown calls it. */
export function nameOf(facet: Facet, part: string): string {
  if (facet.id !== 'age_gender') return partName(breakdownById(audienceBreakdown('followers', facet.id)), part)
  const [gender, age = ''] = part.split('|')
  return `${{ f: 'Women', m: 'Men' }[gender!] ?? 'Not known'}, ${age}`
}

/** Ages from the youngest; everything else, those first who follow most. */
const inOrder = (facet: Facet) => (a: AudiencePart, b: AudiencePart) =>
  facet.id === 'age_gender'
    ? Number(a.part.startsWith('u')) - Number(b.part.startsWith('u')) ||
      ageOf(a.part) - ageOf(b.part) ||
      (a.part < b.part ? -1 : 1)
    : size(b) - size(a) || (a.name < b.name ? -1 : 1)
const ageOf = (part: string) => (AGES as readonly string[]).indexOf(part.split('|')[1] ?? '')
const size = ({ counts }: AudiencePart) => counts.followers ?? counts.reached ?? counts.responded ?? 0

function totalOf(
  rows: readonly CountRow[],
  facet: Facet,
  base: AudienceBase,
  { known, withheld, isEstimated }: CountedAudience,
): AudienceTotal {
  const own = rows.filter(({ code }) => code === facet.codes[base])
  const days = own.map(({ day }) => day).sort()
  return {
    known,
    withheld,
    isEstimated,
    profiles: new Set(own.map(({ profile }) => profile)).size,
    from: days[0]!,
    to: days.at(-1)!,
  }
}

/** Profiles whose network could tell it and did not, and why. */
/** Networks that tell anything of an audience. */
const TELLING: ReadonlySet<string> = new Set(FACETS.flatMap(({ networks }) => networks))

function gapsOf(scope: ResolvedScope, facet: Facet, rows: readonly CountRow[]): AudienceGap[] {
  // a listing has no audience to be told of
  const elsewhere = scope.profiles.filter(({ network }) => !facet.networks.includes(network) && TELLING.has(network))
  return [
    ...AUDIENCE_BASES.flatMap(({ id: base }): AudienceGap[] => {
      const there = new Set(rows.filter(({ code }) => code === facet.codes[base]).map(({ profile }) => profile))
      const missing = tellingIn(scope, facet).filter(({ profile_id: profile }) => !there.has(profile))
      const [asked, open] = [
        missing.filter(({ consent }) => consent !== 'none'),
        missing.filter(({ consent }) => consent === 'none'),
      ]
      return [
        ...(asked.length > 0
          ? [
              {
                base,
                names: asked.map(({ name }) => name),
                reason:
                  `nothing was told in the week up to ${describeDay(scope.period.to)}: networks count on Sundays, and ` +
                  `withhold it below ${AUDIENCE_MINIMUM.people} people within the day`,
              },
            ]
          : []),
        ...(open.length > 0
          ? [{ base, names: open.map(({ name }) => name), reason: 'only with the owner’s consent' }]
          : []),
      ]
    }),
    ...(elsewhere.length > 0
      ? AUDIENCE_BASES.map(({ id: base }) => ({
          base,
          names: elsewhere.map(({ name }) => name),
          reason: `${[...new Set(elsewhere.map(({ networkName }) => networkName))].join(' and ')} does not tell it`,
        }))
      : []),
  ]
}

/** How a part of an audience came to be what it is: its share in each count of the period, base by base. */
export async function audienceLines(
  db: ClientDb,
  scope: ResolvedScope,
  facetId: string,
  part: string,
): Promise<AudienceLine[]> {
  const facet = FACETS.find(({ id }) => id === facetId)!
  const rows = await db.rows<CountRow>(sql`
    SELECT   b.profile_id AS profile, b.breakdown AS code, b.day, n.part, b.value AS people
    FROM     profile_day_breakdown b
    JOIN     breakdown_part n ON n.client_id = b.client_id AND n.part_id = b.part_id
    WHERE    b.client_id = ${db.client}
    AND      b.profile_id IN (${scope.profiles.map(({ profile_id: profile }) => profile)})
    AND      b.breakdown IN (${codesOf([facet])})
    AND      b.day BETWEEN ${scope.period.from} AND ${scope.period.to}
    ORDER BY b.day, b.profile_id, n.part`)
  const days = [...new Set(rows.map(({ day }) => day))]
  return AUDIENCE_BASES.flatMap(({ id: base }): AudienceLine[] => {
    const points = days.flatMap((day) => {
      const counted = countedBy(
        rows.filter((row) => row.day === day),
        facet,
      )[base]
      return counted && counted.known > 0
        ? [{ day, share: (counted.parts.get(part) ?? 0) / counted.known, of: Math.round(counted.known) }]
        : []
    })
    return points.length > 0 ? [{ base, points }] : []
  })
}

/** Whom the client wants to reach; undefined where nobody has written it down. */
export async function intendedOf(db: ClientDb): Promise<IntendedInput | undefined> {
  const row = await db.one<{ intended: string }>(
    sql`SELECT intended_audience AS intended FROM client WHERE client_id = ${db.client}`,
  )
  if (!row?.intended) return undefined
  return intendedSchema.validateSync(JSON.parse(row.intended), { stripUnknown: true })
}

/** Writes down whom the client wants to reach; nothing wanted takes it away. */
export async function keepIntended(db: ClientDb, wanted: IntendedInput): Promise<void> {
  const isNothing = Object.values(wanted).every((list) => list.length === 0)
  await db.run(sql`
    UPDATE client
    SET    intended_audience = ${isNothing ? '' : JSON.stringify(wanted)}
    WHERE  client_id = ${db.client}`)
}

/** How much of each base is wanted. */
function overlaps(wanted: IntendedInput, rows: readonly CountRow[]) {
  return Object.fromEntries(
    AUDIENCE_BASES.flatMap(({ id: base }) => {
      const profiles = new Map<number, ProfileAudience>()
      for (const [trait, id] of TRAITS) {
        const code = FACETS.find((facet) => facet.id === id)!.codes[base]
        for (const [profile, parts] of byProfile(rows.filter((row) => row.code === code)))
          profiles.set(profile, { ...profiles.get(profile), [trait]: parts })
      }
      const overlap = overlapOf(wanted, [...profiles.values()])
      return overlap ? [[base, overlap] as const] : []
    }),
  )
}
const TRAITS = [
  ['ageGender', 'age_gender'],
  ['country', 'country'],
  ['language', 'language'],
] as const satisfies [keyof ProfileAudience, string][]

/** The note that stands below what networks withhold. */
export const WITHHELD_WORDS = `Parts of fewer than ${PART_MINIMUM} people each, which networks put together.`
