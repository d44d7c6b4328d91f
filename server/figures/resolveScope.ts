import { networkById } from '../../core/networks/networks'
import { lastCompleteDay } from '../../core/days/lastCompleteDay'
import type { Day } from '../../core/days/day'
import { comparison, comparisonWith, isNamedAgainst, type Comparison } from '../../core/periods/comparison'
import { describeAgainst, describePeriod } from '../../core/periods/describePeriod'
import { parsePeriod } from '../../core/periods/parsePeriod'
import type { Period } from '../../core/periods/period'
import type { CalendarUnit } from '../../core/periods/periodKind'
import { readPeriod } from '../../core/periods/readPeriod'
import { Unreadable } from '../../core/unreadable'
import type { ScopeQuery } from '../../shared/figures/scope'
import { now } from '../platform/clock'
import type { ClientDb } from '../platform/database/clientDb'
import { activeProfiles } from './questions/profileRows'
import type { ProfileRow } from './questions/profileRows'
import { setsOf } from './questions/sets'
import type { ProfileSet } from '../../shared/figures/sets'
import { badRequest } from '../platform/problems/problem'

/** A scope with its words turned into profiles and days. */
export interface ResolvedScope {
  query: ScopeQuery
  profiles: ProfileRow[]
  /** Those of them that have figures at all: only these make up a figure. */
  connected: ProfileRow[]
  allProfiles: ProfileRow[]
  /** The sets of the client; members that are switched off are left out. */
  sets: ProfileSet[]
  period: Period
  comparison: Comparison | undefined
  lastComplete: Day
  words: { who: string; period: string; against: string }
  /** The week, month, quarter, half or year that the period is so far, where it is not over yet. */
  running: CalendarUnit | undefined
}

/**
 * What a scope means for a client today.
 *
 * @throws Problem 400 when a profile is not the client's, Unreadable when the period has no meaning
 */
export async function resolveScope(db: ClientDb, query: ScopeQuery): Promise<ResolvedScope> {
  const lastComplete = lastCompleteDay(now(), db.timeZone)
  const [allProfiles, known] = await Promise.all([activeProfiles(db), setsOf(db)])
  const sets = known.map((set) => ({
    ...set,
    profiles: set.profiles.filter((id) => allProfiles.some(({ profile_id: profile }) => profile === id)),
  }))
  const chosenSets = query.sets.map((id) => {
    const set = sets.find((candidate) => candidate.id === id)
    if (!set)
      throw badRequest('The address names a set that this client does not have. Choose the profiles again.', {
        set: id,
      })
    return set
  })
  const unknown = query.who.find((id) => !allProfiles.some(({ profile_id: profile }) => profile === id))
  if (unknown !== undefined)
    throw badRequest('The address names a profile that this client does not have. Choose the profiles again.', {
      profile: unknown,
    })
  const empty = query.networks?.find((id) => !allProfiles.some(({ network }) => network === id))
  if (empty !== undefined)
    throw badRequest(
      `This client has no profile on ${networkById(empty).name} that is switched on. Choose the profiles again.`,
      { network: empty },
    )
  const isEverybody = query.who.length + query.sets.length + (query.networks?.length ?? 0) === 0
  const profiles = isEverybody ? allProfiles : profilesOfChoice(allProfiles, chosenSets, query)
  const { period, running } = readPeriod(query.period, lastComplete)
  const against = readAgainst(query.against, { period, running, lastComplete })
  return {
    query,
    profiles,
    connected: profiles.filter(({ has_figures: has }) => has === 1),
    allProfiles,
    sets,
    period,
    comparison: against,
    lastComplete,
    running,
    words: {
      who: isEverybody ? describeWho(profiles, allProfiles) : describeChoice(query, chosenSets, profiles, allProfiles),
      period: describePeriod(period),
      against: describeAgainst(query.against, against, period, running),
    },
  }
}

/** A period that would be compared with itself: with words that move, that can come about by itself. */
export class SelfComparison extends Unreadable {
  override name = 'SelfComparison'
  constructor() {
    super('A period cannot be compared with itself. Choose other days to compare with.')
  }
}

/**
 * What a period is compared with: one of the named comparisons, or a period of one's own.
 *
 * @throws Unreadable when the words have no meaning, or mean the period itself
 */
export function readAgainst(
  against: string,
  { period, running, lastComplete }: Pick<ResolvedScope, 'period' | 'running' | 'lastComplete'>,
): Comparison | undefined {
  if (isNamedAgainst(against)) return comparison(period, against, running)
  const other = parsePeriod(against, lastComplete).period
  if (other.from === period.from && other.to === period.to) throw new SelfComparison()
  return comparisonWith(period, other)
}

/** The profiles that a choice means: those named, those of its sets, and those on its networks. */
export function profilesOfChoice(
  all: readonly ProfileRow[],
  sets: readonly ProfileSet[],
  { who, networks = [] }: Pick<ScopeQuery, 'who' | 'networks'>,
): ProfileRow[] {
  const chosen = new Set([...who, ...sets.flatMap((set) => set.profiles)])
  return all.filter(({ profile_id: profile, network }) => chosen.has(profile) || networks.includes(network))
}

/**
 * A choice in words: its networks or its sets by name where it is made of these alone, else how many profiles it is.
 */
export function describeChoice(
  { who, networks = [] }: Pick<ScopeQuery, 'who' | 'networks'>,
  sets: readonly ProfileSet[],
  profiles: readonly ProfileRow[],
  all: readonly ProfileRow[],
): string {
  if (who.length > 0 || (networks.length > 0 && sets.length > 0)) return describeWho(profiles, all)
  if (networks.length > 0)
    return (
      `${networks.map((id) => networkById(id).name).join(' and ')}, ${profiles.length} ` +
      `${profiles.length === 1 ? 'profile' : 'profiles'}`
    )
  return sets.length > 0 ? describeSets(sets, profiles) : describeWho(profiles, all)
}

/** Sets in words: their names, and how many profiles that is. */
export const describeSets = (sets: readonly ProfileSet[], profiles: readonly ProfileRow[]): string =>
  `${sets.map(({ name }) => name).join(' and ')} (${profiles.length} ${profiles.length === 1 ? 'profile' : 'profiles'})`

/** The profiles in words: all of them, one by name, or how many. */
export function describeWho(profiles: readonly ProfileRow[], all: readonly ProfileRow[]): string {
  if (profiles.length === 1) return `${profiles[0]!.name} on ${profiles[0]!.networkName}`
  if (profiles.length === all.length) return all.length === 0 ? 'No profiles' : `All ${all.length} profiles`
  return `${profiles.length} of ${all.length} profiles`
}
