/** A figure that a network has changed after the fact. */
export interface Restatement {
  day: string
  metric: string
  seenAt: Date
  oldValue: number | null
  newValue: number | null
}
