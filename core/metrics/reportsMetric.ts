import { reportsColumn, type Network } from '../networks/networks'
import { columnsOf, metricById } from './catalogue'
import type { FactColumn } from './storedFigures'
import type { Metric } from './metric'

/**
 * The columns of which a network has to give one, for a metric to be there at all. For reach these are its windows, not
 * the impressions that only bound it. A rate needs one of each side, so it has no list of its own.
 */
export function ownColumns(metric: Exclude<Metric, { kind: 'ratio' }>): FactColumn[] {
  return metric.kind === 'unique' ? Object.values(metric.windows) : columnsOf(metric)
}

/**
 * Whether a network reports a metric; for a rate, both of its parts.
 *
 * @throws RangeError when there is no such metric
 * @example reportsMetric(networkById('murmur'), 'reach') // false
 */
export function reportsMetric(network: Network, metricId: string): boolean {
  const metric = metricById(metricId)
  if (metric.kind === 'ratio')
    return reportsMetric(network, metric.numerator) && reportsMetric(network, metric.denominator)
  return ownColumns(metric).some((column) => reportsColumn(network, column))
}
