/** A profile of a client, without its tokens. */
export interface ProfileRow {
  profile_id: number
  network: string
  networkName: string
  handle: string
  name: string
  remote_id: string
  is_active: number
  is_rival: number
  /** The competitor that it belongs to. */
  rival: string | null
  consent: 'none' | 'given' | 'withdrawn'
  /** The last day of which there are figures, posts and splits. */
  synced_to: string | null
  posts_to: string | null
  parts_to: string | null
  synced_at: Date | null
  first_fetch: number
  sync_error: string | null
  /** The first day with any figure. */
  oldest: string | null
  /** Whether it has any figures; a profile that nobody has connected yet is no part of a figure, and no gap either. */
  has_figures: number
}

/** A figure that a network has changed after the fact. */
export interface Restatement {
  day: string
  metric: string
  seenAt: Date
  oldValue: number | null
  newValue: number | null
}
