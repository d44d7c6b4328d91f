import type { PackageTable } from './packageTables'

/** What stands in a package beside its tables: every file and column, in words, as the schemas have them. */
export const readMe = (client: string, tables: readonly PackageTable[]): string =>
  [
    `# ${client}`,
    '',
    'Everything that is kept of this client, in open forms: a Data Package (datapackage.json) with a Table Schema for each of',
    'its tables, which are CSV (RFC 4180, UTF-8). Days are days in the client’s time zone, instants are in UTC; an absent value',
    'is an empty cell, never a zero. A text that a spreadsheet would take for a formula, or that begins with an apostrophe, has',
    'an apostrophe before it. What owners’ consents have given, passwords and links are not in here.',
    '',
    ...tables.flatMap(({ name, title, description, schema }) => [
      `## ${title}: data/${name}.csv`,
      '',
      description,
      '',
      '| column | kind | what it is |',
      '| --- | --- | --- |',
      ...schema.fields.map((field) => `| ${field.name} | ${field.type} | ${field.description} |`),
      '',
    ]),
  ].join('\n')
