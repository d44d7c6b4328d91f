import type { ReportBlock } from '../../figures/reportBlock'
import type { FilledText } from '../../../shared/report/textBlock'

export const textBlock: ReportBlock<FilledText> = {
  fill: async ({ block }) => ({ text: block.text ?? '' }),
  missingIn: ({ text }) => (text.trim() === '' ? ['the text is empty.'] : []),
}
