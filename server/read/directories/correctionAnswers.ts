import type { CorrectionState } from '../../../core/directories/correctionStates'
import type {
  CorrectionAnswer,
  EntryQuery,
  FoundEntry,
  OutgoingCorrection,
  OutgoingRequest,
} from '../../../shared/read/directories'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** How directories are asked. */
export interface AskDirectory {
  find: (directory: string, queries: readonly EntryQuery[]) => Promise<FoundEntry[][]>
  /** How corrections and requests stand, by their keys. */
  standing: (directory: string, keys: readonly string[]) => Promise<CorrectionAnswer[]>
  correct: (directory: string, correction: OutgoingCorrection) => Promise<CorrectionAnswer>
  /** Asks for an entry that is not there. */
  request: (directory: string, request: OutgoingRequest) => Promise<CorrectionAnswer>
}

/** The key by which a directory knows a correction, however often it is sent. */
export const correctionKey = (db: ClientDb, id: number): string => `${db.slug}-${id}`

/** How a correction stands, by what its directory says or shows. */
type Answer = Omit<CorrectionAnswer, 'state'> & { state: CorrectionState }

/** Keeps what a directory has said to a correction. */
export const keepAnswer = (db: ClientDb, id: number, { state, reason }: Answer) =>
  db.run(sql`
    UPDATE entry_correction
    SET    state = ${state}, reason = ${reason.slice(0, 400)}, answered_at = ${new Date(now())}
    WHERE  client_id = ${db.client}
    AND    correction_id = ${id}`)
