import { PROFILES, type DemoProfile } from './profiles'
import { unit } from './random'

/** A network tells no smaller part of those who follow a profile. */
const LEAST_SHARE = 0.02
/** And so many profiles. */
const MOST = 8

const organisationOf = ({ rival, isHidden, name, client }: DemoProfile): string => rival ?? (isHidden ? name : client)

/** How near two profiles are: those about one subject share more of their followers. */
const nearness = (profile: DemoProfile, other: DemoProfile): number => (profile.client === other.client ? 1 : 0.15)

/** Which other profiles of its network those follow who follow a profile, and what part of them, to whole percents. */
export function alsoFollowed(profile: DemoProfile): { profile: DemoProfile; share: number }[] {
  return PROFILES.filter(
    (other) =>
      other.network === profile.network && organisationOf(other) !== organisationOf(profile) && other.followers > 0,
  )
    .map((other) => ({
      profile: other,
      share: Number((nearness(profile, other) * (0.05 + 0.25 * unit(profile.remoteId, other.remoteId))).toFixed(2)),
    }))
    .filter(({ share }) => share >= LEAST_SHARE)
    .sort((a, b) => b.share - a.share || a.profile.remoteId.localeCompare(b.profile.remoteId))
    .slice(0, MOST)
}
