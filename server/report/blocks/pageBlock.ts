import type { ReportBlock } from '../../figures/reportBlock'
import type { FilledPage } from '../../../shared/report/pageBlock'

export const pageBlock: ReportBlock<FilledPage> = { fill: async () => ({}) }
