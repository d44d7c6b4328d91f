import type { FilledTraffic } from '../../../shared/read/trafficBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, text } from '../../platform/tables/columns'
import { trafficOf } from './traffic'

export const trafficBlock: ReportBlock<FilledTraffic> = {
  fill: async ({ db, scope }) => ({ traffic: await trafficOf(db, scope) }),
  tableOf: ({ traffic: { sites } }) => ({
    name: 'Site traffic',
    columns: [
      text('Site'),
      text('Page'),
      count('Page views'),
      count('Page views before'),
      number('Change'),
      count('Different visitors, at least'),
      count('Different visitors, at most'),
      number('Mean seconds on the page'),
      count('Entrances'),
      count('Exits'),
    ],
    rows: sites.flatMap(({ site, pages }) =>
      pages.map(({ page, views, people, meanSeconds, entrances, exits, change }) => [
        site.name,
        page,
        views,
        change?.from,
        change?.relative,
        people?.low,
        people?.high,
        meanSeconds,
        entrances,
        exits,
      ]),
    ),
  }),
  missingIn: ({ traffic: { sites } }) =>
    sites.length === 0
      ? ['there is no site.']
      : sites.flatMap(({ site, days }) =>
          days.known < days.of ? [`${site.name}: ${days.of - days.known} of ${days.of} days are not known.`] : [],
        ),
}
