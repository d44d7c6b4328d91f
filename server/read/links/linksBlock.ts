import { LINKS_IN_BLOCK, type FilledLinks } from '../../../shared/read/linksBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, text } from '../../platform/tables/columns'
import { linksIn } from './links'

export const linksBlock: ReportBlock<FilledLinks> = {
  fill: async ({ db, scope }) => ({ links: await linksIn(db, scope, LINKS_IN_BLOCK) }),
  tableOf: ({ links: { links } }) => ({
    name: 'Tracked links',
    columns: [
      text('Link'),
      text('Code'),
      text('Leads to'),
      text('Source'),
      text('Medium'),
      text('Campaign'),
      text('Content'),
      count('Clicks by people'),
      count('Clicks before'),
      number('Change'),
      count('By programs'),
      count('Fetched ahead'),
    ],
    rows: links.map(({ name, code, target, source, medium, campaign, content, clicks, change }) => [
      name,
      code,
      target,
      source,
      medium,
      campaign,
      content,
      clicks.people,
      change?.from,
      change?.relative,
      clicks.robots,
      clicks.prefetches,
    ]),
  }),
  missingIn: ({ links: { links } }) => (links.length === 0 ? ['there is no tracked link.'] : []),
}
