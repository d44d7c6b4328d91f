import type { PostFigure } from '../../../core/posts/bestAndWorst'
import { RANKINGS } from '../../../shared/read/endsBlock'
import type { FilledFormats } from '../../../shared/read/formatsBlock'
import { postFilterOf } from '../../../shared/read/postFilter'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, share, text } from '../../platform/tables/columns'
import { formatsOf } from './ends'

export const formatsBlock: ReportBlock<FilledFormats> = {
  fill: async ({ db, scope, block }) => ({
    spread: await formatsOf(db, scope, (block.option || 'interactions') as PostFigure, postFilterOf(block)),
  }),
  tableOf({ spread: { by, formats } }) {
    const figure = by === 'rate' ? share : number
    return {
      name: `Formats by ${RANKINGS[by].name}`,
      columns: [
        text('Format'),
        count('Posts'),
        count('Posts without it'),
        figure('Least'),
        figure('Lower quartile'),
        figure('Median'),
        figure('Upper quartile'),
        figure('Most'),
      ],
      rows: formats.map(({ format, posts, unknown, box }) => [
        format,
        posts,
        unknown,
        box?.least,
        box?.lower,
        box?.middle,
        box?.upper,
        box?.most,
      ]),
    }
  },
  missingIn: ({ spread: { formats, by } }) =>
    formats.every(({ posts }) => posts === 0) ? [`no post of this period has ${RANKINGS[by].figure}.`] : [],
}
