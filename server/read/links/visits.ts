import { eachDay, type Period } from '../../../core/periods/period'
import type { VisitCounts, VisitDetail, VisitPart } from '../../../shared/read/links'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { COUNT_OF, OTHER_SITES, type Visit, type VisitKind } from './countVisits'

type Place = Visit['place']
const NOTHING: VisitCounts = { people: 0, robots: 0, prefetches: 0 }

interface Summed {
  id: number
  kind: VisitKind
  visits: number
}

const countsOf = (rows: readonly Summed[]): VisitCounts =>
  rows.reduce((counts, { kind, visits }) => ({ ...counts, [COUNT_OF[kind]]: visits }), NOTHING)

/** What was counted of some links or pages in a period, by their number. */
export async function countsIn(
  db: ClientDb,
  place: Place,
  ids: readonly number[],
  period: Period,
): Promise<(id: number) => VisitCounts> {
  const rows = await db.rows<Summed>(sql`
    SELECT   place_id AS id, kind, CAST(SUM(visits) AS DOUBLE) AS visits
    FROM     link_visit
    WHERE    client_id = ${db.client}
    AND      place = ${place}
    AND      place_id IN (${ids})
    AND      day BETWEEN ${period.from} AND ${period.to}
    GROUP BY place_id, kind`)
  const byId = grouped(rows, ({ id }) => id)
  return (id) => countsOf(byId.get(id) ?? [])
}

/** What was counted of all links that are there, together. */
export async function countsOfAll(db: ClientDb, place: 'link', period: Period): Promise<VisitCounts> {
  return countsOf(
    await db.rows<Summed>(sql`
      SELECT   0 AS id, v.kind, CAST(SUM(v.visits) AS DOUBLE) AS visits
      FROM     link_visit v
      JOIN     tracked_link l ON l.client_id = v.client_id AND l.link_id = v.place_id AND l.removed_at IS NULL
      WHERE    v.client_id = ${db.client}
      AND      v.place = ${place}
      AND      v.day BETWEEN ${period.from} AND ${period.to}
      GROUP BY v.kind`),
  )
}

/** Everything that is counted of one link or page in a period. */
export async function visitDetail(db: ClientDb, place: Place, id: number, period: Period): Promise<VisitDetail> {
  const counts = await countsIn(db, place, [id], period)
  const rows = await db.rows<{ day: string; hour: number; visits: number }>(sql`
    SELECT   day, hour, visits
    FROM     link_visit
    WHERE    client_id = ${db.client}
    AND      place = ${place}
    AND      place_id = ${id}
    AND      kind = 'person'
    AND      day BETWEEN ${period.from} AND ${period.to}`)
  const parts = await db.rows<{ facet: VisitPart['facet']; part: string; visits: number }>(sql`
    SELECT   facet, part, CAST(SUM(visits) AS DOUBLE) AS visits
    FROM     link_visit_part
    WHERE    client_id = ${db.client}
    AND      place = ${place}
    AND      place_id = ${id}
    AND      day BETWEEN ${period.from} AND ${period.to}
    GROUP BY facet, part
    ORDER BY visits DESC, part`)
  const pages = await db.rows<{ code: string; title: string }>(
    sql`SELECT code, title FROM link_page WHERE client_id = ${db.client}`,
  )
  const titles = new Map(pages.map(({ code, title }) => [code, title]))
  const byDay = grouped(rows, ({ day }) => day)
  return {
    counts: counts(id),
    days: eachDay(period).map((day) => ({ day, visits: sum(byDay.get(day) ?? []) })),
    hours: Array.from({ length: 24 }, (_, hour) => sum(rows.filter((row) => row.hour === hour))),
    parts: parts.map((part) => ({ ...part, name: nameOf(part, titles) })),
  }
}

function grouped<Row, Key>(rows: readonly Row[], keyOf: (row: Row) => Key): ReadonlyMap<Key, Row[]> {
  const groups = new Map<Key, Row[]>()
  for (const row of rows) groups.set(keyOf(row), [...(groups.get(keyOf(row)) ?? []), row])
  return groups
}

const sum = (rows: readonly { visits: number }[]): number => rows.reduce((total, { visits }) => total + visits, 0)

/** A part of the visits, in words. */
function nameOf({ facet, part }: Pick<VisitPart, 'facet' | 'part'>, titles: ReadonlyMap<string, string>): string {
  if (facet === 'page') return titles.get(part) ?? 'A page that is not ours'
  if (part === OTHER_SITES) return 'Other sites'
  if (part === '') return facet === 'country' ? 'Not known' : 'Not told'
  return facet === 'country' ? (new Intl.DisplayNames(['en'], { type: 'region' }).of(part) ?? part) : part
}

/** The clicks of people on the links of some codes, of all time, for those posts that name them. */
export const clicksOfCodes = (db: ClientDb, codes: readonly string[]) =>
  db.rows<{ id: number; code: string; name: string; clicks: number }>(sql`
    SELECT   l.link_id AS id, l.code, l.name, CAST(COALESCE(SUM(v.visits), 0) AS DOUBLE) AS clicks
    FROM     tracked_link l
    LEFT JOIN link_visit v ON v.client_id = l.client_id AND v.place = 'link' AND v.place_id = l.link_id
                          AND v.kind = 'person'
    WHERE    l.client_id = ${db.client}
    AND      l.code IN (${codes})
    AND      l.removed_at IS NULL
    GROUP BY l.link_id, l.code, l.name
    ORDER BY l.name`)
