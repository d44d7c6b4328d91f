import type { FactColumn } from '../metrics/storedFigures'
import type { Period } from '../periods/period'
import type { ProfileAggregate } from './aggregate'
import { aggregateDays } from './aggregateDays'
import { denseDays } from './denseDays'
import type { FactTable } from './factTable'

/**
 * The memory executor: what figures are made from, for every profile of a table over one period. The database executor
 * gives the same from SQL.
 *
 * @param networks  the network of each profile
 * @param columns   the columns wanted; others are left out
 * @example         aggregateTable(factTable(rows), { from: '2026-10-01', to: '2026-10-28' }, new Map([[1, 'tintype']]),
 *                                                  ['impressions'])
 */
export function aggregateTable(
  table: FactTable,
  period: Period,
  networks: ReadonlyMap<number, string>,
  columns: readonly FactColumn[],
): ProfileAggregate[] {
  const days = denseDays(table)
  return table.ranges.map(({ profile }, index) =>
    aggregateDays({ profile, network: networks.get(profile) ?? '' }, days[index]!, period, columns),
  )
}
