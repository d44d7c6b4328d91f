import { parseWho } from '../../shared/figures/scope'
import { describeChoice, profilesOfChoice, type ResolvedScope } from './resolveScope'

/**
 * A scope of everybody, narrowed to a `who` that was kept earlier, as far as that is still there: a profile that was
 * switched off or a set that was taken away is left out. Where nothing is left there is nobody, and not everybody.
 *
 * @param all  a scope over all profiles
 * @param who  as it stands in an address
 */
export function narrowed(all: ResolvedScope, who: string): ResolvedScope {
  if (who === 'all') return all
  const wanted = parseWho(who)
  const sets = all.sets.filter(({ id }) => wanted.sets.includes(id))
  const profiles = profilesOfChoice(all.allProfiles, sets, wanted)
  const words =
    profiles.length === 0 ? 'Profiles that are switched off' : describeChoice(wanted, sets, profiles, all.allProfiles)
  return {
    ...all,
    profiles,
    connected: profiles.filter(({ has_figures: has }) => has === 1),
    query: {
      ...all.query,
      who: profiles.map(({ profile_id: profile }) => profile).filter((id) => wanted.who.includes(id)),
      sets: sets.map(({ id }) => id),
      ...(wanted.networks && { networks: wanted.networks }),
    },
    words: { ...all.words, who: words },
  }
}
