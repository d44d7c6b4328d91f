import crawlers from 'crawler-user-agents'
import { getQuery, getRequestHeader, getRouterParam, type H3Event } from 'h3'
import { isLinkCode } from '../../../core/links/linkCode'
import { isTrusted } from '../../platform/http/visitorAddress'
import { declaredNames } from './declaredNames'
import type { Visit, VisitKind } from './countVisits'

const isDeclared = declaredNames(crawlers.map(({ pattern }) => pattern))
const LONGEST_NAME = 400
const LONGEST_REFERRER = 100

/**
 * What is counted of a request for a link or a public page: its kind, the country that a trusted proxy names, and the
 * site that led here. Nothing by which a person could be told from another is looked at.
 */
export function visitOf(event: H3Event, place: Visit['place']): Visit {
  const { p } = getQuery(event)
  return {
    place,
    code: getRouterParam(event, 'code') ?? '',
    kind: kindOf(event),
    country: countryOf(event),
    referrer: siteOf(getRequestHeader(event, 'referer') ?? ''),
    from: typeof p === 'string' && isLinkCode(p) ? p : '',
  }
}

/**
 * Who asks: a browser ahead of a click (Fetch standard, Sec-Purpose; older names by common practice), a program that
 * declares itself or gives no name at all, or else a person.
 */
function kindOf(event: H3Event): VisitKind {
  const ahead = ['sec-purpose', 'purpose', 'x-purpose'].map((name) => getRequestHeader(event, name) ?? '')
  if (ahead.some((value) => /\b(?:prefetch|preview|prerender)\b/i.test(value))) return 'prefetch'
  const name = (getRequestHeader(event, 'user-agent') ?? '').slice(0, LONGEST_NAME)
  return event.method === 'HEAD' || name === '' || isDeclared(name) ? 'robot' : 'person'
}

/** The country that a proxy of ours has found, in the header that ZAFFER_COUNTRY_HEADER names. */
function countryOf(event: H3Event): string {
  const header = process.env.ZAFFER_COUNTRY_HEADER
  if (!header || !isTrusted(event.node.req.socket.remoteAddress ?? '')) return ''
  const country = (getRequestHeader(event, header) ?? '').toUpperCase()
  return /^[A-Z]{2}$/.test(country) && country !== 'XX' ? country : ''
}

/** The site of an address, without the page on it. */
function siteOf(address: string): string {
  if (!/^https?:/i.test(address) || !URL.canParse(address)) return ''
  const { hostname } = new URL(address)
  return /^[a-z0-9.:[\]-]+$/.test(hostname) ? hostname.slice(0, LONGEST_REFERRER) : ''
}
