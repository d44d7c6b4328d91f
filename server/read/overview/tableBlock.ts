import type { ComparedFigure } from '../../../core/rollup/compareFigures'
import { clearInRows } from '../../../core/change/change'
import type { FilledTable } from '../../../shared/read/tableBlock'
import { GROUPINGS, type Grouping, type RowFigures } from '../../../shared/read/overview'
import { figureCells, figureColumns } from '../../figures/figureColumns'
import type { ReportBlock } from '../../figures/reportBlock'
import { rollUp } from '../../figures/rollUp'
import { count, text } from '../../platform/tables/columns'
import type { Table } from '../../platform/tables/table'
import { gapsIn } from './gapsIn'
import { rowsBy } from './overview'

export const tableBlock: ReportBlock<FilledTable> = {
  async fill({ db, scope, block }) {
    const by = GROUPINGS.find((grouping) => grouping === block.option) ?? 'profile'
    const rolled = await rollUp(db, scope, block.metrics)
    return {
      metrics: [...block.metrics],
      rows: clearInRows<ComparedFigure, RowFigures>(rowsBy(db, scope, rolled, block.metrics, by), []).rows,
      by,
    }
  },
  tableOf: ({ rows: list, metrics, by }) => rows(list, metrics, by ?? 'profile'),
  missingIn: ({ rows: list, metrics }) =>
    gapsIn(list.flatMap((row) => metrics.map((metric) => ({ compared: row.figures[metric]!, of: row.name })))),
}

/**
 * By profile with its network and id, by network, or by set: the first column says which, and how many profiles a row
 * stands for.
 */
function rows(list: readonly RowFigures[], metrics: readonly string[], by: Grouping): Table {
  const columns = metrics.flatMap(figureColumns)
  const cells = (row: RowFigures) => metrics.flatMap((metric) => figureCells(row.figures[metric]!))
  const profilesOf = ({ who }: RowFigures) => who.split(',').length
  if (by === 'profile')
    return {
      name: 'By profile',
      columns: [text('Profile'), text('Network'), text('Id'), ...columns],
      rows: list.map((row) => [row.name, row.networkName, row.id ?? '', ...cells(row)]),
    }
  return {
    name: `By ${by}`,
    columns: [text(by === 'network' ? 'Network' : 'Set'), count('Profiles'), ...columns],
    rows: list.map((row) => [row.name, profilesOf(row), ...cells(row)]),
  }
}
