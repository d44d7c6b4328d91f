import type { DemoPlace } from './places'
import type { DemoProfile } from './profiles'

/** A listing with how it is reviewed. */
export type ReviewedListing = Pick<DemoPlace, 'client' | 'handle' | 'remoteId' | 'reviews'>

const LISTINGS: readonly (ReviewedListing & { name: string; rival: string })[] = [
  {
    client: 'mossgate-gardens',
    handle: 'thornapple-barn-cafe',
    name: 'Thornapple barn café',
    rival: 'Thornapple Park',
    remoteId: '80010402277519301',
    reviews: { aDay: 0.8, good: 0.76, answered: 0.55, hours: 60 },
  },
  {
    client: 'kittiwake-line',
    handle: 'skerry-sails-quay',
    name: 'Skerry Sails, town quay',
    rival: 'Skerry Sails',
    remoteId: '80010402277519302',
    reviews: { aDay: 1.1, good: 0.7, answered: 0.9, hours: 9 },
  },
]

/** The listings of rivals on Waymark, whom nobody has added there. */
export const RIVAL_LISTINGS: readonly (DemoProfile & ReviewedListing)[] = LISTINGS.map((listing) => ({
  ...listing,
  network: 'waymark',
  followers: 0,
  growthPerYear: 0,
  background: 260,
  postsPerWeek: 0,
  impressionsPerPost: 300,
  rate: 0.02,
  connected: false,
  isHidden: true,
}))
