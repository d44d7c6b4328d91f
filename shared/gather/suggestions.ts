import type { AlsoFollowed } from './publicProfile'

/** A profile that might be a rival’s, and those of whose own profiles that follow it. */
export interface Suggested extends Omit<AlsoFollowed, 'share'> {
  network: string
  networkName: string
  /** What part of those who follow each own profile follow it too, the largest first. */
  of: { profile: string; share: number }[]
}

/** Whom the audience also follows, by organisation as far as names tell it, and of which own profiles that was asked. */
export interface Suggestions {
  organisations: { name: string; profiles: Suggested[] }[]
  /** Own profiles whose networks tell it. */
  asked: string[]
  /** Own profiles whose networks do not, in number. */
  untold: number
  /** Own profiles that were too many to be asked about at once, in number. */
  beyond: number
}
