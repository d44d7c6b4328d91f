import type { Dataset } from '../datasets/dataset'
import { DATASETS, POST_OBSERVATIONS, POSTS, PROFILE_DAY, QUESTIONS, REVIEWS } from '../datasets/datasets'
import { CATALOGUE } from '../metrics/catalogue'

/** What a column of a file can hold, of a dataset. */
export interface ImportTarget {
  value: string
  name: string
  /** Whether a file without it says nothing. */
  isRequired: boolean
}

/** The datasets that files can bring. */
export const FILE_DATASETS: readonly Dataset[] = DATASETS.filter(({ sources }) => sources.includes('file'))

const METRIC_NAMES: ReadonlyMap<string, string> = new Map(
  CATALOGUE.flatMap((metric) =>
    metric.kind === 'flow' && metric.parts.length === 1 ? [[metric.parts[0]!.column, metric.name] as const] : [],
  ),
)
const NAMES: Readonly<Record<string, string>> = {
  watch_seconds: 'Watch time, in seconds',
  followers: 'Followers, at the end of the day',
  reach_1d: 'Reach of the day',
  reach_7d: 'Reach of 7 days',
  reach_28d: 'Reach of 28 days',
  visitors_1d: 'Visitors of the day',
  visitors_7d: 'Visitors of 7 days',
  visitors_28d: 'Visitors of 28 days',
  speakers_1d: 'People who spoke of it, on the day',
  speakers_7d: 'People who spoke of it over 7 days',
  speakers_28d: 'People who spoke of it over 28 days',
  published_at: 'Published, day and time',
  written_at: 'Written, day and time',
  asked_at: 'Asked, day and time',
  answered_at: 'Answered, day and time',
  answered_by: 'Answered by: owner, or a name',
  wanted: 'How many others want to know it',
  observed_at: 'Looked at, day and time',
  alt: 'Words for the picture',
  part: 'Part, such as GB or f|25-34',
  seconds: 'Seconds on the page, together',
  timed_views: 'Views with a known time',
  visits_consented: 'Visits of those who consented',
}

const words = (column: string): string => {
  const text = column.replaceAll('_', ' ')
  return text.charAt(0).toUpperCase() + text.slice(1)
}
const rowWord = (dataset: Dataset): string =>
  dataset === REVIEWS ? 'review' : dataset === QUESTIONS ? 'question' : 'post'
const nameOf = (column: string, dataset: Dataset): string =>
  (column === 'remote_id' ? `Id of the ${rowWord(dataset)}` : NAMES[column]) ??
  ([PROFILE_DAY, POSTS, POST_OBSERVATIONS].includes(dataset) ? METRIC_NAMES.get(column) : undefined) ??
  words(column)

/**
 * What the columns of a file of a dataset can hold, in the order in which they are offered. Which profile a row is of
 * can be said by an id or by a name; which site, only for the file as a whole.
 *
 * @example importTargets(SITE_DAY).map(({ value }) => value) // ['day', 'visits', 'visits_consented', …]
 */
export function importTargets(dataset: Dataset): ImportTarget[] {
  const keys = dataset.keys.flatMap(({ column, type }): ImportTarget[] => {
    if (type === 'site') return []
    if (type === 'profile')
      return [
        { value: 'profile_id', name: 'Id of the profile', isRequired: false },
        { value: 'handle', name: 'Handle or name of the profile', isRequired: false },
      ]
    const target = type === 'part' ? 'part' : column
    return [{ value: target, name: target === 'day' ? 'Date' : nameOf(target, dataset), isRequired: true }]
  })
  const texts = dataset.texts
    .filter(({ column, of }) => of === undefined && !(dataset === POSTS && column === 'picture_url'))
    .map(({ column, type, isOptional }) => ({
      value: column,
      name: nameOf(column, dataset),
      isRequired: type === 'instant' && !isOptional,
    }))
  const measures = dataset.measures.map(({ column }) => ({
    value: column,
    name: nameOf(column, dataset),
    isRequired: false,
  }))
  return [...keys.sort((a, b) => Number(b.value === 'day') - Number(a.value === 'day')), ...texts, ...measures]
}

/**
 * Which target says of which day a row is.
 *
 * @example dateTarget(POSTS) // 'published_at'
 */
export const dateTarget = ({ keys, texts }: Dataset): string =>
  [...keys, ...texts].find(({ type }) => type === 'instant')?.column ?? 'day'

/** Every target of every dataset. */
export const ALL_TARGETS: readonly string[] = [
  ...new Set(FILE_DATASETS.flatMap((dataset) => importTargets(dataset).map(({ value }) => value))),
]
