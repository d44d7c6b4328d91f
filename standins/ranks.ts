import { array, number, object, string } from 'yup'
import { RANK_KINDS } from '../core/ranks/found'
import { foundFrom } from '../demo/ranks'
import type { Answer, StandinSettings } from './networks'

/** How many points can be asked for at once. */
const MOST_POINTS = 50

const querySchema = object({
  keyword: string().required().max(200),
  kind: string()
    .oneOf(RANK_KINDS.map(({ id }) => id))
    .required(),
  day: string()
    .matches(/^\d{4}-\d\d-\d\d$/)
    .required(),
  points: array(array(number().required()).length(2).required()).min(1).max(MOST_POINTS).required(),
})

const json = (status: number, value: unknown, headers: Record<string, string> = {}): Answer => ({
  status,
  headers: { 'content-type': 'application/json', ...headers },
  body: JSON.stringify(value),
})

/**
 * A stand-in for a source of ranks: for a keyword it says what stands in the results from each of some points. It counts
 * the points that it was asked for, and asks to wait when they are too many for a minute.
 */
export function standinRanks(settings: StandinSettings, pointsPerMinute = 3000) {
  let used = { minute: 0, points: 0 }

  return (method: string, url: URL, body: string): Answer | undefined => {
    if (url.pathname !== '/plumbline/results') return undefined
    if (method !== 'POST') return json(405, { error: 'ask with POST' })
    let query
    try {
      query = querySchema.validateSync(JSON.parse(body), { strict: true })
    } catch (error) {
      return json(400, { error: (error as Error).message })
    }
    const minute = Math.floor(Date.now() / 60_000)
    used = { minute, points: (used.minute === minute ? used.points : 0) + query.points.length }
    if (used.points > pointsPerMinute)
      return json(
        429,
        { error: 'too many points' },
        { 'retry-after': String(60 - (Math.floor(Date.now() / 1000) % 60)) },
      )
    return json(200, {
      results: query.points.map(([lat, lon]) => foundFrom(query, { lat: lat!, lon: lon! }, settings.anchor)),
    })
  }
}
