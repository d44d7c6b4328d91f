import { systemJobModule } from '../../platform/jobs/job'
import { FIELD_WATCH, WATCH_DUE } from './jobs'
import { forAllWithRivals } from './withRivals'

/** Has the rivals of every client watched. */
export const watchDue = (): Promise<number> => forAllWithRivals(FIELD_WATCH)

/** The job that does so, every hour. */
export const watchDueJob = systemJobModule(WATCH_DUE, watchDue)
