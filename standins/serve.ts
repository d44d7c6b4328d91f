import { createServer } from 'node:http'
import { lastCompleteDay } from '../core/days/lastCompleteDay'
import { now } from '../server/platform/clock'
import { standinDirectories } from './directories'
import { standinNetworks, type StandinSettings } from './networks'
import { postedPosts } from './posted'
import { standinRanks } from './ranks'

const { ZAFFER_STANDINS_PORT: port, ZAFFER_STANDINS_SECRET: secret, ZAFFER_WORLD_ANCHOR: anchor } = process.env
if (!port || !secret || !anchor)
  throw new Error('ZAFFER_STANDINS_PORT, ZAFFER_STANDINS_SECRET and ZAFFER_WORLD_ANCHOR must be set')

const settings: StandinSettings = {
  anchor,
  secret,
  now,
  requestsPerMinute: Number(process.env.ZAFFER_STANDINS_RATE ?? 120),
  posted: postedPosts(process.env.ZAFFER_STANDINS_FILE),
  lastComplete: () => lastCompleteDay(now(), 'Europe/London'),
}
const networks = standinNetworks(settings)
const ranks = standinRanks(settings)
const file = process.env.ZAFFER_STANDINS_FILE
const directories = standinDirectories(settings, file && `${file}.corrections`)
const LARGEST_FORM_BYTES = 64 * 1024
const LARGEST_POST_BYTES = 24_000_000

const server = createServer((request, response) => {
  const url = new URL(request.url ?? '/', `http://127.0.0.1:${port}`)
  if (url.pathname === '/health') return void response.end('ok')
  const parts: string[] = []
  let length = 0
  const isPost = request.headers['content-type'] === 'application/json'
  request.setEncoding('utf8')
  request.on('data', (part: string) => {
    parts.push(part)
    length += part.length
    if (length > (isPost ? LARGEST_POST_BYTES : LARGEST_FORM_BYTES)) request.destroy()
  })
  request.on('end', () => {
    try {
      const body = parts.join('')
      const form = new URLSearchParams(isPost ? '' : body)
      const method = request.method ?? 'GET'
      const answer = ranks(method, url, body) ??
        directories(method, url, body) ??
        networks.handle(method, url, request.headers, form, isPost ? body : '') ?? {
          status: 404,
          body: 'There is nothing here.',
        }
      response
        .writeHead(answer.status, answer.headers)
        .end('bytes' in answer && answer.bytes ? answer.bytes : answer.body)
    } catch (error) {
      console.error(error)
      response.writeHead(500).end('The stand-in failed.')
    }
  })
})
server.listen(Number(port), '127.0.0.1')
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => server.close(() => process.exit(0)).closeAllConnections())
