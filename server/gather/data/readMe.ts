import { tablesInWords } from '../../../core/datasets/dataGuide'
import type { PackageTable } from './packageTables'

/** What stands in a package beside its tables: every file and column, in words, as the schemas have them. */
export const readMe = (client: string, tables: readonly PackageTable[], format: 'csv' | 'parquet' = 'csv'): string =>
  [
    `# ${client}`,
    '',
    'Everything that is kept of this client, in open forms: a Data Package (datapackage.json) with a Table Schema for each of',
    `its tables, which are ${format === 'csv' ? 'CSV (RFC 4180, UTF-8)' : 'Parquet'}.`,
    'Days are days in the client’s time zone, instants are in UTC; an absent value',
    ...(format === 'csv'
      ? [
          'is an empty cell, never a zero. A text that a spreadsheet would take for a formula, or that begins with an apostrophe, has',
          'an apostrophe before it. Pictures and videos are files of their own, which their tables name. What owners’ consents',
          'have given, passwords and links to editions are not in here. Taken into a new client under Data, it is there again,',
          'with numbers of its own.',
        ]
      : [
          'is a null, never a zero. Pictures and videos are files of their own, which their tables name. What owners’ consents',
          'have given, passwords and links to editions are not in here.',
        ]),
    '',
    ...tablesInWords(tables, format),
  ].join('\n')
