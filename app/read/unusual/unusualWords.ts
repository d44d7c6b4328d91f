import type { UnusualFinding } from '~~/shared/read/unusual'

/** The profiles of a cause in words: by name where there is one, otherwise how many. */
export const profilesWords = ({ profiles }: Pick<UnusualFinding, 'profiles'>): string =>
  profiles.length === 1 ? profiles[0]!.name : `${profiles.length} profiles`
