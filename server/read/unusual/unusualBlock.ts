import { metricById } from '../../../core/metrics/catalogue'
import { causeOf } from '../../../shared/read/unusual'
import type { FilledUnusual } from '../../../shared/read/unusualBlock'
import { kindOf } from '../../figures/figureColumns'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, day, number, text } from '../../platform/tables/columns'
import { unusual } from './unusual'

export const unusualBlock: ReportBlock<FilledUnusual> = {
  fill: async ({ db, scope, metric }) => ({ metric, days: await unusual(db, scope, metric) }),
  tableOf: ({ metric, days: list }) => ({
    name: 'Unusual days',
    columns: [
      day('From'),
      day('To'),
      text('Direction'),
      text('Profiles'),
      { title: metricById(metric).name, kind: kindOf(metric) },
      { title: 'Usually', kind: kindOf(metric) },
      number('Strength'),
      count('Posts'),
      text('Explained by'),
    ],
    rows: list
      .map(causeOf)
      .map((each) => [
        each.from,
        each.to,
        each.direction,
        each.profiles.map(({ name }) => name).join('; '),
        each.value,
        each.usual,
        each.score,
        each.posts.length,
        each.explainedBy?.title ?? '',
      ]),
  }),
}
