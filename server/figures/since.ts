import type { ResolvedScope } from './resolveScope'
import type { Since } from '../../shared/figures/description'

/** The profiles for which a scope reaches back further than their figures do, the latest beginning first. */
export function sinceOf({ connected, period, comparison }: ResolvedScope): Since[] {
  return connected
    .flatMap(({ name, networkName, oldest }): Since[] => {
      if (!oldest) return []
      if (oldest > period.from) return [{ name: `${name}, ${networkName}`, from: oldest, touches: 'period' }]
      return comparison && oldest > comparison.period.from
        ? [{ name: `${name}, ${networkName}`, from: oldest, touches: 'comparison' }]
        : []
    })
    .sort((a, b) => (a.from < b.from ? 1 : -1))
}
