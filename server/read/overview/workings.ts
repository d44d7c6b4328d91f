import { columnsOf, metricById } from '../../../core/metrics/catalogue'
import { reportsMetric } from '../../../core/metrics/reportsMetric'
import { gives } from '../../../core/rollup/daysWith'
import { memberOf } from '../../figures/questions/profileRows'
import { networkById } from '../../../core/networks/networks'
import { compareFigures } from '../../../core/rollup/compareFigures'
import { missingRanges } from '../../../core/series/missingRanges'
import type { ClientDb } from '../../platform/database/clientDb'
import { daysPresent } from '../../figures/questions/aggregates'
import type { ResolvedScope } from '../../figures/resolveScope'
import { contextOf, rollUp } from '../../figures/rollUp'
import type { Workings } from '../../../shared/read/workings'

/** How a figure came about: its definition, its working with the actual numbers, and the days without data. */
export async function workings(db: ClientDb, scope: ResolvedScope, metricId: string): Promise<Workings> {
  const metric = metricById(metricId)
  const rolled = await rollUp(db, scope, [metricId])
  const context = contextOf(db, scope, true)
  const compared = compareFigures(metricId, rolled, context)
  const nameOf = (profile: number) => context.names!.get(profile)!
  const isKeptBack = (profile: number) =>
    scope.profiles.some(
      ({ profile_id: id, consent, network }) =>
        id === profile && consent === 'none' && reportsMetric(networkById(network), metricId),
    )
  const missing = []
  for (const { profile } of compared.figure.coverage.partial) {
    const member = memberOf(scope.profiles.find(({ profile_id: id }) => id === profile)!)
    const columns = columnsOf(metric).filter((column) => gives(member, column) && !/_(?:7|28)d$/.test(column))
    missing.push({
      profile,
      name: nameOf(profile),
      ranges: missingRanges(scope.period, await daysPresent(db, profile, scope.period, columns)),
    })
  }
  return {
    ...compared,
    definition: metric.definition,
    missing,
    unreported: compared.figure.coverage.unreported.filter((profile) => !isKeptBack(profile)).map(nameOf),
    withoutConsent: compared.figure.coverage.unreported.filter(isKeptBack).map(nameOf),
    unconnected: scope.profiles.filter(({ has_figures: has }) => has === 0).map(({ profile_id: id }) => nameOf(id)),
    firstFetch: scope.profiles.filter(({ first_fetch: first }) => first === 1).map(({ profile_id: id }) => nameOf(id)),
  }
}
