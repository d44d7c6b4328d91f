import { lastCompleteDay } from '../../../core/days/lastCompleteDay'
import { dayFromNumber } from '../../../core/days/day'
import { CATALOGUE } from '../../../core/metrics/catalogue'
import { ownColumns, reportsMetric } from '../../../core/metrics/reportsMetric'
import { daysEnding, type Period } from '../../../core/periods/period'
import { networkById } from '../../../core/networks/networks'
import { daysUntilForgotten } from '../../../core/networks/daysUntilForgotten'
import { gives } from '../../../core/rollup/daysWith'
import type { FactTable } from '../../../core/rollup/factTable'
import { missingRanges } from '../../../core/series/missingRanges'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { facts } from '../../figures/questions/aggregates'
import { memberOf, profilesOf } from '../../figures/questions/profileRows'
import type { ProfileRow } from '../../figures/questions/profileRows'
import { setsOf } from '../../figures/questions/sets'
import { sql } from '../../platform/database/sql'
import { newestJobs } from '../../platform/jobs/queue'
import { consentRequests } from './consent'
import type { ProfileState, ProfilesView } from '../../../shared/gather/profiles'
import { allowance } from './addProfile'

/** How many days the coverage strip shows. */
const STRIP_DAYS = 56

/** Every profile of a client with the state of its sync and the days that have data. */
export async function profilesPage(db: ClientDb): Promise<ProfileState[]> {
  const [profiles, jobs, requests] = await Promise.all([profilesOf(db), newestJobs(db, 'sync'), consentRequests(db)])
  const last = lastCompleteDay(now(), db.timeZone)
  const strip = daysEnding(last, STRIP_DAYS)
  const [kept, table] = await Promise.all([
    db.rows<{ profile_id: number; restatements: number }>(sql`
      SELECT   profile_id, COUNT(DISTINCT day) AS restatements FROM restatement WHERE client_id = ${db.client} GROUP BY profile_id`),
    facts(
      db,
      profiles.map(({ profile_id: id }) => id),
      [strip],
    ),
  ])
  return profiles.map((profile) => {
    const request = requests.find(({ profile: id }) => id === profile.profile_id)
    const row = kept.find(({ profile_id: id }) => id === profile.profile_id)
    const network = networkById(profile.network)
    const isBehind = profile.gone_on === null && (profile.synced_to === null || profile.synced_to < last)
    return {
      id: profile.profile_id,
      network: profile.network,
      networkName: profile.networkName,
      handle: profile.handle,
      name: profile.name,
      remoteId: profile.remote_id,
      isActive: profile.is_active === 1,
      isRival: profile.is_rival === 1,
      rival: profile.rival,
      consent: profile.consent,
      syncedTo: profile.synced_to,
      isSynced: profile.synced_at !== null,
      trouble: profile.sync_error,
      former: profile.former_handle,
      renamedOn: profile.renamed_on,
      oldest: profile.oldest,
      strip,
      historyDays: profile.consent === 'none' ? network.publicDays : network.historyDays,
      missing: missingRanges(
        strip,
        daysWith(table, profile.profile_id, () => true),
      ),
      missingOf: coverage(table, profile, strip),
      restatements: row?.restatements ?? 0,
      ...(isBehind &&
        profile.is_active === 1 && {
          forgetsInDays: daysUntilForgotten(
            profile.synced_to,
            last,
            profile.consent === 'given' ? network.historyDays : network.publicDays,
          ),
        }),
      job: jobs.find(({ subject }) => Number(subject) === profile.profile_id) ?? null,
      ...(request && { request }),
    }
  })
}

function daysWith(table: FactTable, profile: number, isPresent: (row: number) => boolean): string[] {
  const range = table.ranges.find((candidate) => candidate.profile === profile)
  if (!range) return []
  const rows = Array.from({ length: range.end - range.start }, (_, index) => range.start + index)
  return rows.filter(isPresent).map((row) => dayFromNumber(table.days[row]!))
}

function coverage(table: FactTable, profile: ProfileRow, strip: Period): Record<string, Period[]> {
  const member = memberOf(profile)
  const given = CATALOGUE.flatMap((metric) => {
    if (metric.kind === 'ratio' || !reportsMetric(networkById(profile.network), metric.id)) return []
    const columns = ownColumns(metric).filter((column) => gives(member, column) && !/_(?:7|28)d$/.test(column))
    return columns.length > 0 ? [{ id: metric.id, columns }] : []
  })
  return Object.fromEntries(
    given.map(({ id, columns }) => [
      id,
      missingRanges(
        strip,
        daysWith(table, profile.profile_id, (row) =>
          columns.every((column) => !Number.isNaN(table.columns[column][row]!)),
        ),
      ),
    ]),
  )
}

/** Everything on the page of profiles. */
export async function profilesView(db: ClientDb): Promise<ProfilesView> {
  const [profiles, sets, agency] = await Promise.all([profilesPage(db), setsOf(db), allowance(db)])
  return { profiles, sets, allowance: agency }
}
