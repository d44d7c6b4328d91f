import type { FactColumn, FlowColumn } from './storedFigures'
import { windowColumns, type Metric } from './metric'
import { Unreadable } from '../unreadable'

const plain = (column: FlowColumn) => [{ column, sign: 1 as const }]

/**
 * Every metric that the product knows, in the order in which they are offered. A metric added here appears in choosers,
 * charts, workings, reports, imports and the glossary.
 */
/** What is done from a listing. */
const LISTING_ACTIONS = ['site_clicks', 'directions', 'calls', 'messages', 'bookings'] as const

export const CATALOGUE: readonly Metric[] = [
  {
    id: 'reach',
    name: 'Reach',
    kind: 'unique',
    unit: 'people',
    polarity: 1,
    isPublic: false,
    group: 'Reach',
    family: 'reach',
    ceiling: 'impressions',
    windows: windowColumns('reach'),
    definition:
      'People who saw anything of the profile at least once in the period. A person seen on two days or on two ' +
      'profiles is one person, so reach is never added.',
  },
  {
    id: 'impressions',
    name: 'Impressions',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: false,
    group: 'Reach',
    parts: plain('impressions'),
    definition: 'How often anything of the profile was shown. One person can be shown the same thing many times.',
  },
  {
    id: 'frequency',
    name: 'Frequency',
    kind: 'ratio',
    unit: 'times',
    polarity: 0,
    isPublic: false,
    group: 'Reach',
    numerator: 'impressions',
    denominator: 'reach',
    definition: 'How often a person who was reached saw something: impressions divided by reach.',
  },
  {
    id: 'profile_visits',
    name: 'Profile visits',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: false,
    group: 'Reach',
    parts: plain('profile_visits'),
    definition: 'How often the profile itself was opened. A person can open it more than once.',
  },
  {
    id: 'profile_visitors',
    name: 'Profile visitors',
    kind: 'unique',
    unit: 'people',
    polarity: 1,
    isPublic: false,
    group: 'Reach',
    family: 'visitors',
    ceiling: 'profile_visits',
    windows: windowColumns('visitors'),
    definition:
      'People who opened the profile at least once in the period. Visits are not people: somebody who comes twice is one visitor.',
  },
  {
    id: 'visits_per_visitor',
    name: 'Visits by visitor',
    kind: 'ratio',
    unit: 'times',
    polarity: 0,
    isPublic: false,
    group: 'Reach',
    numerator: 'profile_visits',
    denominator: 'profile_visitors',
    definition: 'How often a visitor opened the profile: profile visits divided by profile visitors.',
  },
  {
    id: 'spoken_of',
    name: 'Times spoken of',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: false,
    group: 'Reach',
    parts: plain('spoken_of'),
    definition:
      'How often the profile or one of its posts was spoken of: comments, shares, answers, and posts of others that name it.',
  },
  {
    id: 'speakers',
    name: 'People who spoke of it',
    kind: 'unique',
    unit: 'people',
    polarity: 1,
    isPublic: false,
    group: 'Reach',
    family: 'speakers',
    ceiling: 'spoken_of',
    windows: windowColumns('speakers'),
    definition:
      'People who spoke of the profile or its posts at least once in the period: who commented, shared, answered or named ' +
      'it. Somebody who does so twice is one.',
  },
  {
    id: 'interactions',
    name: 'Interactions',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: true,
    group: 'Interactions',
    parts: (['reactions', 'comments', 'shares', 'saves'] as const).flatMap(plain),
    definition: 'Reactions, comments, shares and saves added together, as far as the network reports them.',
  },
  {
    id: 'reactions',
    name: 'Reactions',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: true,
    group: 'Interactions',
    parts: plain('reactions'),
    definition: 'How often a person marked a post with a reaction.',
  },
  {
    id: 'comments',
    name: 'Comments',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: true,
    group: 'Interactions',
    parts: plain('comments'),
    definition: 'How many comments were written under posts.',
  },
  {
    id: 'shares',
    name: 'Shares',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: true,
    group: 'Interactions',
    parts: plain('shares'),
    definition: 'How often a post was passed on.',
  },
  {
    id: 'saves',
    name: 'Saves',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: false,
    group: 'Interactions',
    parts: plain('saves'),
    definition: 'How often a post was kept for later.',
  },
  {
    id: 'clicks',
    name: 'Link clicks',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: false,
    group: 'Interactions',
    parts: plain('clicks'),
    definition: 'How often a link in a post or on the profile was followed.',
  },
  {
    id: 'engagement_by_reach',
    name: 'Engagement by reach',
    kind: 'ratio',
    unit: 'share',
    polarity: 1,
    isPublic: false,
    group: 'Interactions',
    numerator: 'interactions',
    denominator: 'reach',
    definition: 'Engagement rate by reach: interactions divided by the people reached.',
  },
  {
    id: 'engagement_by_impressions',
    name: 'Engagement by impressions',
    kind: 'ratio',
    unit: 'share',
    polarity: 1,
    isPublic: false,
    group: 'Interactions',
    numerator: 'interactions',
    denominator: 'impressions',
    definition: 'Engagement rate by impressions: interactions divided by impressions.',
  },
  {
    id: 'engagement_by_followers',
    name: 'Engagement by followers',
    kind: 'ratio',
    unit: 'share',
    polarity: 1,
    isPublic: true,
    group: 'Interactions',
    numerator: 'interactions',
    denominator: 'followers',
    definition:
      'Engagement rate by followers: interactions divided by the followers at the end of the period. The only ' +
      'engagement rate that rivals have too.',
  },
  {
    id: 'click_rate',
    name: 'Click rate',
    kind: 'ratio',
    unit: 'share',
    polarity: 1,
    isPublic: false,
    group: 'Interactions',
    numerator: 'clicks',
    denominator: 'impressions',
    definition: 'Link clicks divided by impressions.',
  },
  {
    id: 'followers',
    name: 'Followers',
    kind: 'stock',
    unit: 'people',
    polarity: 1,
    isPublic: true,
    group: 'Followers',
    column: 'followers',
    definition:
      'How many follow the profile at the end of the period. Over several profiles a person who follows two is counted twice.',
  },
  {
    id: 'followers_net',
    name: 'New followers, net',
    kind: 'flow',
    unit: 'people',
    polarity: 1,
    isPublic: false,
    group: 'Followers',
    parts: [
      { column: 'new_followers', sign: 1 },
      { column: 'lost_followers', sign: -1 },
    ],
    definition: 'Followers won less followers lost in the period.',
  },
  {
    id: 'new_followers',
    name: 'Followers won',
    kind: 'flow',
    unit: 'people',
    polarity: 1,
    isPublic: false,
    group: 'Followers',
    parts: plain('new_followers'),
    definition: 'How many began to follow in the period.',
  },
  {
    id: 'lost_followers',
    name: 'Followers lost',
    kind: 'flow',
    unit: 'people',
    polarity: -1,
    isPublic: false,
    group: 'Followers',
    parts: plain('lost_followers'),
    definition: 'How many ceased to follow in the period.',
  },
  {
    id: 'views',
    name: 'Views',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: true,
    group: 'Video',
    parts: plain('views'),
    definition: 'How often a video was started.',
  },
  {
    id: 'watch_time',
    name: 'Watch time',
    kind: 'flow',
    unit: 'seconds',
    polarity: 1,
    isPublic: false,
    group: 'Video',
    parts: plain('watch_seconds'),
    definition: 'How long videos were watched, all views together.',
  },
  {
    id: 'average_watch',
    name: 'Average watch',
    kind: 'ratio',
    unit: 'seconds',
    polarity: 1,
    isPublic: false,
    group: 'Video',
    numerator: 'watch_time',
    denominator: 'views',
    definition: 'How long a view lasted on average: watch time divided by views.',
  },
  {
    id: 'completed_views',
    name: 'Completed views',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: false,
    group: 'Video',
    parts: plain('completed_views'),
    definition: 'How many views went on to the end of the video.',
  },
  {
    id: 'completion_rate',
    name: 'Completion rate',
    kind: 'ratio',
    unit: 'share',
    polarity: 1,
    isPublic: false,
    group: 'Video',
    numerator: 'completed_views',
    denominator: 'views',
    definition: 'The share of all views that went on to the end.',
  },
  {
    id: 'searches',
    name: 'Searches',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: false,
    group: 'Listing',
    parts: plain('searches'),
    definition: 'How often the listing was found by a search.',
  },
  {
    id: 'listing_views',
    name: 'Listing views',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: false,
    group: 'Listing',
    parts: plain('listing_views'),
    definition: 'How often the listing was looked at, in a search or on a map.',
  },
  {
    id: 'directions',
    name: 'Direction requests',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: false,
    group: 'Listing',
    parts: plain('directions'),
    definition: 'How often somebody asked for the way.',
  },
  {
    id: 'calls',
    name: 'Calls',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: false,
    group: 'Listing',
    parts: plain('calls'),
    definition: 'How often somebody called from the listing.',
  },
  {
    id: 'messages',
    name: 'Messages',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: false,
    group: 'Listing',
    parts: plain('messages'),
    definition: 'How often somebody wrote to the place from the listing.',
  },
  {
    id: 'bookings',
    name: 'Bookings',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: false,
    group: 'Listing',
    parts: plain('bookings'),
    definition: 'How often somebody booked from the listing.',
  },
  {
    id: 'picture_views',
    name: 'Picture views',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: false,
    group: 'Listing',
    parts: plain('picture_views'),
    definition: 'How often pictures of the listing were looked at.',
  },
  {
    id: 'site_clicks',
    name: 'Clicks to the site',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: false,
    group: 'Listing',
    parts: plain('site_clicks'),
    definition: 'How often somebody went from the listing to the place’s site.',
  },
  {
    id: 'listing_actions',
    name: 'Actions from the listing',
    kind: 'flow',
    unit: 'count',
    polarity: 1,
    isPublic: false,
    group: 'Listing',
    parts: LISTING_ACTIONS.map((column) => ({ column, sign: 1 })),
    definition:
      'Clicks to the site, direction requests, calls, messages and bookings together. One person can do several of them.',
  },
  {
    id: 'action_rate',
    name: 'Direction requests by views',
    kind: 'ratio',
    unit: 'share',
    polarity: 1,
    isPublic: false,
    group: 'Listing',
    numerator: 'directions',
    denominator: 'listing_views',
    definition: 'Direction requests divided by listing views.',
  },
  {
    id: 'posts',
    name: 'Posts',
    kind: 'flow',
    unit: 'count',
    polarity: 0,
    isPublic: true,
    group: 'Publishing',
    parts: plain('posts'),
    definition: 'How many posts were published.',
  },
  {
    id: 'interactions_per_post',
    name: 'Interactions per post',
    kind: 'ratio',
    unit: 'times',
    polarity: 1,
    isPublic: true,
    group: 'Publishing',
    numerator: 'interactions',
    denominator: 'posts',
    definition:
      'Interactions divided by the posts of the same days: it compares those who post often with those who post ' +
      'seldom. What posts of before still bring is in it.',
  },
]

const byId = new Map(CATALOGUE.map((metric) => [metric.id, metric]))

/**
 * A metric of the catalogue.
 *
 * @throws Unreadable when the catalogue has no such metric
 * @example metricById('reach').kind // 'unique'
 */
export function metricById(id: string): Metric {
  const metric = byId.get(id)
  if (!metric) throw new Unreadable(`there is no metric "${id}"`)
  return metric
}

/** Whether the catalogue has a metric with this id. */
export const isMetric = (id: string): boolean => byId.has(id)

/**
 * The stored columns that a metric is computed from.
 *
 * @example columnsOf(metricById('followers_net')) // ['new_followers', 'lost_followers']
 */
export function columnsOf(metric: Metric): FactColumn[] {
  switch (metric.kind) {
    case 'flow':
      return metric.parts.map(({ column }) => column)
    case 'stock':
      return [metric.column]
    case 'unique':
      return [...Object.values(metric.windows), metric.ceiling]
    case 'ratio':
      return [...new Set([...columnsOf(metricById(metric.numerator)), ...columnsOf(metricById(metric.denominator))])]
  }
}

/** Whether a metric can be below zero: what was won less what was lost. */
export const isSigned = (metric: Metric): boolean => metric.kind === 'flow' && metric.parts.some(({ sign }) => sign < 0)
