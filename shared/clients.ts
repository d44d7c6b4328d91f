import type { UnusualFinding } from './read/unusual'
import type { TargetView } from './read/targets'
import type { ComparedFigure } from '../core/rollup/compareFigures'

/** What waits for somebody at a client. */
export interface WhatIsOpen {
  /** Unusual days that nobody has explained; none on a small base. */
  unusual: UnusualFinding[]
  troubles: ProfileTrouble[]
  /** Targets that are in danger, or were missed within the last weeks. */
  targets: TargetView[]
  due: Due[]
}

/** What a profile needs somebody to do. */
export interface ProfileTrouble {
  profile: number
  name: string
  sentence: string
}

/** What has to be done soon, and where. */
export interface Due {
  kind: 'report' | 'target' | 'reviews' | 'plan' | 'directories' | 'questions' | 'field'
  id: number
  sentence: string
}

/**
 * A client on the first page: what moved, what is unexplained, what is in trouble. A viewer sees of it what is released
 * to them.
 */
export interface ClientSummary extends WhatIsOpen {
  slug: string
  name: string
  profiles: number
  period: string
  against: string
  figures: ComparedFigure[]
  lastEdition: { id: number; title: string; number: number; issuedAt: Date } | null
  /** Why a client's figures are not there; the others are. */
  problem?: string
}
