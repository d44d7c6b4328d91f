import { array, boolean, number, object, string } from 'yup'
import { NETWORKS } from '../../core/networks/networks'
import { isHandle, readProfileAddress } from '../../core/networks/profileAddress'
import { text } from '../platform/text'
import type { PublicProfile } from './publicProfile'
import type { Period } from '../../core/periods/period'
import type { JobView } from '../platform/jobs'
import type { ProfileSet } from '../figures/sets'

/** Of fewer letters no name is looked for. */
export const LEAST_NAME = 3

/** What is looked for: a profile by a name, a handle or an address. */
export const lookupSchema = object({
  what: text()
    .required('Write a name, a handle or an address.')
    .max(300)
    .test(
      'named',
      ({ value }) =>
        `“${value}” is neither a name, nor a handle, nor the address of a profile. Write a name of ${LEAST_NAME} letters ` +
        `at the least, a handle such as @name, or an address on ${NETWORKS.map(({ site }) => site).join(', ')}.`,
      (what = '') => isHandle(what) || isName(what) || readProfileAddress(what) !== undefined,
    ),
  network: string().max(20).default(''),
})
/** Whether a text can be a name: what has a slash in it is an address. */
export const isName = (what: string): boolean =>
  /\p{L}/u.test(what) && !what.includes('/') && [...what.trim()].length >= LEAST_NAME
const rivalName = () => text().max(120, 'Keep the name of the competitor under 120 characters.')
export const addProfileSchema = object({
  network: string().required('Choose a network.').max(20),
  handle: text().required('Write a handle.').max(120),
  rival: rivalName().default(''),
})

/** What can be changed of a profile: whether it is on, and of a rival’s which organisation it belongs to. */
export const changeProfileSchema = object({
  isActive: boolean().optional(),
  rival: rivalName().min(1, 'Write the name of the organisation.').optional(),
}).test(
  'something',
  'Say what is to be changed.',
  ({ isActive, rival }) => isActive !== undefined || rival !== undefined,
)

/** A set as a person makes it. */
export const setSchema = object({
  name: text().required('A set needs a name.').max(80, 'Keep the name under 80 characters.'),
  profiles: array(number().integer().required()).min(1, 'Choose the profiles of the set.').max(500).required(),
})

/** A profile that was found on a network, and whether the client has it already. */
export interface FoundProfile extends PublicProfile {
  network: string
  networkName: string
  /** The client's profile that it is already. */
  already: { id: number; isRival: boolean; isActive: boolean } | null
}

/** A profile with the state of its sync, as the page of profiles shows it. */
export interface ProfileState {
  id: number
  network: string
  networkName: string
  handle: string
  name: string
  /** The network's own id of it. */
  remoteId: string
  isActive: boolean
  isRival: boolean
  /** The competitor that it belongs to. */
  rival: string | null
  consent: 'none' | 'given' | 'withdrawn'
  /** The last day of which there are figures. */
  syncedTo: string | null
  /** Whether its network was asked for it yet. */
  isSynced: boolean
  /** What is wrong with its sync, in a sentence. */
  trouble: string | null
  /** The handle that it had before the present one, and the day on which it was found under that. */
  former: string | null
  renamedOn: string | null
  /** The first day with any figure. */
  oldest: string | null
  historyDays: number
  strip: Period
  /** Days of the strip without any figure. */
  missing: Period[]
  /**
   * Days of the strip without a metric, for every metric that we are given of this profile. Rates have what their parts
   * have.
   */
  missingOf: Record<string, Period[]>
  restatements: number
  /** In how many days the network forgets something that we do not have; absent when everything is here. */
  forgetsInDays?: number
  job: JobView | null
  request?: ConsentRequest
}

/** How the newest request for a profile's consent stands, while it is not given. */
export interface ConsentRequest {
  profile: number
  state: 'open' | 'refused' | 'ended'
  askedAt: Date
  endsAt: Date
}

/** The page of profiles: own and rival ones, the sets that they are in, and the agency's allowance. */
export interface ProfilesView {
  profiles: ProfileState[]
  sets: ProfileSet[]
  allowance: { limit: number | null; used: number }
}
