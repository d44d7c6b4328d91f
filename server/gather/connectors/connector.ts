import type { Day } from '../../../core/days/day'
import type { PostMeasure } from '../../../core/datasets/datasets'
import type { FoundListing, RankKind } from '../../../core/ranks/found'
import type { LatLon } from '../../../core/ranks/greatCircle'
import type { FactColumn } from '../../../core/metrics/storedFigures'
import { ForPeople } from '../../platform/problems/forPeople'
import type {
  CorrectionAnswer,
  EntryQuery,
  FoundEntry,
  OutgoingCorrection,
  OutgoingRequest,
} from '../../../shared/read/directories'
import type { Estimate, EstimateQuery } from '../../../shared/read/reachable'
import type { AlsoFollowed, PublicProfile } from '../../../shared/gather/publicProfile'

/** One page of daily figures, oldest day first. */
export interface DaysPage {
  data: ({ day: Day } & Partial<Record<FactColumn, number>>)[]
  /** The last day that the page covers, with or without figures. */
  through: Day | undefined
  /** Where the next page begins, or undefined when this is the last. */
  next: Day | undefined
}

/** A post as its network gives it: what it says, what it has brought so far, and where its picture is. */
export type RemotePost = {
  remoteId: string
  publishedAt: string
  day: Day
  format: string
  text: string
  picture?: string
  /** What the picture shows, in words. */
  alt?: string
} & Partial<Record<PostMeasure, number>>

/** A picture as it is kept. */
export interface Picture {
  type: string
  bytes: Buffer
}

/** One page of breakdowns. */
export interface BreakdownsPage {
  data: { day: Day; breakdown: string; part: string; value: number }[]
  through: Day | undefined
  next: Day | undefined
}

/** One page of rows as they are stored. */
export interface RowsPage {
  data: Readonly<Record<string, unknown>>[]
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

/** A post as it is given to a network, with a key by which it is the same one, however often it is given. */
export interface Outgoing {
  key: string
  text: string
  heading: string
  collection: string
  link: string
  kind: string
  startsOn: string
  endsOn: string
  action: string
  media: readonly { type: string; alt: string; bytes: Buffer }[]
  /** What stands for the page that it links to, where it shows nothing else. */
  preview?: { title: string; description: string; picture?: { type: string; bytes: Buffer } }
}

/** A post that a network has taken. */
export interface Taken {
  remoteId: string
  /** Milliseconds since 1970 UTC. */
  publishedAt: number
}

/** What is asked of a source of ranks: what a search for some words finds from each of some points. */
export interface RankQuery {
  keyword: string
  kind: RankKind
  day: Day
  points: readonly LatLon[]
}

/** What can be answered on a network. */
export type Answered = 'reviews' | 'questions'

/** What the owner's consent gives. */
export interface Tokens {
  access: string
  refresh: string
  /** Milliseconds since 1970 UTC. */
  until: number
  /** Whether the owner has also allowed to publish there. */
  mayPublish?: boolean
}

/** Under what a network knows a profile. */
export interface Identity {
  handle: string
  name: string
}

/**
 * What a connector can do: each has those of these that its source gives. A capability that is new stands here, and in
 * the connectors that have it.
 */
export interface Capabilities {
  /** The figures of a profile by day. */
  figures: (from: Day) => Promise<DaysPage>
  posts: (from: Day) => Promise<PostsPage>
  /** The picture of a post, by where the network has said that it is; undefined when there is none any more. */
  picture: (address: string) => Promise<Picture | undefined>
  breakdowns: (from: Day) => Promise<BreakdownsPage>
  /** The rows of any other dataset, by the name of its stream. */
  rows: (stream: string, from: Day) => Promise<RowsPage>
  /** Those of these streams that the source gives, where it does not give all of its network. */
  openStreams: readonly string[]
  /**
   * Answers a review or a question; gives the network’s sentence where it refuses that, and nothing where it has taken
   * it.
   */
  answer: (what: Answered, which: string, text: string) => Promise<string>
  publishing: {
    /** The post that was given under a key; undefined when there is none. */
    find: (key: string) => Promise<Taken | undefined>
    /** Gives a post; its network's sentence where it is refused. */
    post: (post: Outgoing) => Promise<Taken | string>
  }
  /** What happened on the whole network. */
  volume: (from: Day) => Promise<VolumePage>
  /** How many people could be reached; undefined where the network says that they are too few. */
  estimate: (query: EstimateQuery) => Promise<Estimate | undefined>
  /** What stands in the results of a search from each of some points, the first one first; 50 points at a time. */
  ranks: (query: RankQuery) => Promise<FoundListing[][]>
  /** The entries that a directory has of places, and corrections of them; 50 at a time. */
  directory: {
    find: (queries: readonly EntryQuery[]) => Promise<FoundEntry[][]>
    correct: (correction: OutgoingCorrection) => Promise<CorrectionAnswer>
    standing: (keys: readonly string[]) => Promise<CorrectionAnswer[]>
    /** Asks for an entry that is not there. */
    request: (request: OutgoingRequest) => Promise<CorrectionAnswer>
  }
  /** A profile by its handle, as the network shows it to everybody. */
  lookup: (handle: string) => Promise<PublicProfile | undefined>
  /** Profiles in whose names all of some words are, those first that are followed most. */
  search: (words: string) => Promise<PublicProfile[]>
  /** The profile that the connection names, as it is called now; undefined where the network no longer has it. */
  identity: () => Promise<Identity | undefined>
  /** Whom else those follow who follow the profile that the connection names, as the network tells everybody. */
  alsoFollowed: () => Promise<AlsoFollowed[]>
  consent: {
    /** Where the owner of a profile gives consent. */
    address: (request: { remoteId: string; state: string; challenge: string; redirect: string }) => string
    /** Turns the answer of a consent page into tokens. */
    redeem: (request: { answer: URL; state: string; verifier: string; redirect: string }) => Promise<Tokens>
  }
}
export type Capability = keyof Capabilities
export type Connector = Partial<Capabilities>

/** How a source is reached. */
export interface Connection {
  /** Which connector speaks with it; of a network, its id. */
  connector: string
  /** Where it answers, if that is not where its connector usually finds it. */
  address?: string | null
  /** What it knows the profile by. */
  remoteId?: string
  /** What the owner's consent has given; without them only what anybody can see is asked for. */
  credentials?: Credentials
}

/** The owner's consent, which is made fresh from time to time and kept again. */
export interface Credentials {
  tokens: Tokens
  keep: (fresh: Tokens) => Promise<void>
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
