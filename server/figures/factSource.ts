import type { FactColumn } from '../../core/metrics/storedFigures'
import type { Period } from '../../core/periods/period'
import type { ProfileAggregate } from '../../core/rollup/aggregate'
import { aggregateOnce } from '../../core/rollup/aggregateDays'
import type { DenseDays } from '../../core/rollup/denseDays'
import type { ClientDb } from '../platform/database/clientDb'
import { readsTables } from '../platform/database/versions'
import { aggregates, type Member } from './questions/aggregates'
import { daysOf } from './questions/daysOf'

/** Where daily figures come from: the database, or rows that are in memory already. Both give the same. */
export interface FactSource {
  /** Counts and levels, summed where the data is. */
  sums: (members: readonly Member[], period: Period, columns: readonly FactColumn[]) => Promise<ProfileAggregate[]>
  /** Profiles day by day, over the period at least. */
  days: (
    profiles: readonly number[],
    period: Period,
    columns: readonly FactColumn[],
  ) => Promise<ReadonlyMap<number, DenseDays>>
}

/** Days of a profile that has none. */
export const NO_DAYS: DenseDays = { first: 0, columns: Object.freeze({}) }

/** The database sums, where the data is. */
export const inDatabase = (db: ClientDb): FactSource => ({
  sums: (members, period, columns) => aggregates(db, members, period, columns),
  days: (profiles, period, columns) => daysOf(db, profiles, period, columns),
})

/** The tables that daily figures stand in. */
export const FACT_TABLES = ['profile_day'] as const

/** Days that are in memory, which have to reach over every period that is asked for. */
export const inMemory = (known: ReadonlyMap<number, DenseDays>): FactSource => ({
  sums: async (members, period) => {
    readsTables(...FACT_TABLES)
    return members.map((member) => aggregateOnce(member, known.get(member.profile) ?? NO_DAYS, period))
  },
  days: async () => {
    readsTables(...FACT_TABLES)
    return known
  },
})
