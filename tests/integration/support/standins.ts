import { createServer, type Server } from 'node:http'
import { afterAll, beforeAll } from 'vitest'
import { standinNetworks, tokensFor, type StandinSettings } from '../../../standins/networks'
import { standinDirectories } from '../../../standins/directories'
import { standinRanks } from '../../../standins/ranks'
import { postedPosts } from '../../../standins/posted'
import { seal } from '../../../server/platform/people/secrets'

/** Stand-in networks inside the test's own process, whose clock, rate and outages the test sets. */
export function useStandins() {
  const state = {
    lastComplete: '2026-10-28',
    requests: 0,
    isDown: false,
    refusesAccess: false,
    losesAnswers: false,
    /** By how many milliseconds the clock of the directories is ahead. */
    later: 0,
    onRequest: (_path: string) => {},
  }
  const posted = postedPosts()
  const settings: StandinSettings = {
    posted,
    anchor: '2026-10-28',
    secret: 'secret of the stand-ins',
    requestsPerMinute: 1000,
    lastComplete: () => state.lastComplete,
    now: () => Date.now(),
  }
  let server: Server
  beforeAll(async () => {
    const networks = standinNetworks(settings)
    const ranks = standinRanks(settings)
    const directories = standinDirectories({ now: () => Date.now() + state.later })
    server = createServer((request, response) => {
      let form = ''
      request.on('data', (part) => (form += part))
      request.on('end', () => {
        state.requests++
        const url = new URL(request.url!, 'http://127.0.0.1')
        state.onRequest(url.pathname)
        if (state.isDown) return void response.writeHead(503).end()
        if (state.refusesAccess && request.headers.authorization) return void response.writeHead(401).end()
        const isJson = request.headers['content-type'] === 'application/json'
        const fields = new URLSearchParams(isJson ? '' : form)
        const answer = ranks(request.method!, url, form) ??
          directories(request.method!, url, form) ??
          networks.handle(request.method!, url, request.headers, fields, isJson ? form : '') ?? {
            status: 404,
            body: '',
          }
        // the answer is lost on its way, what was asked for is done
        if (state.losesAnswers) return void request.socket.destroy()
        response.writeHead(answer.status, answer.headers).end('bytes' in answer ? answer.bytes : answer.body)
      })
    })
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    const { port } = server.address() as { port: number }
    process.env.ZAFFER_NETWORKS_ADDRESS = `http://127.0.0.1:${port}/{network}`
    process.env.ZAFFER_SITES_ADDRESS = `http://127.0.0.1:${port}/sites`
  })
  afterAll(() => void server.close())
  const tokens = (network: string, remoteId: string, until = Date.now() + 3_000_000) => {
    const { access_token: access, refresh_token: refresh } = tokensFor(network, remoteId, settings)
    return seal(JSON.stringify({ access, refresh, until }))
  }
  return { state, settings, tokens, posted }
}
