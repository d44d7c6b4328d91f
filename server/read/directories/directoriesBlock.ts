import { DIRECTORIES, directoryById } from '../../../core/directories/directoryList'
import { entryFieldById } from '../../../core/directories/entryFields'
import type { FilledDirectories } from '../../../shared/read/directoriesBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, share, text } from '../../platform/tables/columns'
import { placesOf } from '../places/places'
import { directories, placeEntries } from './directories'

export const directoriesBlock: ReportBlock<FilledDirectories> = {
  fill: async ({ db, block }) =>
    block.place === undefined
      ? { all: await directories(db) }
      : (await placesOf(db)).some(({ id }) => id === block.place)
        ? { one: await placeEntries(db, block.place) }
        : {},
  tableOf: ({ all, one }) =>
    one
      ? {
          name: 'Entries of a place',
          columns: [
            text('Directory'),
            text('Entry'),
            text('Field'),
            text('Master record'),
            text('Entry says'),
            text('Verdict'),
            text('How'),
          ],
          rows: one.entries.flatMap(({ name, address, fields }) =>
            fields.map(({ field, ours, theirs, is, how }) => [
              name,
              address,
              entryFieldById(field).name,
              ours,
              theirs,
              is,
              how,
            ]),
          ),
        }
      : {
          name: 'Directories',
          columns: [
            text('Place'),
            text('Directory'),
            text('Entry'),
            share('Completeness'),
            share('Agreement'),
            count('Fields that differ'),
            count('Corrections under way'),
            count('Refused or changed back'),
          ],
          rows: (all?.rows ?? []).flatMap(({ place, cells }) =>
            cells.map(({ directory, is, completeness, agreement, differs, underWay, failed }) => [
              place.name,
              directoryById(directory).name,
              is,
              completeness,
              agreement,
              differs,
              underWay,
              failed,
            ]),
          ),
        },
  missingIn: ({ all, one }) =>
    one
      ? one.entries.length === 0
        ? ['no directory has an entry of that place.']
        : []
      : !all
        ? ['the place that it showed is no more.']
        : all.rows.length === 0
          ? ['there is no place.']
          : DIRECTORIES.flatMap(({ id, name }) =>
              all.directories.find(({ directory }) => directory === id)?.polledAt
                ? []
                : [`${name} was never looked at.`],
            ),
}
