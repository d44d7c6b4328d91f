import { object } from 'yup'
import type { JobDeclaration } from '../../platform/jobs/job'

const ofImport = { payload: object({}), priority: 0 }

/** The work on an import, one after the other; the subject of each is the import. */
export const IMPORT_OPEN = { ...ofImport, kind: 'import.open', writesFigures: false } satisfies JobDeclaration
export const IMPORT_CHECK = { ...ofImport, kind: 'import.check', writesFigures: false } satisfies JobDeclaration
export const IMPORT_APPLY = { ...ofImport, kind: 'import.apply', writesFigures: true } satisfies JobDeclaration
export const IMPORT_UNDO = { ...ofImport, kind: 'import.undo', writesFigures: true } satisfies JobDeclaration
