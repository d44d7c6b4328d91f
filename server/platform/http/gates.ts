import { Gate } from './gate'

const PATIENCE_MS = 500
/** What one page asks at once waits for its own slowest answer; some people's pages wait a little for each other. */
const ONE_PAGE = { many: 16, patienceMs: 10_000 }
const SOME_PAGES = { many: 60, patienceMs: 1000 }

/**
 * What is read, what is written, what asks the outside and may wait for it, and files that are taken in: none of them
 * can take the others' room.
 */
export const GATES = {
  reading: new Gate({ atOnce: 2, waiting: 400, patienceMs: PATIENCE_MS, first: [ONE_PAGE, SOME_PAGES] }),
  writing: new Gate({ atOnce: 8, waiting: 200, patienceMs: PATIENCE_MS }),
  outside: new Gate({ atOnce: 6, waiting: 20, patienceMs: PATIENCE_MS }),
  files: new Gate({ atOnce: 4, waiting: 4, patienceMs: PATIENCE_MS }),
}
