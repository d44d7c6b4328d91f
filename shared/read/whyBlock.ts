import { metricById } from '../../core/metrics/catalogue'
import type { Why } from './why'
import { declareBlock } from '../report/declareBlock'

/** Why a figure changed, in parts that add up to the change. */
export interface FilledWhy {
  kind: 'why'
  why: Why
}

export const whyBlock = declareBlock<FilledWhy>()({
  kind: 'why',
  name: 'Why it changed',
  version: 1,
  isScoped: true,
  metrics: { usual: ['impressions'], most: 1 },
  headingOf: ({ why }) => `Why ${metricById(why.metric).name.toLowerCase()} changed`,
})
