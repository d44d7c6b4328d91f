import { importApplyJob } from './gather/imports/importApply'
import { importCheckJob } from './gather/imports/importCheck'
import { importOpenJob } from './gather/imports/importOpen'
import { importUndoJob } from './gather/imports/importUndo'
import { syncJob } from './gather/sync/sync'
import type { JobModule } from './platform/jobs/job'
import type { Job } from './platform/jobs/queue'
import { workOn, workOnNext } from './platform/jobs/run'
import { editionIssueJob } from './report/issuing/editionIssue'
import { editionPrintJob } from './report/issuing/editionPrint'

/** Every kind of job that there is. */
export const JOBS: readonly JobModule[] = [
  syncJob,
  importOpenJob,
  importCheckJob,
  importApplyJob,
  importUndoJob,
  editionIssueJob,
  editionPrintJob,
]

/** The program that works on one job alone. */
const ALONE = new URL('./aloneProcess.ts', import.meta.url)

/** Works on the next job that is due. @returns whether there was one */
export const runNextJob = (): Promise<boolean> => workOnNext(JOBS, ALONE)

/** Works on a claimed job. */
export const runJob = (job: Job): Promise<void> => workOn(JOBS, job)
