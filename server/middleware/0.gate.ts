import { defineEventHandler, setResponseHeader, setResponseStatus, type H3Event } from 'h3'
import { Busy, Gate } from '../platform/http/gate'
import { Problem } from '../platform/problems/problem'

const PATIENCE_MS = 500

/**
 * What is read, what is written, what asks the outside and may wait for it, and files that are taken in: none of them
 * can take the others' room.
 */
const GATES = {
  reading: new Gate({ atOnce: 2, waiting: 400, patienceMs: PATIENCE_MS, first: { many: 60, patienceMs: 1000 } }),
  writing: new Gate({ atOnce: 8, waiting: 200, patienceMs: PATIENCE_MS }),
  outside: new Gate({ atOnce: 6, waiting: 20, patienceMs: PATIENCE_MS }),
  files: new Gate({ atOnce: 4, waiting: 4, patienceMs: PATIENCE_MS }),
}

function gateFor({ method, path }: H3Event): Gate {
  if (method === 'GET' || method === 'HEAD') return GATES.reading
  const [place] = path.split('?')
  if (/\/imports$/.test(place!)) return GATES.files
  return /\/(search|profiles|lookup)$|\/api\/consent\//.test(place!) ? GATES.outside : GATES.writing
}

/**
 * Lets in what can be answered in good time; the rest is told when to come again. That the application is alive is
 * always answered.
 */
export default defineEventHandler(async (event) => {
  if (!event.path.startsWith('/api/') || event.path.startsWith('/api/health')) return
  try {
    const leave = await gateFor(event).enter()
    if (event.node.res.destroyed) leave()
    event.node.res.once('close', leave)
  } catch (error) {
    if (!(error instanceof Busy)) throw error
    const problem = new Problem(503, 'Busy', 'Many people ask at the same time. Try again in a few seconds.', {
      retryAfter: 2,
    })
    setResponseStatus(event, problem.status)
    setResponseHeader(event, 'Retry-After', 2)
    setResponseHeader(event, 'Content-Type', 'application/problem+json')
    setResponseHeader(event, 'Cache-Control', 'no-store')
    return problem.body()
  }
})
