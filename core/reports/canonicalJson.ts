/**
 * JSON in one fixed form: the keys of every object in order of their code units, no spaces, absent values left out. The
 * same content always gives the same text, so that a hash over it can be checked. After RFC 8785, for the values that
 * JSON.parse can give.
 *
 * @throws TypeError when a number is not finite
 * @example canonicalJson({ b: 1, a: [2] }) // '{"a":[2],"b":1}'
 */
export function canonicalJson(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map((item) => canonicalJson(item === undefined ? null : item)).join(',')}]`
  if (typeof value === 'number' && !Number.isFinite(value)) throw new TypeError(`${value} cannot be written as JSON`)
  if (value instanceof Date) return JSON.stringify(value.toISOString())
  if (typeof value !== 'object' || value === null) return JSON.stringify(value)
  const entries = Object.entries(value).filter(([, item]) => item !== undefined)
  return `{${entries
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, item]) => `${JSON.stringify(key)}:${canonicalJson(item)}`)
    .join(',')}}`
}
