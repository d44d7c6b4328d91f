import { BREAKDOWNS, breakdownById } from '../../../core/breakdowns/breakdowns'
import type { BreakdownView } from '../../../shared/read/breakdown'
import type { FilledBreakdown } from '../../../shared/read/breakdownBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, share, text } from '../../platform/tables/columns'
import type { Cell, Table } from '../../platform/tables/table'
import { breakdownOf } from './breakdown'

export const breakdownBlock: ReportBlock<FilledBreakdown> = {
  fill: async ({ db, scope, block }) => ({
    breakdown: await breakdownOf(db, scope, block.option || BREAKDOWNS[0]!.id),
  }),
  tableOf: ({ breakdown }) => columnsOf(breakdown),
  missingIn: ({ breakdown: { rows, times } }) =>
    rows.length + times.length === 0 ? ['no network gives this breakdown for the period.'] : [],
}

function columnsOf({ breakdown, kind, rows: list, times, present, expected }: BreakdownView): Table {
  const { name, base } = breakdownById(breakdown)
  const coverage = [count('Profile-days with data'), count('Profile-days expected')]
  const known: Cell[] = [present, expected]
  if (kind === 'times') {
    return {
      name,
      columns: [
        text('Profile'),
        count('Days'),
        text('Seen'),
        count('People'),
        share(`Share ${base}`),
        number('Frequency'),
      ],
      rows: times.flatMap((profile) =>
        profile.counts.map((each) => [
          profile.name,
          profile.windowDays,
          each.name,
          each.people,
          each.share,
          profile.frequency,
        ]),
      ),
    }
  }
  if (kind === 'hours') {
    return {
      name,
      columns: [
        text('From'),
        number('People on a typical day'),
        share(`Share ${base}`),
        share('Of the fullest hour'),
        ...coverage,
      ],
      rows: list.map((row) => [row.name, row.value, row.share, row.ofFullest, ...known]),
    }
  }
  return kind === 'overlapping'
    ? {
        name,
        columns: [text('Part'), count('At least'), count('At most'), text('Known'), ...coverage],
        rows: list.map((row) => [row.name, row.low, row.high, 'bounded', ...known]),
      }
    : {
        name,
        columns: [
          text('Part'),
          count('Value'),
          share(`Share ${base}`),
          count('Was, on days with both'),
          count('Is, on days with both'),
          ...coverage,
        ],
        rows: list.map((row) => [row.name, row.value, row.share, row.from, row.to, ...known]),
      }
}
