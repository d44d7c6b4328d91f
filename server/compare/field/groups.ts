import { networkById } from '../../../core/networks/networks'
import type { Period } from '../../../core/periods/period'
import type { Field, FieldChoices, FieldQuery } from '../../../shared/compare/field'
import { profilesOf, type ProfileRow } from '../../figures/questions/profileRows'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { ClientDb } from '../../platform/database/clientDb'

/** One organisation with its profiles: the client is 0. */
export interface Group {
  id: number
  name: string
  isOwn: boolean
  profiles: ProfileRow[]
}

/** Who is compared with whom, those rivals that are not looked at now, and the networks on which any of them is. */
export async function groupsOf(
  db: ClientDb,
  scope: ResolvedScope,
  query: FieldQuery,
): Promise<{ groups: Group[] } & Pick<Field, 'hidden' | 'networks'>> {
  const hide = new Set(query.hide.split(',').filter(Boolean).map(Number))
  const rivals = rivalsAmong(await profilesOf(db))
  const own: Group = { id: 0, name: db.name, isOwn: true, profiles: scope.connected }
  const isShown = ({ id }: Group) => !hide.has(id)
  const onNetwork = (group: Group): Group => ({
    ...group,
    profiles: group.profiles.filter(({ network }) => query.network === '' || network === query.network),
  })
  return {
    groups: [...(query.own === 'out' ? [] : [own]), ...rivals.filter(isShown)]
      .map(onNetwork)
      .filter(({ profiles }) => profiles.length > 0),
    hidden: rivals.filter((group) => !isShown(group)).map(({ id, name }) => ({ id, name })),
    networks: networksOf([own, ...rivals]),
  }
}

/**
 * An organisation with those of its profiles that were there in a period: what was gone before it is no part of it,
 * unless nothing else is left that could say so.
 */
export function stillThere(group: Group, { from }: Period): Group {
  const there = group.profiles.filter(({ gone_on: gone }) => gone === null || gone > from)
  return there.length > 0 ? { ...group, profiles: there } : group
}

const networksOf = (groups: readonly Pick<Group, 'profiles'>[]): Field['networks'] =>
  [...new Set(groups.flatMap(({ profiles }) => profiles.map(({ network }) => network)))]
    .sort()
    .map((id) => ({ id, name: networkById(id).name }))

/** Whom a field can have beside the client, and on which networks, by name. */
export async function membersOf(db: ClientDb): Promise<FieldChoices> {
  const profiles = await profilesOf(db)
  const rivals = rivalsAmong(profiles)
  const own = profiles.filter(({ is_rival: rival, is_active: active }) => !rival && active)
  return {
    networks: networksOf([{ profiles: own }, ...rivals]),
    rivals: rivals.map(({ id, name }) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name)),
  }
}

/** The rivals of a client that are watched and of which something is known, each with its profiles. */
export function rivalsAmong(profiles: readonly ProfileRow[]): Group[] {
  const groups = new Map<string, ProfileRow[]>()
  for (const row of profiles)
    if (row.is_rival && row.is_active && row.has_figures) {
      const name = row.rival ?? row.name
      groups.set(name, [...(groups.get(name) ?? []), row])
    }
  return [...groups].map(([name, own]) => ({
    id: Math.min(...own.map(({ profile_id: id }) => id)),
    name,
    isOwn: false,
    profiles: own,
  }))
}
