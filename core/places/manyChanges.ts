import { fieldText, LIST_FIELDS, LIST_SIGN, listOf, PLACE_FIELDS, type PlaceField, type PlaceRecord } from './place'

/** Fields that several places can share; a name and a point on the map belong to one. */
export const SHARED_FIELDS = PLACE_FIELDS.filter(({ field }) => field !== 'name' && field !== 'lat' && field !== 'lon')
export type SharedField = Exclude<PlaceField, 'name' | 'lat' | 'lon'>

/** What can be done with a field: a list can be added to and taken from, everything can be set. */
export const CHANGE_WAYS = [
  { id: 'set', name: 'set to' },
  { id: 'add', name: 'add' },
  { id: 'remove', name: 'take away' },
] as const
export type ChangeWay = (typeof CHANGE_WAYS)[number]['id']

/** Whether a field holds several values. */
export const isListField = (field: PlaceField): boolean => LIST_FIELDS.includes(field)

/** One change that is made to several places. */
export interface SharedChange {
  field: SharedField
  way: ChangeWay
  /** As text, several values parted by semicolons. */
  value: string
}

/**
 * A field of a record after a change, as text: what is added stands once and last, whatever its capitals; what is taken
 * away from a field that has no list leaves it empty where it is the same.
 *
 * @example changedText({ ...EMPTY_PLACE, categories: ['garden'] }, { field: 'categories', way: 'add', value: 'café; Garden' })
 * // 'garden; café'
 */
export function changedText(record: PlaceRecord, { field, way, value }: SharedChange): string {
  const before = fieldText(record, field)
  if (way === 'set') return isListField(field) ? listOf(value).join(LIST_SIGN) : value.trim()
  if (!isListField(field)) return way === 'remove' && before === value.trim() ? '' : before
  const [old, given] = [listOf(before), listOf(value)]
  const isAmong = (list: readonly string[], one: string) =>
    list.some((each) => each.toLowerCase() === one.toLowerCase())
  return (
    way === 'add'
      ? given.reduce((all, one) => (isAmong(all, one) ? all : [...all, one]), old)
      : old.filter((one) => !isAmong(given, one))
  ).join(LIST_SIGN)
}

/**
 * A record after a change.
 *
 * @example changedRecord(EMPTY_PLACE, { field: 'attributes', way: 'add', value: 'parking' }).attributes // ['parking']
 */
export function changedRecord<T extends PlaceRecord>(record: T, change: SharedChange): T {
  const text = changedText(record, change)
  return { ...record, [change.field]: isListField(change.field) ? listOf(text) : text }
}
