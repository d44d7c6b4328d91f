import type { FilledPoll } from '../../../shared/read/pollBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, share, text } from '../../platform/tables/columns'
import { pollsOf } from './polls'

export const pollBlock: ReportBlock<FilledPoll> = {
  async fill({ db, block }) {
    const [poll] = await pollsOf(db, block.poll)
    return poll ? { poll } : {}
  },
  tableOf: ({ poll }) => ({
    name: 'A poll',
    columns: [
      text('Answer'),
      count('People'),
      share('Share of those who answered'),
      share('At least'),
      share('At most'),
    ],
    rows: (poll?.answers ?? []).map((answer) => [answer.text, answer.count, answer.share, answer.low, answer.high]),
  }),
  missingIn: ({ poll }) => (poll ? [] : ['its poll was removed, or there is none.']),
}
