import { seekFieldJob } from './compare/field/seekField'
import { SEEK_DUE, WATCH_DUE } from './compare/field/jobs'
import { seekDueJob } from './compare/field/seekDue'
import { watchDueJob } from './compare/field/watchDue'
import { watchFieldJob } from './compare/field/watchField'
import { askDirectory } from './gather/connectors/askDirectory'
import { askHandle } from './gather/connectors/askHandle'
import { askRanks } from './gather/connectors/askRanks'
import { takePackageJob } from './gather/data/takePackage'
import { importApplyJob } from './gather/imports/importApply'
import { importCheckJob } from './gather/imports/importCheck'
import { importOpenJob } from './gather/imports/importOpen'
import { importUndoJob } from './gather/imports/importUndo'
import { syncDueJob } from './gather/sync/enqueueDue'
import { SYNC_DUE, VOLUME } from './gather/sync/jobs'
import { volumeJob } from './gather/sync/networkVolume'
import { syncJob } from './gather/sync/sync'
import { HOUSEKEEPING, housekeepingJob } from './housekeeping'
import type { JobModule } from './platform/jobs/job'
import type { Job } from './platform/jobs/queue'
import { workOn, workOnNext } from './platform/jobs/run'
import { enqueueDueSchedules, type Schedule } from './platform/jobs/schedule'
import { entriesDueJob } from './read/directories/entriesDue'
import { ENTRIES_DUE } from './read/directories/jobs'
import { pollEntriesJob } from './read/directories/pollEntries'
import { sendCorrectionsJob } from './read/directories/sendCorrections'
import { checkRanksJob } from './read/ranks/checkRanks'
import { RANKS_DUE } from './read/ranks/jobs'
import { ranksDueJob } from './read/ranks/ranksDue'
import { PUBLISH_DUE } from './plan/publishing/jobs'
import { publishJob } from './plan/publishing/publish'
import { publishDueJob } from './plan/publishing/publishDue'
import { REFILL_DUE } from './plan/refills/jobs'
import { refillDueJob } from './plan/refills/refillDue'
import { editionIssueJob } from './report/issuing/editionIssue'
import { editionPrintJob } from './report/issuing/editionPrint'

/** Every kind of job that there is. */
export const JOBS: readonly JobModule[] = [
  syncDueJob,
  syncJob,
  volumeJob,
  importOpenJob,
  importCheckJob,
  importApplyJob,
  importUndoJob,
  takePackageJob,
  editionIssueJob,
  editionPrintJob,
  housekeepingJob,
  publishDueJob,
  publishJob,
  refillDueJob,
  ranksDueJob,
  checkRanksJob(askRanks),
  entriesDueJob,
  pollEntriesJob(askDirectory),
  sendCorrectionsJob(askDirectory),
  watchDueJob,
  watchFieldJob,
  seekDueJob,
  seekFieldJob(askHandle),
]

/** What the application does by the clock. */
export const SCHEDULES: readonly Schedule[] = [
  { job: PUBLISH_DUE, pattern: '* * * * *' },
  { job: REFILL_DUE, pattern: '5 * * * *' },
  { job: SYNC_DUE, pattern: '* * * * *' },
  { job: VOLUME, pattern: '*/10 * * * *' },
  { job: RANKS_DUE, pattern: '*/10 * * * *' },
  { job: ENTRIES_DUE, pattern: '*/15 * * * *' },
  { job: WATCH_DUE, pattern: '25 * * * *' },
  { job: SEEK_DUE, pattern: '40 3 * * *' },
  { job: HOUSEKEEPING, pattern: '17 * * * *' },
]

/** The program that works on one job alone. */
const ALONE = 'server/aloneProcess.ts'

/** Puts what is due by the clock into the queue. */
export const enqueueByTheClock = (): Promise<number> => enqueueDueSchedules(JOBS.map(({ declaration }) => declaration))

/** Works on the next job that is due. @returns whether there was one */
export const runNextJob = (): Promise<boolean> => workOnNext(JOBS, ALONE)

/** Works on a claimed job. */
export const runJob = (job: Job): Promise<void> => workOn(JOBS, job)
