import { lastCompleteDay } from '../../core/days/lastCompleteDay'
import { daysEnding, type Period } from '../../core/periods/period'
import { networkById } from '../../core/networks/networks'
import { missingRanges } from '../../core/series/missingRanges'
import { now } from '../clock'
import type { ClientDb } from '../db/clientDb'
import { daysPresent } from '../db/questions/aggregates'
import { profilesOf, type ProfileRow } from '../db/questions/profiles'
import { sql } from '../db/sql'
import { newestJobs, type JobView } from '../jobs/queue'

/** How many days the coverage strip shows. */
const STRIP_DAYS = 56

export interface ProfileState extends ProfileRow {
  historyDays: number
  strip: Period
  missing: Period[]
  oldest: string | null
  restatements: number
  job: JobView | null
}

/** Every profile of a client with the state of its sync and the days that have data. */
export async function profilesPage(db: ClientDb): Promise<ProfileState[]> {
  const [profiles, jobs] = await Promise.all([profilesOf(db), newestJobs(db, 'sync')])
  const strip = daysEnding(lastCompleteDay(now(), db.timeZone), STRIP_DAYS)
  const kept = await db.rows<{ profile_id: number; oldest: string; restatements: number }>(sql`
    SELECT   d.profile_id, MIN(d.day) AS oldest,
             (SELECT COUNT(DISTINCT r.day) FROM restatement r WHERE r.client_id = d.client_id AND r.profile_id = d.profile_id) AS restatements
    FROM     profile_day d
    WHERE    d.client_id = ${db.client}
    GROUP BY d.profile_id`)
  return await Promise.all(profiles.map(async (profile) => {
    const row = kept.find(({ profile_id: id }) => id === profile.profile_id)
    return {
      ...profile, strip, historyDays: networkById(profile.network).historyDays,
      missing: missingRanges(strip, await daysPresent(db, profile.profile_id, strip, [])),
      oldest: row?.oldest ?? null, restatements: row?.restatements ?? 0,
      job: jobs.find(({ subject }) => Number(subject) === profile.profile_id) ?? null,
    }
  }))
}

