import { NETWORKS } from '../../core/networks/networks'
import { Unreadable } from '../../core/unreadable'

/** The period with which every page begins: four whole weeks, so that weekdays weigh the same. */
export const DEFAULT_PERIOD = 'last-28-days'

/** Who, when and against what, as it stands in the address. An empty list of profiles means all. */
export interface ScopeQuery {
  who: number[]
  /** Sets by id; their members are taken together with the single profiles. */
  sets: number[]
  /** Networks by id: every profile of the client there. Absent where none is chosen. */
  networks?: string[]
  period: string
  /** A named comparison, or a period of one's own in words or days. */
  against: string
}

/** Everybody, or profiles by their id, sets by theirs with an s before it, and networks by name. */
const WHO_PART = `(?:s?\\d{1,9}|${NETWORKS.map(({ id }) => id).join('|')})`

/** What a part of the scope has to be like, wherever it stands: in an address, a target, a block, a kept scope. */
export interface ScopeRule {
  /** How long it can be, in letters, and what is said of a longer one. */
  most: number
  tooLong: string
  /** What it is made of, and what is said of anything else; absent where that is found out with today's date. */
  pattern?: RegExp
  unlike: string
  /** What holds where nothing is said. */
  usual: string
}
export const SCOPE_RULES = {
  who: {
    most: 4000,
    tooLong: 'Too many profiles at once. Make a set of them.',
    pattern: new RegExp(`^(all|${WHO_PART}(,${WHO_PART})*)$`),
    unlike: 'Choose profiles from the list.',
    usual: 'all',
  },
  period: {
    most: 60,
    tooLong: 'Write a period in at most 60 letters.',
    unlike: 'period is one text, such as 2026-09.',
    usual: DEFAULT_PERIOD,
  },
  against: {
    most: 60,
    tooLong: 'Compare with the days before, last year, days of your own, or nothing.',
    unlike: 'Compare with the days before, last year, days of your own, or nothing.',
    usual: 'before',
  },
} as const satisfies Record<string, ScopeRule>

/**
 * The scope that an address asks for; what it leaves out is the default. Every page asks, so it does without the schemas
 * that are made of the same rules.
 *
 * @throws Unreadable with a sentence when a part has no meaning
 * @example parseScope({ who: '1,2' }).who // [1, 2]
 */
export function parseScope(query: Record<string, unknown>): ScopeQuery {
  const part = (name: keyof typeof SCOPE_RULES): string => {
    const { most, tooLong, pattern, unlike, usual }: ScopeRule = SCOPE_RULES[name]
    const value = query[name] ?? usual
    if (typeof value !== 'string') throw new Unreadable(unlike)
    if (value.length > most) throw new Unreadable(tooLong)
    if (pattern && !pattern.test(value)) throw new Unreadable(unlike)
    return value
  }
  return { ...parseWho(part('who')), period: part('period'), against: part('against') }
}

/** Of whom: profiles, sets and networks; of everybody where all three are empty. */
export type Whom = Pick<ScopeQuery, 'who' | 'sets' | 'networks'>

/** The profiles, sets and networks of a `who` as it stands in an address. */
export function parseWho(who: string): Whom {
  const parts = who === 'all' ? [] : who.split(',')
  const networks = parts.filter((part) => NETWORKS.some(({ id }) => id === part))
  return {
    who: parts.filter((part) => /^\d+$/.test(part)).map(Number),
    sets: parts.filter((part) => /^s\d+$/.test(part)).map((part) => Number(part.slice(1))),
    ...(networks.length > 0 && { networks: [...new Set(networks)] }),
  }
}

/** A `who` for an address: the sets first, then the networks. */
export const whoAddress = ({ who, sets, networks = [] }: Whom): string =>
  [...sets.map((id) => `s${id}`), ...networks, ...who].join(',') || 'all'

/** The parts of a scope that differ from the default, for the address. */
export function scopeAddress(scope: ScopeQuery): Record<string, string> {
  return {
    ...(whoAddress(scope) !== 'all' && { who: whoAddress(scope) }),
    ...(scope.period !== DEFAULT_PERIOD && { period: scope.period }),
    ...(scope.against !== 'before' && { against: scope.against }),
  }
}
