import { FIGURE_SETS } from '../../core/metrics/figureSets'
import type { Grouping, RowFigures } from './overview'
import { declareBlock } from '../report/declareBlock'

/** Figures by profile, network or set. */
export interface FilledTable {
  kind: 'table'
  metrics: string[]
  rows: RowFigures[]
  /** Absent in editions of before there was more than one. */ by?: Grouping
}

export const tableBlock = declareBlock<FilledTable>()({
  kind: 'table',
  name: 'Table',
  version: 1,
  isScoped: true,
  metrics: { usual: FIGURE_SETS[0]!.table, most: 12 },
  option: {
    label: 'Rows',
    choices: [
      { value: 'profile', name: 'by profile' },
      { value: 'network', name: 'by network' },
      { value: 'set', name: 'by set' },
    ],
  },
  headingOf: () => '',
})
