import { metricById } from '../../../core/metrics/catalogue'
import type { DayPoint } from '../../../core/series/dailyPoints'
import type { FilledChart } from '../../../shared/read/chartBlock'
import type { MetricLine } from '../../../shared/read/overview'
import { endsOf, kindOf } from '../../figures/figureColumns'
import type { ReportBlock } from '../../figures/reportBlock'
import { rollUp } from '../../figures/rollUp'
import { count, day } from '../../platform/tables/columns'
import type { Column, Table } from '../../platform/tables/table'
import { lineOf } from './overview'

export const chartBlock: ReportBlock<FilledChart> = {
  async fill({ db, scope, block, metric }) {
    const second = block.metrics[1]
    const rolled = await rollUp(db, scope, [metric, ...(second ? [second] : [])], { withDays: true, withPast: false })
    return {
      line: lineOf(db, scope, metric, rolled),
      ...(second && { second: lineOf(db, scope, second, { current: rolled.current }) }),
      isIndex: block.option === 'index',
    }
  },
  tableOf: (chart) => line(chart.line, chart.second),
  missingIn: ({ line: { metric, current } }) =>
    current.some(({ value, low }) => value !== undefined || low !== undefined)
      ? []
      : [`no day has ${metricById(metric).name.toLowerCase()}.`],
}

function line(first: MetricLine, second: MetricLine | undefined): Table {
  const lines = [
    { line: first, name: metricById(first.metric).name },
    ...(second ? [{ line: second, name: metricById(second.metric).name }] : []),
  ]
  const value = ({ metric }: MetricLine, title: string): Column => ({ title, kind: kindOf(metric) })
  const isBounded = (points: readonly DayPoint[]) => points.some(({ low }) => low !== undefined)
  return {
    name: `${lines.map(({ name }) => name).join(' and ')} a day`,
    columns: [
      day('Day'),
      ...lines.flatMap(({ line, name }) => [
        value(line, name),
        ...(isBounded(line.current) ? [value(line, `${name}, at least`), value(line, `${name}, at most`)] : []),
        count(`Profiles with ${name.toLowerCase()}`),
        count(`Profiles expected with ${name.toLowerCase()}`),
      ]),
      ...(first.earlier ? [day('Comparison day'), value(first, `${metricById(first.metric).name} then`)] : []),
    ],
    rows: first.current.map((point, index) => [
      point.day,
      ...lines.flatMap(({ line }) => {
        const at = line.current[index]
        const ends = isBounded(line.current) ? endsOf({ metric: line.metric, low: at?.low, high: at?.high }) : []
        return [at?.value, ...ends, at?.present, line.expected]
      }),
      ...(first.earlier ? [first.earlier[index]?.day, first.earlier[index]?.value] : []),
    ]),
  }
}
