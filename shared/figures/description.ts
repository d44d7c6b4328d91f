import type { Day } from '../../core/days/day'
import type { Period } from '../../core/periods/period'
import type { CalendarUnit } from '../../core/periods/periodKind'
import type { ProfileSet } from './sets'
import type { SavedScope } from './savedScopes'

/** A profile whose figures begin within the days that are asked for. */
export interface Since {
  name: string
  from: Day
  /** Whether the period itself reaches beyond, or only the comparison. */
  touches: 'period' | 'comparison'
}

/** A scope in words and days, and what can be chosen. */
export interface ScopeDescription {
  client: { slug: string; name: string; timeZone: string }
  words: { who: string; period: string; against: string }
  period: Period
  comparison: Period | null
  lastComplete: Day
  /** The week, month, quarter, half or year that the period is so far, where it is not over yet. */
  running?: CalendarUnit
  /** How many jobs are changing the figures at the moment. */
  writing: number
  /** A text that is another one as soon as any of the client's figures was written. */
  figuresVersion: string
  sets: ProfileSet[]
  saved: SavedScope[]
  since: Since[]
  profiles: {
    id: number
    name: string
    network: string
    networkName: string
    firstFetch: boolean
    syncedTo: string | null
    /** Whether its network no longer has it. */
    isGone: boolean
  }[]
}
