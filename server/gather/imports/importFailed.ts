import type { ClientDb } from '../../platform/database/clientDb'
import { moveTo } from './store'

/** An import whose job has failed says so, and can be mended: checked again, written on, undone or removed. */
export const importFailed = (db: ClientDb, subject: string) =>
  moveTo(db, Number(subject), ['opening', 'checking', 'applying', 'undoing'], 'failed')
