import { directoryById } from '../../../core/directories/directoryList'
import { entryFieldById } from '../../../core/directories/entryFields'
import { spokenPhone } from '../../../core/places/phone'
import type { EntryChange } from '../../../shared/read/directories'
import type { ClientDb } from '../../platform/database/clientDb'
import { changesOf } from './entryRows'

/** What has changed in entries, and nobody here has asked for it or settled it; the newest first. */
export const changedEntries = (db: ClientDb): Promise<EntryChange[]> => changesOf(db, { state: 'open' })

/**
 * Such changes in words; undefined where there are none.
 *
 * @example changedWords([change])
 * // 'The telephone of North Pier was changed in Waymark, and nobody here did that: from +44 1632 960130 to +44 1632 960199.'
 */
export function changedWords(changes: readonly EntryChange[]): string | undefined {
  const [newest, ...others] = changes
  if (!newest) return undefined
  const { field, place, directory, was, became } = newest
  const where = directoryById(directory).name
  if (others.length > 0) {
    const places = new Set(changes.map((change) => change.place.id)).size
    return (
      `${changes.length} changes in entries of ${places === 1 ? place.name : `${places} places`} that nobody here has ` +
      `made, the newest in ${where}: ${field === 'entry' ? 'an entry is gone' : entryFieldById(field).name.toLowerCase()}.`
    )
  }
  if (field === 'entry') return `The entry of ${place.name} in ${where} is gone.`
  const said = (text: string) => (text === '' ? 'nothing' : field === 'phone' ? spokenPhone(text) : text)
  return (
    `The ${entryFieldById(field).name.toLowerCase()} of ${place.name} was changed in ${where}, and nobody here did that: ` +
    `from ${said(was)} to ${said(became)}.`
  )
}
