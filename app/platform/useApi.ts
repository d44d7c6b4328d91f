import { FetchError, type $Fetch, type FetchOptions } from 'ofetch'
import { readAnswer } from '~~/shared/platform/instants'

/** What the server says is wrong, in a sentence. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    detail: string,
    readonly fields: Record<string, string> = {},
  ) {
    super(detail)
  }
}

/**
 * Asks the server.
 *
 * @throws ApiProblem with a sentence for the person
 */
export async function api<T>(path: string, options: FetchOptions<'json'> = {}): Promise<T> {
  try {
    return await ask<T>(path, options)
  } catch (error) {
    throw toProblem(error)
  }
}

/** How often a question is asked again by itself when the application is busy. */
const MOST_WAITS = 4

/**
 * Asks, and when the application is busy asks again when it says so: only questions, since what is to be written could
 * be written twice.
 */
async function ask<T>(path: string, options: FetchOptions<'json'>, waits = 0): Promise<T> {
  try {
    // a page that is drawn on the server asks as whoever wants it
    // as it is by itself: what the framework says of every route is more than the compiler follows
    const fetch = import.meta.server ? (useRequestFetch() as unknown as $Fetch) : ($fetch as unknown as $Fetch)
    return await fetch<T>(path, { retry: 0, parseResponse: readAnswer, ...options })
  } catch (error) {
    const response = error instanceof FetchError ? error.response : undefined
    if (response?.status !== 503 || options.method || waits === MOST_WAITS) throw error
    await new Promise((resolve) =>
      setTimeout(resolve, 1000 * (Number(response.headers.get('retry-after')) || 1) * (0.5 + Math.random())),
    )
    return await ask<T>(path, options, waits + 1)
  }
}

function toProblem(error: unknown): ApiProblem {
  if (!(error instanceof FetchError) || !error.response)
    return new ApiProblem(0, 'The application does not answer. Check that it is running, then try again.')
  const data = (typeof error.data === 'string' ? readAnswer(error.data) : error.data) as
    | { detail?: string; fields?: Record<string, string> }
    | undefined
  return new ApiProblem(
    error.response.status,
    data?.detail ?? `The application answered ${error.response.status}.`,
    data?.fields,
  )
}

const USUAL_LOCALE = 'en-GB'

/** The locale in which numbers are written: the browser's own, which it also says when it asks for a page. */
export function useLocale(): string {
  if (import.meta.client) return navigator.language || USUAL_LOCALE
  const [wanted = ''] = (useRequestHeader('accept-language') ?? '').split(/[,;]/)
  try {
    return Intl.getCanonicalLocales(wanted.trim())[0] ?? USUAL_LOCALE
  } catch {
    return USUAL_LOCALE
  }
}
