import { DateTime } from 'luxon'
import { formatShare } from '~~/core/format/numbers'
import { DIRECTORIES } from '~~/core/directories/directoryList'
import { CORRECTION_STATES } from '~~/core/directories/correctionStates'
import { entryFieldById, type EntryField } from '~~/core/directories/entryFields'
import { spokenPhone } from '~~/core/places/phone'
import type { ChangeState, DirectoryCell, EntryCorrection } from '~~/shared/read/directories'

/** What a field is called; of an entry as a whole, that. */
export const fieldWords = (field: EntryField | 'entry'): string =>
  field === 'entry' ? 'The whole entry' : entryFieldById(field).name

/** What a field says, as people read it. */
export const saidWords = (field: EntryField | 'entry', text: string): string =>
  text === '' ? 'nothing' : field === 'phone' ? spokenPhone(text) : text

/** What a directory has of a place, in few words. */
export function cellWords({ is, agreement }: DirectoryCell, locale: string): string {
  if (is === 'missing' || is === 'not seen') return is
  return agreement === undefined ? 'there' : formatShare(agreement, locale)
}

/** What needs somebody in what a directory has of a place. */
export const cellRemark = ({ is, differs, request, underWay, failed }: DirectoryCell): string =>
  [
    request === 'refused' ? 'asked for, refused' : request ? 'asked for' : '',
    is === 'doubled' ? 'doubled' : '',
    differs > 0 ? `${differs} ${differs === 1 ? 'differs' : 'differ'}` : '',
    underWay > 0 ? `${underWay} under way` : '',
    failed > 0 ? `${failed} came to nothing` : '',
  ]
    .filter(Boolean)
    .join(', ')

/** How a correction stands, in words. */
export const correctionWords = ({ state, reason }: Pick<EntryCorrection, 'state' | 'reason'>): string => {
  const { name } = CORRECTION_STATES.find(({ id }) => id === state)!
  return reason ? `${name}: ${reason}` : name
}

const CHANGES: Readonly<Record<ChangeState, string>> = {
  open: 'nobody here did that',
  kept: 'kept',
  back: 'ours was put back',
  ours: 'we asked for it',
  agrees: 'now as the record says',
}
export const changeWords = (state: ChangeState): string => CHANGES[state]

/** Which fields of which directories are asked for proof again, in words; undefined where none is. */
export function proofWords(items: readonly { directory: string; field: EntryField }[]): string | undefined {
  const asked = items.flatMap(({ directory, field }) => {
    const { name, proof } = DIRECTORIES.find(({ id }) => id === directory)!
    return proof[field] ? [`${name} for the ${entryFieldById(field).name.toLowerCase()} (${proof[field]})`] : []
  })
  return asked.length === 0 ? undefined : [...new Set(asked)].join(', ')
}

/** When something happened, on the clocks of the client. */
export const whenWords = (at: Date | string, zone = 'UTC'): string =>
  DateTime.fromJSDate(new Date(at), { zone }).toFormat('d MMM yyyy, HH:mm')
