import type { ComparedFigure } from '../../core/rollup/compareFigures'
import type { Period } from '../../core/periods/period'

/** Everything that explains one figure. */
export interface Workings extends ComparedFigure {
  definition: string
  missing: { profile: number; name: string; ranges: Period[] }[]
  unreported: string[]
  firstFetch: string[]
  /** Profiles of the scope that have no figures yet, since nobody has connected them. */
  unconnected: string[]
  /** Profiles whose network reports it, but only to the owner, who has not given consent. */
  withoutConsent: string[]
}
