import { boolean, object, string, type InferType } from 'yup'
import { fieldFields } from './fieldFields'
import { NETWORKS } from '../../core/networks/networks'
import { text } from '../platform/text'

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

const WHO = 'Choose profiles from the list.'

/** Everybody, or profiles by their id, sets by theirs with an s before it, and networks by name. */
const WHO_PART = `(?:s?\\d{1,9}|${NETWORKS.map(({ id }) => id).join('|')})`
const WHO_PATTERN = new RegExp(`^(all|${WHO_PART}(,${WHO_PART})*)$`)

/** How long a choice of profiles can be, in letters, wherever it stands: some five hundred of them. */
const LONGEST_WHO = 4000

/** Of whom: everybody, or profiles and sets. One rule for addresses, targets, blocks and kept scopes. */
export const whoField = () =>
  string().matches(WHO_PATTERN, WHO).max(LONGEST_WHO, 'Too many profiles at once. Make a set of them.')

/**
 * What a period is compared with: its name, or a period of one's own; whether that is one is found out where today's
 * date is known.
 */
export const againstField = () =>
  string().max(60, 'Compare with the days before, last year, days of your own, or nothing.')

/** Checks what the address says of the scope. */
export const scopeSchema = object({
  who: whoField().default('all'),
  period: string().max(60).default(DEFAULT_PERIOD),
  against: againstField().default('before'),
})

/**
 * The scope that an address asks for; what it leaves out is the default.
 *
 * @throws ValidationError with a sentence when a part has no meaning
 * @example parseScope({ who: '1,2' }).who // [1, 2]
 */
export function parseScope(query: Record<string, unknown>): ScopeQuery {
  const { who, period, against: other } = scopeSchema.validateSync(query, { stripUnknown: true })
  return { ...parseWho(who), period, against: other }
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

/** Parts of a scope that are kept under a name; a part that is left out stays as it is when the scope is opened. */
export const savedScopeSchema = object({
  name: text().required('Give it a name.').max(80, 'Keep the name under 80 characters.'),
  parts: object({
    who: whoField(),
    period: string().max(60),
    against: againstField(),
    metric: string().max(40),
    second: string().max(40),
    figures: string().max(40),
    headlines: string().max(400),
    columns: string().max(400),
    by: string().max(20),
    /** Whether the field is kept too: on which network, with the client or without, and which rivals are left out. */
    field: boolean(),
    network: fieldFields.network.default(undefined),
    own: fieldFields.own.default(undefined),
    hide: fieldFields.hide.default(undefined),
  }).required(),
})
export type SavedParts = InferType<typeof savedScopeSchema>['parts']
