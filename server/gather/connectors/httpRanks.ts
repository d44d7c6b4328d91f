import { array, number, object, string } from 'yup'
import { DEPTH } from '../../../core/ranks/rankFigures'
import { addressOf } from './addressOf'
import { NetworkTrouble, RateLimited, type Connection, type Connector, type RankQuery } from './connector'
import { jsonOf, secondsOf } from './httpNetwork'

const NAME = 'Plumbline'
const TIMEOUT_MS = 20_000

const degrees = (most: number) => number().required().min(-most).max(most)
const answerSchema = object({
  results: array(
    array(
      object({
        id: string().required().max(300),
        name: string().required().max(200),
        lat: degrees(90),
        lon: degrees(180),
      }).required(),
    ).required(),
  ).required(),
})

/** A source of ranks that speaks HTTP with JSON: what stands in the results of a search, from each of some points. */
export function httpRanks(connection: Connection): Connector {
  const base = addressOf(connection)

  async function ranks({ keyword, kind, day, points }: RankQuery) {
    const response = await fetch(`${base}/results`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ keyword, kind, day, points: points.map(({ lat, lon }) => [lat, lon]) }),
      signal: AbortSignal.timeout(TIMEOUT_MS),
      redirect: 'error',
    }).catch(() => {
      throw new NetworkTrouble(`${NAME} does not answer.`)
    })
    if (response.status === 429) throw new RateLimited(secondsOf(response.headers.get('retry-after')))
    if (!response.ok) throw new NetworkTrouble(`${NAME} answered ${response.status}.`)
    const body = await jsonOf(response, NAME)
    if (!answerSchema.isValidSync(body, { strict: true }))
      throw new NetworkTrouble(`${NAME} gave an answer that cannot be read.`)
    if (body.results.length !== points.length)
      throw new NetworkTrouble(`${NAME} was asked for ${points.length} points and gave ${body.results.length}.`)
    return body.results.map((found) => found.slice(0, DEPTH))
  }

  return { ranks }
}
