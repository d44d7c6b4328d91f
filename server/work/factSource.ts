import { familiesOf, type FactColumn } from '../../core/metrics/metric'
import type { Period } from '../../core/periods/period'
import { noWindows, type ProfileAggregate } from '../../core/rollup/aggregate'
import { aggregateTable } from '../../core/rollup/aggregateTable'
import type { FactTable } from '../../core/rollup/factTable'
import type { DayTotals } from '../../core/series/dailyPoints'
import { dayTotalsOf } from '../../core/series/dayTotalsOf'
import type { ClientDb } from '../db/clientDb'
import { aggregates, facts, type Member } from '../db/questions/aggregates'
import { dayTotals } from '../db/questions/dayTotals'

/** Where daily figures come from: summed in the database, or in memory from rows that are here already. Both give the same. */
export interface FactSource {
  aggregates: (members: readonly Member[], period: Period, columns: readonly FactColumn[]) => Promise<ProfileAggregate[]>
  dayTotals: (profiles: readonly number[], period: Period, columns: readonly FactColumn[]) => Promise<DayTotals[]>
  facts: (profiles: readonly number[], periods: readonly Period[], columns: readonly FactColumn[]) => Promise<FactTable>
}

/** The database sums, where the data is. */
export const inDatabase = (db: ClientDb): FactSource => ({
  aggregates: (members, period, columns) => aggregates(db, members, period, columns),
  dayTotals: (profiles, period, columns) => dayTotals(db, profiles, period, columns),
  facts: (profiles, periods, columns) => facts(db, profiles, periods, columns),
})

/** Sums over rows that are in memory, which have to reach over every period that is asked for. */
export function inMemory(table: FactTable, universe: number | undefined): FactSource {
  const of = (profiles: readonly number[]): FactTable => {
    const wanted = new Set(profiles)
    // the table itself keeps what was worked out over all of it
    if (wanted.size === table.ranges.length && table.ranges.every(({ profile }) => wanted.has(profile))) return table
    return { ...table, ranges: table.ranges.filter(({ profile }) => wanted.has(profile)) }
  }
  return {
    async aggregates(members, period, columns) {
      const networks = new Map(members.map(({ profile, network }) => [profile, network]))
      const known = new Map(aggregateTable(of([...networks.keys()]), period, networks, columns).map((aggregate) => [aggregate.profile, aggregate]))
      return members.map((member) => ({ ...(known.get(member.profile) ?? { sums: {}, counts: {}, stocks: {}, windows: noWindows(period, familiesOf(columns)) }), ...member }))
    },
    dayTotals: async (profiles, period, columns) => dayTotalsOf(of(profiles), period, columns, universe),
    facts: async (profiles) => of(profiles),
  }
}
