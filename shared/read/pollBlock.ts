import { number, object } from 'yup'
import { declareBlock } from '../report/declareBlock'
import type { PollView } from './polls'

export interface FilledPoll {
  kind: 'poll'
  /** Absent where it was removed, or none was chosen and there is none. */
  poll?: PollView
}

export const pollBlock = declareBlock<FilledPoll>()({
  kind: 'poll',
  name: 'A poll',
  version: 1,
  fields: object({
    /** The poll, by number; the newest where none is chosen. */
    poll: number().integer().min(1).max(4_294_967_295),
  }),
  headingOf: ({ poll }) => poll?.question ?? 'A poll',
})
