import {
  getCookie,
  getRequestHeader,
  getRequestURL,
  getRouterParam,
  setResponseHeader,
  setResponseStatus,
  type EventHandler,
  type H3Event,
  defineEventHandler,
} from 'h3'
import type { InferType, Schema } from 'yup'
import type { Needs, Releasable } from '../../../shared/platform/releasable'
import { openClient, type Person } from '../people/people'
import { personOfSession } from '../people/sessions'
import type { ClientDb } from '../database/clientDb'
import { log } from '../log'
import { readLimited } from './readLimited'
import { badRequest, forbidden, NOT_RELEASED, notFound, notSignedIn, Problem } from '../problems/problem'
import { toProblem } from '../problems/toProblem'

/**
 * Every answer of the interface goes through here: errors become problem details, writes from foreign pages are
 * refused.
 */
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
  const problem = toProblem(error, event.method === 'GET')
  if (problem.status >= 500) log.error({ err: error, path: event.path }, 'request failed')
  setResponseStatus(event, problem.status)
  setResponseHeader(event, 'Content-Type', 'application/problem+json')
  if (typeof problem.more.retryAfter === 'number') setResponseHeader(event, 'Retry-After', problem.more.retryAfter)
  return problem.body()
}

function refuseForeignWrites(event: H3Event): void {
  if (event.method === 'GET' || event.method === 'HEAD') return
  const origin = getRequestHeader(event, 'origin')
  const host = getRequestURL(event).host
  if (!origin || !URL.canParse(origin) || new URL(origin).host !== host)
    throw forbidden('Changes are only taken from the application’s own pages.')
}

/** What a handler of a signed-in route is given. */
export interface Visit {
  event: H3Event
  person: Person
  /** The number of their session. */
  session: number
}

/** A route for people who have signed in. */
export function personRoute<T>(handler: (visit: Visit) => Promise<T> | T): EventHandler {
  return route(async (event) => {
    const found = await visitor(event)
    if (!found) throw notSignedIn()
    return await handler({ event, ...found })
  })
}

/** A route for owners of the agency. */
export function ownerRoute<T>(handler: (visit: Visit) => Promise<T> | T): EventHandler {
  return personRoute((visit) => {
    if (visit.person.role !== 'owner') throw forbidden('Only the owner of the agency decides this. Ask them to do it.')
    return handler(visit)
  })
}

/** Whoever has signed in, as the database has them now, with their session; or undefined. */
export async function visitor(event: H3Event): Promise<{ person: Person; session: number } | undefined> {
  // an unsealed cookie costs nothing where there is none
  if (!getCookie(event, 'zaffer')) return undefined
  const { secure } = await getUserSession(event)
  return typeof secure?.token === 'string' ? await personOfSession(secure.token) : undefined
}

/** What a handler of a client's route is given: the handle is the only way to the data. */
export interface ClientVisit extends Visit {
  db: ClientDb
  /** What the person may see of the client beside its editions. */
  released: readonly Releasable[]
}

/**
 * A route under /api/clients/[client]/.
 *
 * @param needs  'read' for everybody who has the whole client, 'work' and 'write' for owners and analysts, 'own' for
 *               owners, and else for viewers to whom it is released; 'places' also for those of single places
 */
export function clientRoute<T>(
  needs: Needs | 'write' | 'own',
  handler: (visit: ClientVisit) => Promise<T> | T,
): EventHandler {
  return personRoute(async ({ event, person, session }) => {
    const { db, released } = await openClient(person, getRouterParam(event, 'client') ?? '')
    refuseUnless(needs, person, released, db.only !== undefined)
    return handler({ event, person, session, db, released })
  })
}

function refuseUnless(
  needs: Needs | 'write' | 'own',
  { role }: Person,
  released: readonly Releasable[],
  isOfPlaces: boolean,
): void {
  if (needs === 'own' && role === 'analyst')
    throw forbidden('Only the owner of the agency decides this. Ask them to do it.')
  if (role !== 'viewer' || (needs === 'read' && !isOfPlaces)) return
  if (needs === 'write' || needs === 'own')
    throw forbidden('You can look at this client but not change anything. Ask the agency to do it.')
  if (isOfPlaces && needs !== 'places')
    throw forbidden('You are assigned to single places of this client, and see those alone. Ask the agency for more.')
  if (needs === 'work' || needs === 'read' || !released.includes(needs === 'places' ? 'figures' : needs))
    throw forbidden(NOT_RELEASED)
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

/** An id of a network from the address, such as that of a review. */
export function remoteIdParam(event: H3Event, name: string, what: string): string {
  const text = getRouterParam(event, name) ?? ''
  if (!/^[\w.:-]{1,40}$/.test(text)) throw notFound(what)
  return text
}

/** How large the body of a request may be, in bytes: that of most, and that of a report with its texts. */
const SMALL_BODY = 64 * 1024
export const LARGE_BODY = 4 * 1024 * 1024

/**
 * The body of a request, checked with the schema that the form uses too.
 *
 * @param most  how many bytes are read; a larger body is refused before it is parsed
 */
export async function bodyOf<S extends Schema>(event: H3Event, schema: S, most = SMALL_BODY): Promise<InferType<S>> {
  const text = await readLimited(event, most)
  return (await schema.validate(text === '' ? {} : parsed(text), {
    abortEarly: false,
    stripUnknown: true,
  })) as InferType<S>
}

/**
 * A name that every object has already, such as toString: whoever gives it another meaning wants to confuse, and what
 * reads texts would stumble over it.
 */
const refuseBuiltIn = (name: string, value: unknown): unknown => {
  if (name in Object.prototype) throw badRequest(`The request has a field “${name}”, which nothing here has.`)
  return value
}

function parsed(text: string): unknown {
  try {
    const body: unknown = JSON.parse(text, refuseBuiltIn)
    if (typeof body === 'object' && body !== null && !Array.isArray(body)) return body
  } catch (error) {
    if (error instanceof Problem) throw error
  }
  throw badRequest('The request is no JSON object.')
}
