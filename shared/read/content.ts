/** A post as the list shows it. */
export interface ListedPost {
  id: string
  profile: number
  name: string
  networkName: string
  publishedAt: Date
  format: string
  text: string
  impressions: number | null
  interactions: number | null
  /** Interactions for each impression, with its 95 % interval (Wilson); absent without impressions. */
  rate: { value: number; low: number; high: number } | null
}
