import type { PostFigure } from '../../../core/posts/bestAndWorst'
import { RANKINGS, USUAL_ENDS, type FilledEnds } from '../../../shared/read/endsBlock'
import { postFilterOf } from '../../../shared/read/postFilter'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, text } from '../../platform/tables/columns'
import { endsOf } from './ends'
import { postTable } from './postsBlock'

export const endsBlock: ReportBlock<FilledEnds> = {
  fill: async ({ db, scope, block }) => ({
    ends: await endsOf(db, scope, {
      by: (block.option || 'interactions') as PostFigure,
      rows: block.rows ?? USUAL_ENDS,
      filter: postFilterOf({ ...block, only: block.format }),
    }),
  }),
  tableOf({ ends: { by, best, worst } }, zone) {
    const posts = postTable([...best, ...worst], zone)
    return {
      name: `Best and worst posts by ${RANKINGS[by].name}`,
      columns: [text('End'), count('Place'), ...posts.columns, number('Usually, interactions'), number('Times usual')],
      rows: posts.rows.map((row, index) => {
        const isBest = index < best.length
        const post = isBest ? best[index]! : worst[index - best.length]!
        const place = isBest ? index + 1 : index - best.length + 1
        return [isBest ? 'best' : 'worst', place, ...row, post.usual, post.times]
      }),
    }
  },
  missingIn: ({ ends: { ranked, by } }) => (ranked === 0 ? [`no post of this period has ${RANKINGS[by].figure}.`] : []),
}
