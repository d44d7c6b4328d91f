import { array, object, string, type Schema } from 'yup'
import { directoryById } from '../../../core/directories/directoryList'
import { entryRecordSchema } from '../../../shared/read/directories'
import { addressOf } from './addressOf'
import { NetworkTrouble, RateLimited, type Connection, type Connector } from './connector'
import { jsonOf, secondsOf } from './httpNetwork'

const TIMEOUT_MS = 20_000
/** How many entries a directory can find for one place. */
const MOST_FOUND = 50

const answerSchema = object({
  state: string<'sent' | 'taken' | 'refused'>().oneOf(['sent', 'taken', 'refused']).required(),
  reason: string().defined().max(400),
}).required()
const foundSchema = object({
  found: array(
    array(
      object({
        id: string()
          .required()
          .max(60)
          .matches(/^[\w.:-]+$/),
        address: string()
          .defined()
          .max(300)
          .matches(/^$|^https?:\/\/[^\s]+$/i),
        changedBy: string().defined().max(120),
        record: entryRecordSchema.required(),
      }).required(),
    )
      .max(MOST_FOUND)
      .required(),
  ).required(),
})
const standingSchema = object({ answers: array(answerSchema).required() })

/** A directory that speaks HTTP with JSON: entries near places, and corrections of them. */
export function httpDirectory(connection: Connection): Connector {
  const base = addressOf(connection)
  const { name } = directoryById(connection.connector)

  async function ask<T>(path: string, body: unknown, schema: Schema<T>): Promise<T> {
    const response = await fetch(`${base}/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(TIMEOUT_MS),
      redirect: 'error',
    }).catch(() => {
      throw new NetworkTrouble(`${name} does not answer.`)
    })
    if (response.status === 429) throw new RateLimited(secondsOf(response.headers.get('retry-after')))
    if (!response.ok) throw new NetworkTrouble(`${name} answered ${response.status}.`)
    const answer = await jsonOf(response, name)
    if (!schema.isValidSync(answer, { strict: true }))
      throw new NetworkTrouble(`${name} gave an answer that cannot be read.`)
    return answer
  }

  const refuseOtherNumber = (asked: number, given: number) => {
    if (asked !== given) throw new NetworkTrouble(`${name} was asked for ${asked} answers and gave ${given}.`)
  }

  return {
    directory: {
      async find(queries) {
        const { found } = await ask('entries', { places: queries }, foundSchema)
        refuseOtherNumber(queries.length, found.length)
        return found
      },
      request: (request) => ask('entries/new', request, answerSchema),
      correct: (correction) => ask('corrections', correction, answerSchema),
      async standing(keys) {
        const { answers } = await ask('corrections/standing', { keys }, standingSchema)
        refuseOtherNumber(keys.length, answers.length)
        return answers
      },
    },
  }
}
