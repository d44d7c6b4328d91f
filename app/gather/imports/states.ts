import type { ImportState } from '~~/shared/gather/imports'

/** The states of an import in words. */
export const IMPORT_STATES: Record<ImportState, string> = {
  uploading: 'being sent, or broken off',
  opening: 'being opened',
  uploaded: 'columns to be matched',
  checking: 'being checked',
  checked: 'checked, not written',
  applying: 'being written',
  applied: 'written',
  undoing: 'being undone',
  undone: 'undone',
  failed: 'went wrong',
}
