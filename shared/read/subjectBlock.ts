import { metricById } from '../../core/metrics/catalogue'
import type { Subject } from './subject'
import { declareBlock } from '../report/declareBlock'

/** The own change beside the networks’ and the field’s. */
export interface FilledSubject {
  kind: 'subject'
  subject: Subject
}

export const subjectBlock = declareBlock<FilledSubject>()({
  kind: 'subject',
  name: 'Beside everybody else',
  version: 1,
  isScoped: true,
  metrics: { usual: ['interactions'], most: 1 },
  headingOf: ({ subject }) => `${metricById(subject.metric).name} beside everybody else`,
})
