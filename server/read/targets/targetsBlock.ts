import { knownText } from '../../../core/format/formatChange'
import { metricById } from '../../../core/metrics/catalogue'
import type { TargetView } from '../../../shared/read/targets'
import type { FilledTargets } from '../../../shared/read/targetsBlock'
import { endsOf, kindOf, LOCALE } from '../../figures/figureColumns'
import type { ReportBlock } from '../../figures/reportBlock'
import { day, number, share, text } from '../../platform/tables/columns'
import type { Cell, Table } from '../../platform/tables/table'
import { targetsOf } from './targets'

export const targetsBlock: ReportBlock<FilledTargets> = {
  fill: async ({ db }) => ({ targets: (await targetsOf(db)).targets }),
  tableOf: ({ targets }) => targetTable(targets),
  missingIn: ({ targets }) => (targets.length === 0 ? ['no target is set.'] : []),
}

/** Targets with where they stand and where they are heading. */
export const targetTable = (list: readonly TargetView[]): Table => ({
  name: 'Targets',
  columns: [
    text('Metric'),
    text('Of'),
    number('Wanted'),
    day('From'),
    day('By'),
    number('So far'),
    number('So far, at least'),
    number('So far, at most'),
    text('Known'),
    share('Way done'),
    share('Time over'),
    number('Pace a day'),
    number('Pace needed'),
    number('Heading for'),
    number('At least'),
    number('At most'),
    text('Standing'),
  ],
  rows: list.map(({ metric, whoWords, wanted, from, by, figure, progress, heading }) => {
    const own = (value: number | undefined): Cell => ({ value, kind: kindOf(metric) })
    const [least, most] = endsOf(figure)
    const [headingLeast, headingMost] = endsOf({ metric, low: heading?.low, high: heading?.high })
    return [
      metricById(metric).name,
      whoWords,
      own(wanted),
      from,
      by,
      own(figure.value),
      own(least),
      own(most),
      knownText(figure, LOCALE),
      progress.done,
      progress.elapsed,
      own(progress.pace),
      own(progress.paceNeeded),
      own(heading?.value),
      own(headingLeast),
      own(headingMost),
      progress.standing,
    ]
  }),
})
