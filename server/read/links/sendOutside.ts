import { setResponseHeader, setResponseStatus, type EventHandler, type H3Event, defineEventHandler } from 'h3'
import { isLinkCode } from '../../../core/links/linkCode'
import { log } from '../../platform/log'
import { toProblem } from '../../platform/problems/toProblem'
import { countVisit, type FoundPlace, type Visit } from './countVisits'
import { notThereHtml } from './publicHtml'
import { visitOf } from './visitOf'

/**
 * An address for everybody: counts who asks for a link or a public page, and answers with what it is. What goes wrong
 * is said on a page, since a person reads it.
 */
export const outsideRoute = (
  place: Visit['place'],
  answer: (event: H3Event, found: FoundPlace) => Promise<string> | string,
): EventHandler =>
  defineEventHandler(async (event) => {
    setResponseHeader(event, 'Cache-Control', 'no-store')
    setResponseHeader(event, 'Content-Type', 'text/html; charset=utf-8')
    try {
      if (event.method !== 'GET' && event.method !== 'HEAD') return say(event, 405, `This ${place} is only read`)
      const visit = visitOf(event, place)
      const found = isLinkCode(visit.code) ? await countVisit(visit) : undefined
      if (!found) return say(event, 404, `This ${place} is not there`, 'Perhaps a letter was lost on the way here.')
      if (found.isEnded) return say(event, 410, `This ${place} has ended`, 'What it led to is over.')
      return await answer(event, found)
    } catch (error) {
      const problem = toProblem(error, true)
      if (problem.status >= 500 && problem.status !== 503) log.error({ err: error, path: event.path }, 'request failed')
      if (problem.status === 503) setResponseHeader(event, 'Retry-After', 2)
      return say(event, problem.status, problem.title, problem.detail)
    }
  })

function say(event: H3Event, status: number, title: string, sentence = ''): string {
  setResponseStatus(event, status)
  return notThereHtml(title, sentence)
}
