import type { Change } from '../../core/change/change'

/** One's own change beside that of the subject, so that "we fell" and "everybody fell" can be told apart. */
export interface Subject {
  metric: string
  own?: Change
  /** How one's own figure would have moved had each profile moved as its whole network did on the same days. */
  networks?: { relative: number; parts: NetworkChange[]; untold: string[] }
  /** The field: the client's own profiles and its rivals', by what everybody can see. */
  field?: { change: Change; own: number; rivals: number; competitors: string[] }
  /** Why there is nothing beside it. */
  reason?: string
}

/** One network's own change, and how much of one's own earlier figure lies there. */
export interface NetworkChange {
  network: string
  name: string
  relative: number
  /** The part of one's own earlier value that was on this network. */
  share: number
}
