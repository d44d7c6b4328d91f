import { declareBlock } from '../report/declareBlock'
import type { Traffic } from './traffic'

export interface FilledTraffic {
  kind: 'traffic'
  traffic: Traffic
}

export const trafficBlock = declareBlock<FilledTraffic>()({
  kind: 'traffic',
  name: 'Site traffic',
  version: 1,
  headingOf: () => 'Site traffic',
})
