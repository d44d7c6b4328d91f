import { getCookie, getRequestHeader, getRequestURL, getRouterParam, readBody, setResponseHeader, setResponseStatus, type EventHandler, type H3Event } from 'h3'
import { defineEventHandler } from 'h3'
import { ValidationError, type InferType, type Schema } from 'yup'
import { openClient, personById, type Person } from '../auth/people'
import type { ClientDb } from '../db/clientDb'
import { log } from '../log'
import { badRequest, forbidden, notFound, notSignedIn, Problem } from '../problems/problem'

/** Every answer of the interface goes through here: errors become problem details, writes from foreign pages are refused. */
export function route<T>(handler: (event: H3Event) => Promise<T> | T): EventHandler {
  return defineEventHandler(async (event) => {
    try {
      setResponseHeader(event, 'Cache-Control', 'no-store')
      refuseForeignWrites(event)
      return await handler(event)
    } catch (error) {
      return answer(event, error)
    }
  })
}

function answer(event: H3Event, error: unknown) {
  const problem = toProblem(error)
  if (problem.status >= 500) log.error({ err: error, path: event.path }, 'request failed')
  setResponseStatus(event, problem.status)
  setResponseHeader(event, 'Content-Type', 'application/problem+json')
  if (typeof problem.more.retryAfter === 'number') setResponseHeader(event, 'Retry-After', problem.more.retryAfter)
  return problem.body()
}

function toProblem(error: unknown): Problem {
  if (error instanceof Problem) return error
  if (error instanceof ValidationError) return badRequest(error.errors.join(' '), { fields: Object.fromEntries(error.inner.map((inner) => [inner.path, inner.message])) })
  if (error instanceof RangeError) return badRequest(error.message)
  const status = (error as { statusCode?: number }).statusCode
  if (status && status < 500) return new Problem(status, 'That cannot be read', (error as Error).message)
  return new Problem(500, 'Something went wrong here', 'The request could not be carried out. Nothing was changed; try again in a moment.')
}

function refuseForeignWrites(event: H3Event): void {
  if (event.method === 'GET' || event.method === 'HEAD') return
  const origin = getRequestHeader(event, 'origin')
  const host = getRequestURL(event).host
  if (!origin || !URL.canParse(origin) || new URL(origin).host !== host) throw forbidden('Changes are only taken from the application’s own pages.')
}

/** What a handler of a signed-in route is given. */
export interface Visit {
  event: H3Event
  person: Person
}

/** A route for people who have signed in. */
export function personRoute<T>(handler: (visit: Visit) => Promise<T> | T): EventHandler {
  return route(async (event) => handler({ event, person: await requirePerson(event) }))
}

/** Whoever has signed in, as the database has them now, or undefined. */
export async function visitor(event: H3Event): Promise<Person | undefined> {
  // an unsealed cookie costs nothing where there is none
  if (!getCookie(event, 'zaffer')) return undefined
  const { user } = await getUserSession(event)
  return user && (await personById(user.id))
}

export async function requirePerson(event: H3Event): Promise<Person> {
  const person = await visitor(event)
  if (!person) throw notSignedIn()
  return person
}

/** What a handler of a client's route is given: the handle is the only way to the data. */
export interface ClientVisit extends Visit {
  db: ClientDb
}

/**
 * A route under /api/clients/[client]/.
 *
 * @param needs  'read' for everybody who has the client, 'write' for owners and analysts
 */
export function clientRoute<T>(needs: 'read' | 'write', handler: (visit: ClientVisit) => Promise<T> | T): EventHandler {
  return personRoute(async ({ event, person }) => {
    const db = await openClient(person, getRouterParam(event, 'client') ?? '')
    if (needs === 'write' && person.role === 'viewer') throw forbidden('You can look at this client but not change anything. Ask the agency to do it.')
    return handler({ event, person, db })
  })
}

/** An answer that is JSON already. */
export function sendJson(event: H3Event, text: string): string {
  setResponseHeader(event, 'Content-Type', 'application/json')
  return text
}

/** A number from the address, such as the id of a report. */
export function idParam(event: H3Event, name: string, what: string): number {
  const text = getRouterParam(event, name) ?? ''
  if (!/^\d{1,10}$/.test(text)) throw notFound(what)
  return Number(text)
}

/** The body of a request, checked with the schema that the form uses too. */
export async function bodyOf<S extends Schema>(event: H3Event, schema: S): Promise<InferType<S>> {
  return (await schema.validate((await readBody(event)) ?? {}, { abortEarly: false, stripUnknown: true })) as InferType<S>
}
