import { defineEventHandler } from 'h3'

/**
 * HEAD asks for what GET would answer, without its body: Node leaves the body out by itself, whatever the routes are
 * told.
 */
export default defineEventHandler((event) => {
  // the event has looked at its request before, and remembers what it saw
  if (event.method === 'HEAD' && event.path.startsWith('/api/')) event._method = event.node.req.method = 'GET'
})
