import type { Dataset } from '../datasets/dataset'
import { EXAMPLE } from './rowReader'
import { importTargets } from './importTargets'

const EXAMPLES: Readonly<Record<string, string>> = {
  day: '2026-10-28',
  profile_id: '17841400518844102',
  handle: 'mossgate',
  remote_id: '703119280207460',
  published_at: '2026-10-28 09:15',
  written_at: '2026-10-28 09:15',
  asked_at: '2026-10-28 09:15',
  answered_by: 'owner',
  answered_at: '2026-10-29 10:00',
  author: 'Who has written it',
  language: 'en',
  answer: 'What was answered',
  stars: '5',
  observed_at: '2026-10-29 09:15',
  format: 'photo',
  text: 'What the post says',
  alt: 'What the picture shows',
  breakdown: 'followers_by_country',
  part: 'GB',
  page: '/visit',
  source: 'letter',
  medium: 'mail',
}

/**
 * What a file of a dataset looks like: its headings, and a row that shows what belongs below them. That row is refused
 * when somebody leaves it in.
 *
 * @example templateOf(SITE_DAY)[0] // ['Date', 'Visits', …]
 */
export function templateOf(dataset: Dataset): string[][] {
  const targets = importTargets(dataset)
  return [
    targets.map(({ name }) => name),
    targets.map(({ value }, index) => {
      const example = EXAMPLES[value] ?? '12'
      return index === 0 ? `${EXAMPLE} ${example}` : example
    }),
  ]
}
