import { metricById } from '../../core/metrics/catalogue'
import type { MetricLine } from './overview'
import { declareBlock } from '../report/declareBlock'

/** One or two lines, day by day. */
export interface FilledChart {
  kind: 'chart'
  line: MetricLine
  second?: MetricLine
  isIndex?: boolean
}

export const chartBlock = declareBlock<FilledChart>()({
  kind: 'chart',
  name: 'Line over time',
  version: 1,
  isScoped: true,
  metrics: { usual: ['impressions'], most: 2 },
  option: {
    label: 'Scale',
    choices: [
      { value: 'own', name: 'on its own scale' },
      { value: 'index', name: 'as an index' },
    ],
  },
  headingOf: ({ line, second }) =>
    `${metricById(line.metric).name}${second ? ` and ${metricById(second.metric).name.toLowerCase()}` : ''} a day`,
})
