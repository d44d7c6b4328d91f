/**
 * Answers that were asked for before the page that needs them was there. Each is given once, and only while it is
 * young.
 */
const waiting = new Map<string, { answer: Promise<unknown>; askedAt: number }>()

/** How old an answer may be when it is taken: what takes longer was not asked for by the page that is being opened. */
const YOUNG_MS = 10_000

const keyOf = (path: string, query: Record<string, unknown> = {}) =>
  `${path}?${new URLSearchParams(
    Object.entries(query)
      .filter(([, value]) => value !== undefined)
      .map(([name, value]) => [name, String(value)])
      .sort(([a], [b]) => (a! < b! ? -1 : 1)),
  )}`

/** Asks now for what a page will need. */
export function askEarly(path: string, query: Record<string, unknown>): void {
  const answer = $fetch(path, { query, retry: 0 })
  // the page asks again where this has failed, and says why
  answer.catch(() => waiting.delete(keyOf(path, query)))
  waiting.set(keyOf(path, query), { answer, askedAt: performance.now() })
}

/** The answer that was asked for early, or undefined. */
export function takeEarly(path: string, query?: Record<string, unknown>): Promise<unknown> | undefined {
  const early = waiting.get(keyOf(path, query))
  waiting.delete(keyOf(path, query))
  return early && performance.now() - early.askedAt < YOUNG_MS ? early.answer : undefined
}

/** Something was written: what was asked for before does not know of it. */
export const forgetEarly = (): void => waiting.clear()
