import type { Job } from './platform/jobs/queue'
import { runJob } from './jobs'

// whoever has started this holds the claim: without them it has no right to go on
process.once('disconnect', () => process.exit(1))
process.once(
  'message',
  (job: Job) =>
    void runJob(job).then(
      () => process.exit(0),
      () => process.exit(1),
    ),
)
