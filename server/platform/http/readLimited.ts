import { getRequestHeader, type H3Event } from 'h3'
import { badRequest, Problem } from '../problems/problem'

/**
 * The body of a request as text, as far as it is no larger than allowed: more is neither kept nor parsed.
 *
 * @throws Problem 413 when there is more, 400 when it breaks off
 */
export const readLimited = async (event: H3Event, most: number): Promise<string> =>
  (await readBytes(event, most, 'Shorten the texts.')).toString('utf8')

/** The same as bytes, such as those of a picture. */
export async function readBytes(event: H3Event, most: number, advice = 'Choose a smaller file.'): Promise<Buffer> {
  const request = event.node.req
  const tooLarge = () => {
    // what is still on its way is not waited for
    event.node.res.setHeader('Connection', 'close')
    event.node.res.once('finish', () => request.destroy())
    return new Problem(
      413,
      'Too large',
      `This takes ${Math.round(most / 1024).toLocaleString('en')} kB at the most. ${advice}`,
    )
  }
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > most) throw tooLarge()
  const parts: Buffer[] = []
  let bytes = 0
  try {
    for await (const part of request as AsyncIterable<Buffer>) {
      bytes += part.length
      if (bytes > most) break
      parts.push(part)
    }
  } catch {
    throw badRequest('The request broke off.')
  }
  if (bytes > most) throw tooLarge()
  return Buffer.concat(parts)
}
