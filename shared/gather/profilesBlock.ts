import type { Period } from '../../core/periods/period'
import { declareBlock } from '../report/declareBlock'

/** The state and coverage of a profile, as a report shows them. */
export interface ProfileRowOf {
  name: string
  networkName: string
  remoteId: string
  state: string
  oldest: string | null
  strip: Period
  missing: Period[]
}

/** Where the figures come from. */
export interface FilledProfiles {
  kind: 'profiles'
  rows: ProfileRowOf[]
}

export const profilesBlock = declareBlock<FilledProfiles>()({
  kind: 'profiles',
  name: 'Profiles and their coverage',
  version: 1,
  headingOf: () => 'Where the figures come from',
})
