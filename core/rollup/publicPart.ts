import { isPublicColumn } from '../metrics/storedFigures'
import type { ProfileAggregate } from './aggregate'

/**
 * What everybody can see of a profile: public figures are compared with public figures alone.
 *
 * @example publicPart(aggregate).sums.impressions // undefined
 */
export function publicPart(aggregate: ProfileAggregate): ProfileAggregate {
  const open = <T extends object>(values: T): T =>
    Object.fromEntries(Object.entries(values).filter(([column]) => isPublicColumn(column))) as T
  return {
    ...aggregate,
    isPublicOnly: true,
    sums: open(aggregate.sums),
    counts: open(aggregate.counts),
    stocks: open(aggregate.stocks),
    ...(aggregate.days && { days: { ...aggregate.days, columns: open(aggregate.days.columns) } }),
  }
}
