/**
 * Keeps what was worked out, so that it need not be again; when there is too much of it, all is forgotten, and what is
 * still asked for comes back.
 *
 * @param most  so many are kept
 * @returns     the value
 * @example     known.get(day) ?? keep(known, day, readNumber(day), 20_000)
 */
export function keep<Key, Value>(kept: Map<Key, Value>, key: Key, value: Value, most: number): Value {
  if (kept.size >= most) kept.clear()
  kept.set(key, value)
  return value
}
