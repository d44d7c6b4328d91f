import { slotName } from '../../../core/times/slots'
import { RESPONSE_BASES, RESPONSES } from '../../../core/times/responses'
import { timesSchema } from '../../../shared/read/times'
import type { FilledTimes } from '../../../shared/read/timesBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, share, text } from '../../platform/tables/columns'
import { timesOf } from './times'

export const timesBlock: ReportBlock<FilledTimes> = {
  fill: async ({ db, scope, block }) => {
    const query = timesSchema.cast(block, { stripUnknown: true })
    return {
      // what is planned and tried is the agency's own affair
      view: { ...(await timesOf(db, scope, query)), planned: [], tries: [] },
      response: RESPONSES.find(({ id }) => id === query.response)!.name,
      base: RESPONSE_BASES.find(({ id }) => id === query.base)!.name,
    }
  },
  tableOf: ({ view: { lifts, there, suggestions, arrivals } }) => ({
    name: 'When to post',
    columns: [
      text('Slot'),
      count('Posts'),
      share('Lift over usual'),
      share('At least (80 %)'),
      share('At most (80 %)'),
      share('Of its own posts'),
      number('Followers there'),
      share('Of all followers'),
      share('Of the fullest hour'),
      share('Of interactions that arrive'),
      count('Suggested as'),
    ],
    rows: lifts.map(({ slot, posts, lift, raw }) => [
      slotName(slot),
      posts,
      lift?.value,
      lift?.low,
      lift?.high,
      raw,
      there?.slots[slot]?.people,
      there?.slots[slot]?.ofAll,
      there?.slots[slot]?.ofFullest,
      arrivals?.slots[slot],
      suggestions.findIndex((each) => each.slot === slot) + 1 || undefined,
    ]),
  }),
  missingIn: ({ view: { posts, whyNotThere } }) => [
    ...(posts.counted === 0 ? ['no post of these weeks can be judged.'] : []),
    ...(whyNotThere ? [whyNotThere] : []),
    ...(posts.isCut ? ['only the newest 20,000 posts were looked at.'] : []),
  ],
}
