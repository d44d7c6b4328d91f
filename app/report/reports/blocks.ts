import type { Block } from '~~/shared/report/blocks'
import { FIGURE_SETS } from '~~/core/metrics/figureSets'
import { SPLITS } from '~~/core/splits/splits'
import { POST_ORDERS } from '~~/shared/read/postOrder'

/** The kinds of block in words. */
export const BLOCK_NAMES: Record<Block['kind'], string> = {
  figures: 'Headline figures',
  chart: 'Line over time',
  table: 'Table',
  parts: 'A figure by its parts',
  why: 'Why it changed',
  unusual: 'Unusual days',
  subject: 'Beside everybody else',
  targets: 'Targets',
  posts: 'Posts',
  open: 'What needs somebody',
  profiles: 'Profiles and their coverage',
  found: 'Profiles found',
  text: 'Text',
  page: 'Page break',
}

const essentials = FIGURE_SETS[0]!
const METRICS: Partial<Record<Block['kind'], readonly string[]>> = {
  figures: essentials.headlines,
  chart: ['impressions'],
  table: essentials.table,
  why: ['impressions'],
  unusual: ['interactions'],
  subject: ['interactions'],
}

/** The kinds that show metrics, and those that show exactly one. */
export const hasMetrics = (kind: Block['kind']): boolean => METRICS[kind] !== undefined
export const hasOneMetric = (kind: Block['kind']): boolean => ['why', 'unusual', 'subject'].includes(kind)

/** What can be chosen for a kind beside its metrics, the usual choice first. */
export const OPTIONS: Partial<
  Record<Block['kind'], { label: string; choices: readonly { value: string; name: string }[] }>
> = {
  chart: {
    label: 'Scale',
    choices: [
      { value: 'own', name: 'on its own scale' },
      { value: 'index', name: 'as an index' },
    ],
  },
  table: {
    label: 'Rows',
    choices: [
      { value: 'profile', name: 'by profile' },
      { value: 'network', name: 'by network' },
      { value: 'set', name: 'by set' },
    ],
  },
  parts: { label: 'What is split', choices: SPLITS.map(({ id, name }) => ({ value: id, name })) },
  posts: {
    label: 'Order',
    choices: POST_ORDERS.filter(({ value }) => value !== 'newest').map(({ value, name }) => ({
      value,
      name: name.toLowerCase(),
    })),
  },
}

/** A new block with what is usually wanted in it. */
export const newBlock = (
  kind: Block['kind'],
  metrics: readonly string[] = METRICS[kind] ?? [],
  option = OPTIONS[kind]?.choices[0]?.value ?? '',
): Block => ({
  id: crypto.randomUUID(),
  kind,
  title: '',
  metrics: [...metrics],
  option,
  who: 'all',
  text: '',
  comment: '',
})
