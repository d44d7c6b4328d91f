import { defineEventHandler, setResponseHeader, type H3Event } from 'h3'
import { Busy } from '../platform/http/gate'
import { GATES } from '../platform/http/gates'

/** Pages that are there at once, with their figures: those that somebody opens first. */
const FIRST_PAGES = [/^\/$/, /^\/[^/]+\/overview$/]

/** Leaves a page to the browser: it gets the frame, and asks for what it shows by itself. */
const leaveToBrowser = (event: H3Event) => (event.context.nuxt = { ...event.context.nuxt, noSSR: true })

/**
 * Whether a page is drawn here. Those that are opened first are, while there is room for it: with many at the door the
 * page goes out without its figures, and asks for them when its turn comes.
 */
export default defineEventHandler(async (event) => {
  const [path] = event.path.split('?')
  if (path!.startsWith('/api/') || path!.startsWith('/_nuxt/')) return
  if (event.method !== 'GET' || !FIRST_PAGES.some((page) => page.test(path!))) return void leaveToBrowser(event)
  // somebody's figures stand in it
  setResponseHeader(event, 'Cache-Control', 'no-store')
  try {
    const leave = await GATES.reading.enter()
    if (event.node.res.destroyed) leave()
    event.node.res.once('close', leave)
    // what the page asks for on its way has come in with it
    event.context.isInside = true
  } catch (error) {
    if (!(error instanceof Busy)) throw error
    leaveToBrowser(event)
  }
})
