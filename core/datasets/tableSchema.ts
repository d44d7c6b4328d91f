import { keysOfRecords, ownNumber, type RecordColumn, type RecordKind } from './records'
import type { Dataset, KeyColumn } from './dataset'

/** A field of a Table Schema (Frictionless Data, Table Schema 1), as far as it is used here. */
export interface SchemaField {
  name: string
  type: 'integer' | 'number' | 'string' | 'date' | 'datetime' | 'boolean' | 'object' | 'array' | 'any'
  description: string
  format?: string
  trueValues?: readonly string[]
  falseValues?: readonly string[]
  constraints?: { required: true }
}

/** A Table Schema: the columns of a table, what tells its rows apart, and to which tables they point. */
export interface TableSchema {
  fields: SchemaField[]
  primaryKey: string[]
  missingValues: ['']
  foreignKeys?: { fields: string; reference: { resource: string; fields: string } }[]
}

const KEY_FIELDS: Record<KeyColumn['type'], Pick<SchemaField, 'type' | 'format'>> = {
  profile: { type: 'integer' },
  site: { type: 'integer' },
  text: { type: 'string' },
  day: { type: 'date' },
  instant: { type: 'datetime' },
  id: { type: 'string' },
  breakdown: { type: 'string' },
  part: { type: 'string' },
}

/** What a key is called where it is taken away: parts go by their name. */
export const takenName = ({ column, type }: KeyColumn): string => (type === 'part' ? 'part' : column)

/** The Table Schema of a dataset. */
export const schemaOfDataset = ({ keys, texts, measures }: Dataset): TableSchema => ({
  fields: [
    ...keys.map((key) => ({
      name: takenName(key),
      ...KEY_FIELDS[key.type],
      description: key.meaning,
      constraints: { required: true as const },
    })),
    ...texts.map(({ column, type, meaning }) => ({
      name: column,
      type: type === 'text' ? ('string' as const) : type === 'day' ? ('date' as const) : ('datetime' as const),
      description: meaning,
    })),
    ...measures.map(({ column, meaning }) => ({ name: column, type: 'integer' as const, description: meaning })),
  ],
  primaryKey: keys.map(takenName),
  missingValues: [''],
  foreignKeys: keys
    .filter(({ type }) => type === 'profile' || type === 'site')
    .map(({ column, type }) => ({ fields: column, reference: { resource: type, fields: column } })),
})

const RECORD_FIELDS: Record<RecordColumn['type'], Omit<SchemaField, 'name' | 'description'>> = {
  'integer': { type: 'integer' },
  'number': { type: 'number' },
  'text': { type: 'string' },
  'file': { type: 'string' },
  'json': { type: 'any' },
  'day': { type: 'date' },
  'instant': { type: 'datetime' },
  'yes or no': { type: 'boolean', trueValues: ['1'], falseValues: ['0'] },
}

/** The Table Schema of records. */
export const schemaOfRecords = (kind: RecordKind): TableSchema => ({
  fields: kind.columns.map(({ column, type, meaning, isNullable }) => ({
    name: column,
    ...RECORD_FIELDS[type],
    description: meaning,
    ...(!isNullable && type !== 'text' && { constraints: { required: true as const } }),
  })),
  primaryKey: keysOfRecords(kind),
  missingValues: [''],
  ...(kind.refersTo && {
    foreignKeys: Object.entries(kind.refersTo).map(([column, table]) => ({
      fields: column,
      reference: { resource: table, fields: ownNumber(table) ?? column },
    })),
  }),
})
