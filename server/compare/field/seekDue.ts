import { systemJobModule } from '../../platform/jobs/job'
import { FIELD_SEEK, SEEK_DUE } from './jobs'
import { forAllWithRivals } from './withRivals'

/** The job that has the rivals of every client sought on other networks, every day. */
export const seekDueJob = systemJobModule(SEEK_DUE, () => forAllWithRivals(FIELD_SEEK))
