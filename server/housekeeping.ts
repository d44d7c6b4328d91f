import type { ResultSetHeader } from 'mysql2/promise'
import { again } from './platform/database/clientDb'
import { database } from './platform/database/pool'
import { object } from 'yup'
import { DATASETS } from '../core/datasets/datasets'
import { systemJobModule, type JobDeclaration } from './platform/jobs/job'
import { log } from './platform/log'

/** How long things are kept that have done their work, in days. */
export const KEPT_DAYS = {
  brokenUpload: 1,
  file: 30,
  badRow: 90,
  job: 30,
  print: 1,
  throttle: 1,
  session: 15,
  knownAddress: 90,
  consent: 30,
} as const

/** How many rows are removed together: nothing else has to wait long. */
const AT_A_TIME = 500

/**
 * What is removed once its time is over, with one statement each: also of a dataset that says for how long it is kept.
 * Figures by day, notes, reports, editions, their PDFs and the restatements are never among it; of an import the file
 * goes, while what it has done, and the way back from it, stay. Of the jobs the newest of each subject stays: it says how
 * that stands.
 */
const RULES: readonly { what: string; days: number; text: string }[] = [
  ...DATASETS.flatMap(({ id, name, day, keptDays }) =>
    keptDays === undefined
      ? []
      : [{ what: name, days: keptDays, text: `DELETE FROM ${id} WHERE ${day} < NOW() - INTERVAL ? DAY LIMIT ?` }],
  ),
  {
    what: 'uploads that were broken off',
    days: KEPT_DAYS.brokenUpload,
    text: "DELETE FROM import WHERE state = 'uploading' AND created_at < NOW() - INTERVAL ? DAY LIMIT ?",
  },
  {
    what: 'files of imports',
    days: KEPT_DAYS.file,
    text: `
    DELETE FROM import_chunk WHERE (client_id, import_id) IN (SELECT i.client_id, i.import_id FROM import i
    WHERE i.state NOT IN ('opening', 'checking', 'applying', 'undoing')
    AND i.created_at < NOW() - INTERVAL ? DAY) LIMIT ?`,
  },
  {
    what: 'bad rows of imports',
    days: KEPT_DAYS.badRow,
    text: `
    DELETE FROM import_bad_row WHERE (client_id, import_id) IN (SELECT i.client_id, i.import_id FROM import i
    WHERE i.state IN ('applied', 'undone') AND i.created_at < NOW() - INTERVAL ? DAY) LIMIT ?`,
  },
  {
    what: 'finished jobs',
    days: KEPT_DAYS.job,
    text: `
    DELETE FROM job WHERE finished_at < NOW() - INTERVAL ? DAY AND state IN ('done', 'failed')
    AND job_id NOT IN (SELECT newest FROM (SELECT MAX(job_id) AS newest FROM job GROUP BY client_id, kind, subject) n) LIMIT ?`,
  },
  {
    what: 'tickets for printing',
    days: KEPT_DAYS.print,
    text: "DELETE FROM share_link WHERE purpose = 'print' AND ends_at < NOW() - INTERVAL ? DAY LIMIT ?",
  },
  {
    what: 'old tries to sign in',
    days: KEPT_DAYS.throttle,
    text: 'DELETE FROM throttle WHERE tried_at < NOW(3) - INTERVAL ? DAY LIMIT ?',
  },
  {
    what: 'ended sessions',
    days: KEPT_DAYS.session,
    text: 'DELETE FROM session WHERE created_at < NOW() - INTERVAL ? DAY LIMIT ?',
  },
  {
    what: 'places of signing in',
    days: KEPT_DAYS.knownAddress,
    text: 'DELETE FROM known_address WHERE signed_in_at < NOW() - INTERVAL ? DAY LIMIT ?',
  },
  {
    what: 'used and ended consent links',
    days: KEPT_DAYS.consent,
    text: 'DELETE FROM consent_request WHERE ends_at < NOW() - INTERVAL ? DAY LIMIT ?',
  },
]

/**
 * Removes what has been kept for its time. Running it again, or twice at once, does no harm.
 *
 * @returns how many rows of each were removed
 */
export async function housekeeping(): Promise<Record<string, number>> {
  const removed: Record<string, number> = {}
  for (const { what, days, text } of RULES) {
    let count = 0
    for (;;) {
      const [{ affectedRows }] = await again(() => database().query<ResultSetHeader>(text, [days, AT_A_TIME]))
      count += affectedRows
      if (affectedRows < AT_A_TIME) break
    }
    if (count > 0) removed[what] = count
  }
  if (Object.keys(removed).length > 0) log.info({ removed }, 'kept for its time and removed')
  return removed
}

export const HOUSEKEEPING = {
  kind: 'housekeeping',
  payload: object({}),
  priority: 2,
  writesFigures: false,
} satisfies JobDeclaration

/** The job that removes what was kept for its time. */
export const housekeepingJob = systemJobModule(HOUSEKEEPING, housekeeping)
