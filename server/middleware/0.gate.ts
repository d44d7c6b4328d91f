import { defineEventHandler, setResponseHeader, setResponseStatus, type H3Event } from 'h3'
import { Busy, type Gate } from '../platform/http/gate'
import { GATES } from '../platform/http/gates'
import { Problem } from '../platform/problems/problem'

function gateFor({ method, path }: H3Event): Gate {
  const [place] = path.split('?')
  if (/\/data\/package$/.test(place!)) return GATES.files
  if (method === 'GET' || method === 'HEAD') return GATES.reading
  if (/\/imports$|\/plan\/(files|sheet)$/.test(place!)) return GATES.files
  return /\/(search|profiles|lookup|reachable)$|\/api\/consent\//.test(place!) ? GATES.outside : GATES.writing
}

/** Whether it is asked by a page that is drawn here and was let in already; nobody outside can say so. */
const isInside = ({ node }: H3Event): boolean =>
  (node.req as { __unenv__?: { isInside?: boolean } }).__unenv__?.isInside === true

/**
 * Lets in what can be answered in good time; the rest is told when to come again. That the application is alive is
 * always answered.
 */
export default defineEventHandler(async (event) => {
  if (!event.path.startsWith('/api/') || event.path.startsWith('/api/health') || isInside(event)) return
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
