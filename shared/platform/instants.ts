const INSTANT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d+)?Z$/

/**
 * For `JSON.parse`: an instant arrives as what it is typed as. Whatever is one is called …At, such as `issuedAt`; a text
 * that only looks like one stays a text.
 *
 * @example JSON.parse('{"issuedAt":"2026-10-29T06:00:00.000Z"}', instants).issuedAt.getTime() // 1793253600000
 */
export const instants = (key: string, value: unknown): unknown =>
  key.endsWith('At') && typeof value === 'string' && INSTANT.test(value) ? new Date(value) : value

/** The JSON of an answer; what is no JSON as it is. */
export function readAnswer(text: string): unknown {
  try {
    return JSON.parse(text, instants) as unknown
  } catch {
    return text
  }
}
