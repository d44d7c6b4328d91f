import type { PiniaColadaOptions } from '@pinia/colada'

/** A question that fails while a page is drawn on the server leaves the rest of the page standing, and is said there. */
export default { queryOptions: { ssrCatchError: true } } satisfies PiniaColadaOptions
