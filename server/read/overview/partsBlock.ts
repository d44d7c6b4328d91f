import { SPLITS, splitById } from '../../../core/splits/splits'
import type { SplitView } from '../../../shared/read/parts'
import type { FilledParts } from '../../../shared/read/partsBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, share, text } from '../../platform/tables/columns'
import type { Cell, Table } from '../../platform/tables/table'
import { splitOf } from './parts'

export const partsBlock: ReportBlock<FilledParts> = {
  fill: async ({ db, scope, block }) => ({ split: await splitOf(db, scope, block.option || SPLITS[0]!.id) }),
  tableOf: ({ split }) => parts(split),
  missingIn: ({ split: { rows, times } }) =>
    rows.length + times.length === 0 ? ['no network gives this split for the period.'] : [],
}

function parts({ split, kind, rows: list, times, present, expected }: SplitView): Table {
  const { name, base } = splitById(split)
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
