import type { Day } from '../../../core/days/day'
import type { FactColumn } from '../../../core/metrics/metric'
import { ForPeople } from '../../platform/problems/forPeople'
import type { PublicProfile } from '../../../shared/gather/networks'

/** One page of daily figures, oldest day first. */
export interface DaysPage {
  data: ({ day: Day } & Partial<Record<FactColumn, number>>)[]
  /** The last day that the page covers, with or without figures. */
  through: Day | undefined
  /** Where the next page begins, or undefined when this is the last. */
  next: Day | undefined
}

export interface RemotePost {
  remoteId: string
  publishedAt: string
  day: Day
  format: string
  text: string
  impressions?: number
  reactions?: number
  comments?: number
  shares?: number
  saves?: number
}

/** One page of splits. */
export interface PartsPage {
  data: { day: Day; split: string; part: string; value: number }[]
  through: Day | undefined
  next: Day | undefined
}

/** One page of what happened on the whole network. */
export interface VolumePage {
  data: { day: Day; posts: number; interactions: number; impressions: number }[]
  next: Day | undefined
}

export interface PostsPage {
  data: RemotePost[]
  through: Day | undefined
  next: Day | undefined
}

/** What the owner's consent gives. */
export interface Tokens {
  access: string
  refresh: string
  /** Milliseconds since 1970 UTC. */
  until: number
}

/**
 * What a connector can do; every network is reached through one of these. See docs/architecture.md, "Adding a network".
 */
export interface NetworkConnector {
  /** Where the owner of a profile gives consent. */
  consentAddress: (request: { remoteId: string; state: string; challenge: string; redirect: string }) => string
  /** Turns the answer of a consent page into tokens. */
  redeem: (request: { answer: URL; state: string; verifier: string; redirect: string }) => Promise<Tokens>
  refresh: (tokens: Tokens) => Promise<Tokens>
  days: (tokens: Tokens, remoteId: string, from: Day) => Promise<DaysPage>
  posts: (tokens: Tokens, remoteId: string, from: Day) => Promise<PostsPage>
  parts: (tokens: Tokens, remoteId: string, from: Day) => Promise<PartsPage>
  /** What the network shows to everybody. */
  findProfile: (handle: string) => Promise<PublicProfile | undefined>
  publicDays: (remoteId: string, from: Day) => Promise<DaysPage>
  publicPosts: (remoteId: string, from: Day) => Promise<PostsPage>
  volume: (from: Day) => Promise<VolumePage>
}

/** The network asks to wait. */
export class RateLimited extends Error {
  constructor(readonly seconds: number) {
    super(`The network asks to wait ${seconds} seconds.`)
  }
}

/** The consent no longer holds: only the owner can give it again. */
export class ConsentWithdrawn extends Error {
  constructor(network: string) {
    super(`${network} no longer accepts the consent. Send the owner a new consent link.`)
  }
}

/** The network does not answer, or not as agreed; trying again later can help. */
export class NetworkTrouble extends ForPeople {}

/** The network did not take the access token. Making it fresh can help. */
export class TokenRefused extends NetworkTrouble {
  constructor(network: string) {
    super(`${network} did not let us in.`)
  }
}
