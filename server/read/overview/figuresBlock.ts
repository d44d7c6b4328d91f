import { formatFigure } from '../../../core/format/formatFigure'
import { knownText } from '../../../core/format/formatChange'
import { metricById } from '../../../core/metrics/catalogue'
import { clearOnPage } from '../../../core/change/change'
import { compareFigures, type ComparedFigure } from '../../../core/rollup/compareFigures'
import type { FilledFigures } from '../../../shared/read/figuresBlock'
import { endsOf, judgedText, kindOf, LOCALE } from '../../figures/figureColumns'
import type { ReportBlock } from '../../figures/reportBlock'
import { contextOf, rollUp } from '../../figures/rollUp'
import { count, number, share, text } from '../../platform/tables/columns'
import type { Cell, Table } from '../../platform/tables/table'
import { gapsIn } from './gapsIn'

export const figuresBlock: ReportBlock<FilledFigures> = {
  async fill({ db, scope, block }) {
    const rolled = await rollUp(db, scope, block.metrics)
    return {
      figures: clearOnPage(block.metrics.map((metric) => compareFigures(metric, rolled, contextOf(db, scope, true)))),
    }
  },
  tableOf: ({ figures: list }) => figures(list),
  missingIn: ({ figures: list }) => gapsIn(list.map((compared) => ({ compared }))),
}

/**
 * A figure in full: its value or bounds, what it rests on, and how it has changed. Units differ from row to row, and
 * each cell has its own.
 */
function figures(list: readonly ComparedFigure[]): Table {
  return {
    name: 'Figures',
    columns: [
      text('Metric'),
      text('Unit'),
      number('Value'),
      number('Now'),
      number('Then'),
      number('Difference'),
      share('Percent'),
      text('Judged'),
      number('At least'),
      number('At most'),
      text('As written'),
      text('Known'),
      count('Profile-days with data'),
      count('Profile-days expected'),
      count('Profile-days used now'),
      count('Profile-days used then'),
      number('A day now'),
      number('A day then'),
      share('Usually from'),
      share('Usually to'),
      text('Remark'),
    ],
    rows: list.map((compared) => {
      const { figure, change } = compared
      const kind = kindOf(figure.metric)
      const own = (value: number | undefined): Cell => ({ value, kind })
      const [least, most] = endsOf(figure)
      const usual = change?.usual?.scale === 'relative' ? change.usual : undefined
      return [
        metricById(figure.metric).name,
        metricById(figure.metric).unit,
        own(figure.value),
        own(change?.to),
        own(change?.from),
        own(change?.difference),
        change?.relative,
        judgedText(change),
        own(least),
        own(most),
        formatFigure(figure, LOCALE).full,
        knownText(figure, LOCALE),
        figure.coverage.present,
        figure.coverage.expected,
        change?.days?.now,
        change?.days?.then,
        change?.perDay?.to,
        change?.perDay?.from,
        usual?.low,
        usual?.high,
        [figure.reason ?? figure.remark, change?.basis, change?.small ? 'small base' : undefined]
          .filter((part) => part !== undefined)
          .join('; '),
      ]
    }),
  }
}
