import { STORED_FIGURES } from '../metrics/storedFigures'
import type { Dataset, KeyColumn, Measure } from './dataset'

const PROFILE: KeyColumn = { column: 'profile_id', type: 'profile', meaning: 'The profile.' }
const DAY: KeyColumn = { column: 'day', type: 'day', meaning: 'The day, in the client’s time zone.' }
const POST: KeyColumn = { column: 'remote_id', type: 'id', meaning: 'The network’s id of the post.' }

/** The figures of a post so far. */
const POST_MEASURES = [
  { column: 'impressions', rollUp: 'flow', bit: 0, meaning: 'Impressions of the post so far.' },
  { column: 'reactions', rollUp: 'flow', bit: 1, meaning: 'Reactions to it so far.' },
  { column: 'comments', rollUp: 'flow', bit: 2, meaning: 'Comments below it so far.' },
  { column: 'shares', rollUp: 'flow', bit: 3, meaning: 'How often it was shared so far.' },
  { column: 'saves', rollUp: 'flow', bit: 4, meaning: 'How often it was saved so far.' },
  { column: 'paid_impressions', rollUp: 'flow', bit: 5, meaning: 'Those of its impressions that were paid for.' },
  { column: 'reach', rollUp: 'unique', bit: 6, meaning: 'Different people who saw it so far.' },
  { column: 'clicks', rollUp: 'flow', bit: 7, meaning: 'Clicks on it so far.' },
  { column: 'views', rollUp: 'flow', bit: 8, meaning: 'How often its video was begun so far.' },
  { column: 'watch_seconds', rollUp: 'flow', bit: 9, meaning: 'Seconds that it was watched so far.' },
  { column: 'story_exits', rollUp: 'flow', bit: 10, meaning: 'How often somebody left at this story.' },
  { column: 'story_nexts', rollUp: 'flow', bit: 11, meaning: 'How often somebody went on to the next story.' },
  { column: 'story_backs', rollUp: 'flow', bit: 12, meaning: 'How often somebody went back to the story before.' },
  { column: 'replies', rollUp: 'flow', bit: 13, meaning: 'Replies to the story so far.' },
  { column: 'peak_viewers', rollUp: 'unique', bit: 14, meaning: 'Viewers at the fullest moment of a live video.' },
] as const satisfies readonly Measure[]
export type PostMeasure = (typeof POST_MEASURES)[number]['column']
export const POST_COUNTS: readonly PostMeasure[] = POST_MEASURES.map(({ column }) => column)

/** What a profile brought on a day: the wide table of figures. */
export const PROFILE_DAY: Dataset = {
  id: 'profile_day',
  name: 'Figures by day',
  grain: 'a profile on a day',
  keys: [PROFILE, DAY],
  day: 'day',
  measures: STORED_FIGURES.map(({ column, rollUp, bit }) => ({
    column,
    rollUp,
    bit,
    meaning: `${column.replaceAll('_', ' ').replace(/ (\d+)d$/, ' over $1 days ending on the day')}, as the network counts.`,
  })),
  texts: [],
  sources: ['network', 'file'],
}

/** A figure of a day by its parts. */
export const PROFILE_DAY_BREAKDOWN: Dataset = {
  id: 'profile_day_breakdown',
  name: 'Breakdowns by day',
  grain: 'a part of a breakdown of a profile on a day',
  keys: [
    PROFILE,
    { column: 'breakdown', type: 'breakdown', meaning: 'Which breakdown.' },
    DAY,
    { column: 'part_id', type: 'part', meaning: 'Which part of it.' },
  ],
  day: 'day',
  measures: [{ column: 'value', rollUp: 'by its breakdown', bit: 0, meaning: 'The count of the part.' }],
  texts: [],
  sources: ['network', 'file'],
}

/** What was posted, with what it has brought so far. */
export const POSTS: Dataset = {
  id: 'post',
  name: 'Posts',
  grain: 'a post',
  keys: [PROFILE, POST],
  day: 'day',
  measures: POST_MEASURES,
  texts: [
    { column: 'published_at', type: 'instant', bit: 30, meaning: 'When it was published, in UTC.' },
    {
      column: 'day',
      type: 'day',
      of: 'published_at',
      bit: 31,
      meaning: 'The day of that, in the client’s time zone.',
    },
    { column: 'format', type: 'text', longest: 20, usual: 'text', bit: 32, meaning: 'What kind of post it is.' },
    { column: 'text', type: 'text', longest: 2000, usual: '', bit: 33, meaning: 'What it says.' },
    { column: 'picture_url', type: 'text', longest: 500, bit: 34, meaning: 'Where its picture stands on its network.' },
    { column: 'alt', type: 'text', longest: 1000, bit: 35, meaning: 'What the picture shows, in words.' },
  ],
  sources: ['network', 'file'],
}

/** What a post had brought when it was looked at: the same figures, over its life. */
export const POST_OBSERVATIONS: Dataset = {
  id: 'post_observation',
  name: 'Posts over their life',
  grain: 'a post at a time',
  keys: [PROFILE, POST, { column: 'observed_at', type: 'instant', meaning: 'When it was looked at, in UTC.' }],
  day: 'observed_at',
  measures: POST_MEASURES.map((measure) => ({ ...measure, rollUp: 'stock' as const })),
  texts: [],
  sources: ['network', 'file'],
  keptDays: 800,
}

/** At which parts of a video, in percent of its length, it is told how many still watched it. */
export const RETENTION_STEPS = [
  0, 5, 10, 15, 20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 75, 80, 85, 90, 95, 100,
] as const

/** How far the plays of a video went. */
export const POST_RETENTION: Dataset = {
  id: 'post_retention',
  name: 'How far videos were watched',
  grain: 'a video',
  keys: [PROFILE, POST],
  day: 'day',
  measures: [
    { column: 'length_seconds', rollUp: 'stock', bit: 0, meaning: 'How long the video is, in seconds.' },
    ...RETENTION_STEPS.map((percent, step) => ({
      column: `at_${percent}`,
      rollUp: 'flow' as const,
      bit: step + 1,
      meaning:
        percent === 0
          ? 'How often the video was begun.'
          : `How often it was on at ${percent} % of its length; more than before it where people went back to that place.`,
    })),
  ],
  texts: [
    { column: 'day', type: 'day', bit: 30, meaning: 'The day on which it was published, as its network counts.' },
  ],
  sources: ['network'],
  stream: { id: 'retention', networks: ['lantern'] },
}

/** What people have written about a place, and the answer to it. */
export const REVIEWS: Dataset = {
  id: 'review',
  name: 'Reviews',
  grain: 'a review of a listing',
  keys: [PROFILE, { column: 'remote_id', type: 'id', meaning: 'The network’s id of the review.' }],
  day: 'day',
  measures: [
    { column: 'stars', rollUp: 'mean', bit: 0, range: [1, 5], meaning: 'How many stars it gives, from 1 to 5.' },
  ],
  texts: [
    { column: 'written_at', type: 'instant', bit: 30, meaning: 'When it was written, in UTC.' },
    {
      column: 'day',
      type: 'day',
      of: 'written_at',
      bit: 31,
      meaning: 'The day of that, in the client’s time zone.',
    },
    { column: 'author', type: 'text', longest: 120, usual: '', bit: 32, meaning: 'Who has written it.' },
    { column: 'language', type: 'text', longest: 12, usual: 'en', bit: 33, meaning: 'Its language, BCP 47.' },
    { column: 'text', type: 'text', longest: 4000, usual: '', bit: 34, meaning: 'What it says.' },
    {
      column: 'answered_at',
      type: 'instant',
      isOptional: true,
      bit: 35,
      meaning: 'When it was answered, in UTC; absent while it waits.',
    },
    { column: 'answer', type: 'text', longest: 4000, bit: 36, meaning: 'The answer.' },
  ],
  sources: ['network', 'file'],
  stream: { id: 'reviews', networks: ['waymark'] },
}

/** By whom a question was answered, where the owner of the listing has done it. */
export const THE_OWNER = 'owner'

/** What people ask about a place, and the answer that its network shows. */
export const QUESTIONS: Dataset = {
  id: 'question',
  name: 'Questions',
  grain: 'a question about a listing',
  keys: [PROFILE, { column: 'remote_id', type: 'id', meaning: 'The network’s id of the question.' }],
  day: 'day',
  measures: [
    {
      column: 'wanted',
      rollUp: 'stock',
      bit: 0,
      meaning: 'How many others want to know it too, as the network counts.',
    },
  ],
  texts: [
    { column: 'asked_at', type: 'instant', bit: 30, meaning: 'When it was asked, in UTC.' },
    { column: 'day', type: 'day', of: 'asked_at', bit: 31, meaning: 'The day of that, in the client’s time zone.' },
    { column: 'author', type: 'text', longest: 120, usual: '', bit: 32, meaning: 'Who asks.' },
    { column: 'text', type: 'text', longest: 4000, usual: '', bit: 33, meaning: 'What is asked.' },
    {
      column: 'answered_at',
      type: 'instant',
      isOptional: true,
      bit: 34,
      meaning: 'When it was answered, in UTC; absent while it waits.',
    },
    { column: 'answer', type: 'text', longest: 4000, bit: 35, meaning: 'The answer.' },
    {
      column: 'answered_by',
      type: 'text',
      longest: 120,
      bit: 36,
      meaning: 'By whom: owner, or the name of a visitor.',
    },
  ],
  sources: ['network', 'file'],
  stream: { id: 'questions', networks: ['waymark'] },
}

/** What the listing of a place shows, and showed until it was removed. */
export const LISTING_PICTURES: Dataset = {
  id: 'listing_picture',
  name: 'Pictures of listings',
  grain: 'a picture that a listing shows or has shown',
  keys: [PROFILE, { column: 'remote_id', type: 'id', meaning: 'The network’s id of the picture.' }],
  day: 'day',
  measures: [{ column: 'views', rollUp: 'stock', bit: 0, meaning: 'How often it was looked at so far.' }],
  texts: [
    { column: 'added_at', type: 'instant', bit: 30, meaning: 'When it was added, in UTC.' },
    { column: 'day', type: 'day', of: 'added_at', bit: 31, meaning: 'The day of that, in the client’s time zone.' },
    {
      column: 'author',
      type: 'text',
      longest: 120,
      usual: '',
      bit: 32,
      meaning: 'Who has added it: owner, or the name of a visitor.',
    },
    { column: 'text', type: 'text', longest: 400, usual: '', bit: 33, meaning: 'What is to be seen on it.' },
    {
      column: 'removed_at',
      type: 'instant',
      isOptional: true,
      bit: 34,
      meaning: 'When it was removed, in UTC; absent while it is shown.',
    },
    { column: 'picture_url', type: 'text', longest: 400, bit: 35, meaning: 'Where the network has it.' },
  ],
  sources: ['network'],
  stream: { id: 'pictures', networks: ['waymark'] },
}

const SITE: KeyColumn = { column: 'site_id', type: 'site', meaning: 'The site.' }

/** Who came to a site on a day. */
export const SITE_DAY: Dataset = {
  id: 'site_day',
  name: 'Sites by day',
  grain: 'a site on a day',
  keys: [SITE, DAY],
  day: 'day',
  measures: [
    { column: 'visits', rollUp: 'flow', bit: 0, meaning: 'Visits, of all visitors.' },
    { column: 'visits_consented', rollUp: 'flow', bit: 1, meaning: 'Those of visitors who consented to be counted.' },
    { column: 'visitors_1d', rollUp: 'unique', bit: 2, meaning: 'Different visitors who consented, on the day.' },
    { column: 'visitors_7d', rollUp: 'unique', bit: 3, meaning: 'The same over 7 days ending on the day.' },
    { column: 'visitors_28d', rollUp: 'unique', bit: 4, meaning: 'The same over 28 days ending on the day.' },
  ],
  texts: [],
  sources: ['file'],
}

/** How a page of a site was used on a day, by visitors who consented. */
export const SITE_PAGE_DAY: Dataset = {
  id: 'site_page_day',
  name: 'Pages of sites by day',
  grain: 'a page of a site on a day',
  keys: [SITE, DAY, { column: 'page', type: 'text', longest: 150, meaning: 'The page, as its path on the site.' }],
  day: 'day',
  measures: [
    { column: 'views', rollUp: 'flow', bit: 0, meaning: 'Page views.' },
    { column: 'unique_views', rollUp: 'unique', bit: 1, meaning: 'Different visitors who viewed it, on the day.' },
    { column: 'seconds', rollUp: 'flow', bit: 2, meaning: 'Seconds that were spent on it, where that is known.' },
    { column: 'timed_views', rollUp: 'flow', bit: 3, meaning: 'Views of which the seconds are known.' },
    { column: 'entrances', rollUp: 'flow', bit: 4, meaning: 'Visits that began with it.' },
    { column: 'exits', rollUp: 'flow', bit: 5, meaning: 'Visits that ended with it.' },
  ],
  texts: [],
  sources: ['file'],
}

/** Where the visits of a day came from, of visitors who consented. */
export const SITE_SOURCE_DAY: Dataset = {
  id: 'site_source_day',
  name: 'Sources of visits by day',
  grain: 'a source and medium of the visits of a site on a day',
  keys: [
    SITE,
    DAY,
    { column: 'source', type: 'text', longest: 60, meaning: 'The site or letter that they came from.' },
    { column: 'medium', type: 'text', longest: 40, meaning: 'What kind of way that is: social, mail, search.' },
  ],
  day: 'day',
  measures: [
    { column: 'visits', rollUp: 'flow', bit: 0, meaning: 'Visits.' },
    { column: 'visitors_1d', rollUp: 'unique', bit: 1, meaning: 'Different visitors, on the day.' },
  ],
  texts: [],
  sources: ['file'],
}

/** Every dataset of a client, in the order in which they are told. */
export const DATASETS: readonly Dataset[] = [
  PROFILE_DAY,
  PROFILE_DAY_BREAKDOWN,
  POSTS,
  POST_OBSERVATIONS,
  POST_RETENTION,
  REVIEWS,
  QUESTIONS,
  LISTING_PICTURES,
  SITE_DAY,
  SITE_PAGE_DAY,
  SITE_SOURCE_DAY,
]

/**
 * A dataset by its id.
 *
 * @throws RangeError when there is no such dataset
 */
export function datasetById(id: string): Dataset {
  const dataset = DATASETS.find((each) => each.id === id)
  if (!dataset) throw new RangeError(`there is no dataset "${id}"`)
  return dataset
}
