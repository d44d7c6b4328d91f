import { hasBit } from '../../../core/datasets/columnBits'
import { rowKey, valueColumns, type Dataset, type KeyColumn } from '../../../core/datasets/dataset'
import { isDay } from '../../../core/days/day'
import { storedRows, type Keys } from '../../figures/questions/storedRows'
import type { ClientDb } from '../../platform/database/clientDb'
import { NetworkTrouble } from '../connectors/connector'

type Given = Readonly<Record<string, unknown>>

/** The longest id that a network gives to something. */
const LONGEST_ID = 40

/**
 * Keeps rows of a dataset as a network gives them, checked by what is declared of the dataset. What a network gives
 * again replaces what it gave before; what a file has brought stands.
 *
 * @throws NetworkTrouble when a row does not say what it is of, or has no figure where one is declared
 */
export async function keepRows(
  db: ClientDb,
  dataset: Dataset,
  profileId: number,
  given: readonly Given[],
): Promise<void> {
  const rows = given.map((row) => ({ keys: keysOf(dataset, profileId, row), values: valuesOf(dataset, row) }))
  const stored = dataset.sources.includes('file')
    ? await storedRows(
        db,
        dataset,
        rows.map(({ keys }) => keys),
        true,
      )
    : new Map()
  const columns = valueColumns(dataset)
  await db.insertRows(
    dataset.id,
    [...dataset.keys.map(({ column }) => column), ...columns],
    rows.map(({ keys, values }) => {
      const before = stored.get(rowKey(keys))
      return [
        ...keys,
        ...columns.map((column) =>
          before && hasBit(dataset, before.imported, column) ? before[column] : (values[column] ?? null),
        ),
      ]
    }),
    columns,
  )
}

const keysOf = (dataset: Dataset, profileId: number, row: Given): Keys =>
  dataset.keys.map((key) => (key.type === 'profile' ? profileId : keyOf(dataset, key, row[key.column])))

function keyOf({ name }: Dataset, { column, type }: KeyColumn, value: unknown): string {
  const isGood =
    typeof value === 'string' &&
    (type === 'day'
      ? isDay(value)
      : type === 'instant'
        ? !Number.isNaN(Date.parse(value))
        : value !== '' && value.length <= LONGEST_ID)
  if (!isGood) throw new NetworkTrouble(`A row of “${name}” came without its ${column.replaceAll('_', ' ')}.`)
  return type === 'instant' ? new Date(value).toISOString().slice(0, 19).replace('T', ' ') : value
}

function valuesOf({ name, measures, texts }: Dataset, row: Given): Record<string, unknown> {
  const values: Record<string, unknown> = {}
  for (const { column, range: [least, most] = [0, Number.MAX_SAFE_INTEGER] } of measures) {
    const value = row[column] ?? null
    if (value !== null && !(Number.isSafeInteger(value) && (value as number) >= least && (value as number) <= most))
      throw new NetworkTrouble(`A row of “${name}” came with ${column.replaceAll('_', ' ')} that is no count.`)
    values[column] = value
  }
  for (const { column, type, longest, usual, isOptional } of texts) {
    const value = row[column]
    if (typeof value !== 'string') {
      if (type !== 'text' && !isOptional)
        throw new NetworkTrouble(`A row of “${name}” came without its ${column.replaceAll('_', ' ')}.`)
      if (usual !== undefined) values[column] = usual
    } else if (type === 'day' && !isDay(value))
      throw new NetworkTrouble(`A row of “${name}” came with ${column.replaceAll('_', ' ')} that is no day.`)
    else values[column] = type === 'instant' ? instantOf(name, column, value) : value.slice(0, longest)
  }
  return values
}

function instantOf(name: string, column: string, value: string): Date {
  const instant = new Date(value)
  if (Number.isNaN(instant.getTime()))
    throw new NetworkTrouble(`A row of “${name}” came with ${column.replaceAll('_', ' ')} that is no time.`)
  return instant
}
