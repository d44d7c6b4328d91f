import { DateTime } from 'luxon'
import { withCampaign, type Campaign } from '../../../core/links/withCampaign'
import type { VisitCounts } from '../../../shared/read/links'
import { now } from '../../platform/clock'
import { clientDb, type ClientDb, type ClientRow } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'
import { systemDb } from '../../platform/database/systemDb'
import { Problem } from '../../platform/problems/problem'

/** Who asked, as far as they say it themselves; nothing else of them is kept. */
export type VisitKind = 'person' | 'robot' | 'prefetch'
export const COUNT_OF: Record<VisitKind, keyof VisitCounts> = {
  person: 'people',
  robot: 'robots',
  prefetch: 'prefetches',
}

/** A link or a public page, by its code, and what is counted of who asked. */
export interface Visit {
  place: 'link' | 'page'
  code: string
  kind: VisitKind
  /** The country by ISO 3166-1, or empty where it is not known. */
  country: string
  /** The site that led here, or empty where none is told. */
  referrer: string
  /** The code of the public page on which it was followed, or empty. */
  from: string
}

/** What a code stands for. */
export interface FoundPlace {
  client: ClientRow
  place: 'link' | 'page'
  id: number
  code: string
  isEnded: boolean
  /** Where a link leads now, with the parameters of its campaign. */
  leadsTo?: string
}

interface Waiting {
  visit: Visit
  done: (found: FoundPlace | undefined) => void
  fail: (error: unknown) => void
}

/** How many are counted together, and how many wait for their turn; more are told to come again. */
const TOGETHER = 500
const MOST_WAITING = 5000
/** How many different sites are kept of a link in a day: whoever makes up more finds them under one name. */
const MOST_REFERRERS = 100
export const OTHER_SITES = '(others)'

const waiting: Waiting[] = []
let isCounting = false

/**
 * Finds what a code stands for and counts the visit. It answers when that is stored: what was answered is counted
 * also when the application is killed in the same moment. Those who come together are counted together, so that many
 * at once cost little more than one: those who come while others are being stored are stored together.
 *
 * @returns what it stands for, or undefined where there is nothing
 * @throws  Problem 503 when too many wait
 */
export function countVisit(visit: Visit): Promise<FoundPlace | undefined> {
  if (waiting.length >= MOST_WAITING)
    throw new Problem(503, 'Busy', 'Many people follow links at the same time. Try again in a few seconds.', {
      retryAfter: 2,
    })
  return new Promise((done, fail) => {
    waiting.push({ visit, done, fail })
    if (!isCounting) void countAll()
  })
}

async function countAll(): Promise<void> {
  isCounting = true
  while (waiting.length > 0) {
    await countTogether(waiting.splice(0, TOGETHER))
  }
  isCounting = false
}

async function countTogether(visits: readonly Waiting[]): Promise<void> {
  try {
    const places = new Map([...(await findPlaces('link', visits)), ...(await findPlaces('page', visits))])
    const byClient = new Map<number, Waiting[]>()
    for (const each of visits) {
      const place = places.get(`${each.visit.place} ${each.visit.code}`)
      if (!place || place.isEnded) each.done(place)
      else if (!byClient.get(place.client.client_id)?.push(each)) byClient.set(place.client.client_id, [each])
    }
    for (const own of byClient.values())
      await storeAll(own, ({ visit }: Waiting) => places.get(`${visit.place} ${visit.code}`)!)
  } catch (error) {
    // those who were answered already do not hear of it
    for (const { fail } of visits) fail(error)
  }
}

async function findPlaces(place: Visit['place'], visits: readonly Waiting[]): Promise<[string, FoundPlace][]> {
  const codes = [...new Set(visits.filter(({ visit }) => visit.place === place).map(({ visit }) => visit.code))]
  if (codes.length === 0) return []
  return place === 'link' ? await findLinks(codes) : await findPages(codes)
}

const CLIENT = raw('c.client_id, c.slug, c.name AS clientName, c.time_zone, c.universe, c.released')
type Row = Omit<ClientRow, 'name'> & { clientName: string; id: number; code: string; ended: number }

const found = (place: Visit['place'], row: Row, leadsTo?: string): [string, FoundPlace] => {
  const { id, code, ended, clientName: name, client_id, slug, time_zone, universe, released } = row
  const client = { client_id, slug, name, time_zone, universe, released }
  return [`${place} ${code}`, { client, place, id, code, isEnded: ended === 1, ...(leadsTo && { leadsTo }) }]
}

async function findLinks(codes: readonly string[]): Promise<[string, FoundPlace][]> {
  const rows = await systemDb.rows<Row & Campaign & { target: string }>(sql`
    SELECT ${CLIENT}, l.link_id AS id, l.code, l.ended_at IS NOT NULL AS ended, l.target, l.source, l.medium,
           l.campaign, l.content
    FROM   tracked_link l
    JOIN   client c ON c.client_id = l.client_id
    WHERE  l.code IN (${codes})
    AND    l.removed_at IS NULL`)
  return rows.map((row) => {
    const leadsTo = withCampaign(row.target, row)
    // one that leads nowhere is as one that was ended: it stops nobody else's
    return found('link', leadsTo === undefined ? { ...row, ended: 1 } : row, leadsTo)
  })
}

async function findPages(codes: readonly string[]): Promise<[string, FoundPlace][]> {
  const rows = await systemDb.rows<Row>(sql`
    SELECT ${CLIENT}, l.page_id AS id, l.code, 0 AS ended
    FROM   link_page l
    JOIN   client c ON c.client_id = l.client_id
    WHERE  l.code IN (${codes})
    AND    l.removed_at IS NULL`)
  return rows.map((row) => found('page', row))
}

/** Stores the visits of a client together or, where one of them cannot be, each by itself: none is lost by another. */
async function storeAll(own: readonly Waiting[], placeOf: (each: Waiting) => FoundPlace): Promise<void> {
  const together = (some: readonly Waiting[]) =>
    store(
      clientDb(placeOf(some[0]!).client),
      some.map((each) => ({ ...each.visit, id: placeOf(each).id })),
    ).then(() => some.forEach((each) => each.done(placeOf(each))))
  try {
    await together(own)
  } catch (error) {
    if (own.length === 1) return own[0]!.fail(error)
    for (const each of own) await storeAll([each], placeOf)
  }
}

type Counted = Visit & { id: number }

/** Adds visits to what stands there, all of them or none. */
async function store(db: ClientDb, visits: readonly Counted[]): Promise<void> {
  const at = DateTime.fromMillis(now(), { zone: db.timeZone })
  const day = at.toISODate()!
  const hours = summed(visits, ({ place, id, kind }) => [place, id, day, at.hour, kind])
  await db.transaction(async (inside) => {
    await inside.insertRows('link_visit', ['place', 'place_id', 'day', 'hour', 'kind', 'visits'], hours, [], ['visits'])
    const people = visits.filter(({ kind }) => kind === 'person')
    if (people.length === 0) return
    const known = await knownReferrers(inside, day, people)
    const parts = (['country', 'page', 'referrer'] as const).flatMap((facet) =>
      summed(
        people.filter((visit) => facet !== 'page' || visit.from !== ''),
        (visit) => [visit.place, visit.id, day, facet, partOf(visit, facet, known)],
      ),
    )
    const columns = ['place', 'place_id', 'day', 'facet', 'part', 'visits']
    await inside.insertRows('link_visit_part', columns, parts, [], ['visits'])
  })
}

function partOf(visit: Counted, facet: 'country' | 'page' | 'referrer', known: Map<string, Set<string>>): string {
  if (facet !== 'referrer') return facet === 'page' ? visit.from : visit.country
  const key = `${visit.place} ${visit.id}`
  const own = known.get(key) ?? new Set()
  known.set(key, own)
  if (!own.has(visit.referrer) && own.size >= MOST_REFERRERS) return OTHER_SITES
  own.add(visit.referrer)
  return visit.referrer
}

/** Which sites are kept of each link and page on a day. */
async function knownReferrers(
  db: ClientDb,
  day: string,
  visits: readonly Counted[],
): Promise<Map<string, Set<string>>> {
  // of those who come from nowhere that is told there is nothing to look up
  if (visits.every(({ referrer }) => referrer === '')) return new Map()
  const rows = await db.rows<{ place: string; id: number; part: string }>(sql`
    SELECT place, place_id AS id, part
    FROM   link_visit_part
    WHERE  client_id = ${db.client}
    AND    (place, place_id) IN (${unique(visits.map(({ place, id }) => [place, id]))})
    AND    day = ${day}
    AND    facet = 'referrer'`)
  const known = new Map<string, Set<string>>()
  for (const { place, id, part } of rows)
    known.set(`${place} ${id}`, (known.get(`${place} ${id}`) ?? new Set()).add(part))
  return known
}

const unique = (keys: readonly unknown[][]): unknown[][] =>
  [...new Set(keys.map((key) => JSON.stringify(key)))].map((key) => JSON.parse(key) as unknown[])

/** Keys with how often each comes, in an order that is always the same. */
function summed(visits: readonly Counted[], keyOf: (visit: Counted) => unknown[]): unknown[][] {
  const counts = new Map<string, number>()
  for (const visit of visits) {
    const key = JSON.stringify(keyOf(visit))
    counts.set(key, (counts.get(key) ?? 0) + 1)
  }
  return [...counts].sort(([a], [b]) => (a < b ? -1 : 1)).map(([key, count]) => [...(JSON.parse(key) as []), count])
}
