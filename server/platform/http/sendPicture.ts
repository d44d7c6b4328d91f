import { setResponseHeader, type H3Event } from 'h3'

/** Sends a picture or a video. What it is made of can run nothing: it is shown by itself alone. */
export function sendPicture(event: H3Event, type: string, content: Buffer): Buffer {
  setResponseHeader(event, 'Content-Type', type)
  setResponseHeader(event, 'Cache-Control', 'private, max-age=86400')
  setResponseHeader(event, 'Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'; sandbox")
  setResponseHeader(event, 'X-Content-Type-Options', 'nosniff')
  return content
}
