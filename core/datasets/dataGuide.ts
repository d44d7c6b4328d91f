import { DATASETS } from './datasets'
import { RECORDS } from './records'
import { schemaOfDataset, schemaOfRecords, type TableSchema } from './tableSchema'

/** A table as it is told to people. */
export interface ToldTable {
  name: string
  title: string
  description: string
  schema: TableSchema
}

/**
 * Tables in words: each with its columns, as Markdown.
 *
 * @param ending  of their files
 */
export const tablesInWords = (tables: readonly ToldTable[], ending: string): string[] =>
  tables.flatMap(({ name, title, description, schema }) => [
    `## ${title}: data/${name}.${ending}`,
    '',
    description,
    '',
    '| column | kind | what it is |',
    '| --- | --- | --- |',
    ...schema.fields.map((field) => `| ${field.name} | ${field.type} | ${field.description} |`),
    '',
  ])

/** Every table of a client's package, those first that others point to. */
export const toldTables = (): ToldTable[] => [
  ...RECORDS.map((kind) => ({
    name: kind.id,
    title: kind.name,
    description: `One row is ${kind.grain}.`,
    schema: schemaOfRecords(kind),
  })),
  ...DATASETS.map((dataset) => ({
    name: dataset.id,
    title: dataset.name,
    description: `One row is ${dataset.grain}.`,
    schema: schemaOfDataset(dataset),
  })),
]

/** The guide to a client's data, as it stands in docs. */
export const dataGuide = (): string =>
  [
    '# What is kept of a client',
    '',
    'Made from the declarations of the data (`core/datasets`) by `npm run glossary`; a test holds it current. The same',
    'stands in every package that is downloaded under Data. Days are days in the client’s time zone, instants are in UTC;',
    'an absent value is an empty cell, never a zero.',
    '',
    ...tablesInWords(toldTables(), 'csv'),
  ].join('\n')
