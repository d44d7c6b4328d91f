/** Figures that are read together: those at the head of the overview, and the columns of its table. */
export interface FigureSet {
  id: string
  name: string
  headlines: readonly string[]
  table: readonly string[]
}

/** The sets of figures that the overview offers, the usual one first. */
export const FIGURE_SETS: readonly FigureSet[] = [
  {
    id: 'essentials',
    name: 'The essentials',
    headlines: ['reach', 'impressions', 'interactions', 'engagement_by_reach', 'followers_net'],
    table: ['followers', 'reach', 'interactions', 'engagement_by_reach', 'posts'],
  },
  {
    id: 'reach',
    name: 'Reach',
    headlines: ['reach', 'impressions', 'frequency', 'profile_visits', 'profile_visitors'],
    table: ['reach', 'impressions', 'frequency', 'profile_visits', 'profile_visitors'],
  },
  {
    id: 'interactions',
    name: 'Interactions',
    headlines: ['interactions', 'engagement_by_impressions', 'engagement_by_followers', 'clicks', 'click_rate'],
    table: ['reactions', 'comments', 'shares', 'saves', 'clicks', 'engagement_by_impressions'],
  },
  {
    id: 'followers',
    name: 'Followers',
    headlines: ['followers', 'followers_net', 'new_followers', 'lost_followers', 'profile_visits'],
    table: ['followers', 'followers_net', 'new_followers', 'lost_followers'],
  },
  {
    id: 'video',
    name: 'Video',
    headlines: ['views', 'watch_time', 'average_watch', 'completed_views', 'completion_rate'],
    table: ['views', 'watch_time', 'average_watch', 'completed_views', 'completion_rate'],
  },
  {
    id: 'listing',
    name: 'Listing',
    headlines: ['searches', 'listing_views', 'directions', 'calls', 'action_rate'],
    table: ['searches', 'listing_views', 'directions', 'calls', 'action_rate'],
  },
]

/** The figures that stand for a client where all clients stand together. */
export const CLIENT_METRICS = ['impressions', 'interactions', 'followers_net'] as const

/** A set of figures by its id; the usual one for an id that there is not. */
export const figureSetById = (id: string): FigureSet => FIGURE_SETS.find((set) => set.id === id) ?? FIGURE_SETS[0]!
