import { countChange, countsClearOnPage, type CountChange } from '../../../core/change/countChange'
import { scatterOfDays, type Scatter } from '../../../core/change/scatter'
import { addDays } from '../../../core/days/day'
import { eachDay, lengthOf, type Period } from '../../../core/periods/period'
import { peopleOver, type PeopleCeiling, type PeopleWindow } from '../../../core/traffic/peopleOver'
import { WINDOW_REACH_DAYS } from '../../../core/rollup/aggregate'
import type { PageTraffic, SiteTraffic, SourceTraffic, Traffic } from '../../../shared/read/traffic'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { siteNames } from '../../figures/questions/siteNames'

/** How many pages and sources are shown, the most viewed first. */
const MOST_SHOWN = 40

/** The traffic of every site of a client. */
export async function trafficOf(db: ClientDb, scope: ResolvedScope): Promise<Traffic> {
  const sites = []
  for (const site of await siteNames(db)) sites.push(await siteTraffic(db, scope, site))
  return { sites }
}

async function siteTraffic(
  db: ClientDb,
  { period, comparison }: ResolvedScope,
  site: SiteTraffic['site'],
): Promise<SiteTraffic> {
  const around = await db.rows<DayRow>(sql`
    SELECT day, visits, visits_consented AS consented, visitors_1d AS one, visitors_7d AS seven, visitors_28d AS many
    FROM   site_day
    WHERE  client_id = ${db.client}
    AND    site_id = ${site.id}
    AND    day BETWEEN ${addDays(period.from, -WINDOW_REACH_DAYS)} AND ${addDays(period.to, WINDOW_REACH_DAYS)}
    ORDER BY day`)
  const within = around.filter(({ day }) => day >= period.from && day <= period.to)
  const byDay = await db.rows<{ day: string; views: number | null }>(sql`
    SELECT   day, CAST(SUM(views) AS DOUBLE) AS views
    FROM     site_page_day
    WHERE    client_id = ${db.client}
    AND      site_id = ${site.id}
    AND      day BETWEEN ${period.from} AND ${period.to}
    GROUP BY day`)
  const viewsOn = new Map(byDay.map(({ day, views }) => [day, views]))
  const visitsOn = new Map(within.map(({ day, visits }) => [day, visits]))
  const views = sum(byDay.map((row) => row.views))
  const told = within.filter(({ visits, consented }) => visits !== null && consented !== null)
  const { pages, all } = await pagesOf(db, site.id, period, comparison?.period, new Set(viewsOn.keys()))
  const before = comparison && (await viewsIn(db, site.id, comparison.period))
  const visitors = peopleOver(around.flatMap(windowsOf), period, ceilingsOf(around))
  return {
    site,
    days: { known: new Set([...viewsOn.keys(), ...visitsOn.keys()]).size, of: lengthOf(period) },
    views,
    ...(before &&
      before.days > 0 && {
        viewsChange: change(views, byDay.length, before, scatterOfDays(eachDay(period).map((day) => viewsOn.get(day)))),
      }),
    visits: sum(within.map((row) => row.visits)),
    ...(told.length > 0 && {
      consented: { visits: sum(told.map((row) => row.consented)), of: sum(told.map((row) => row.visits)) },
    }),
    ...(visitors && { visitors }),
    byDay: eachDay(period).map((day) => ({ day, views: viewsOn.get(day) ?? null, visits: visitsOn.get(day) ?? null })),
    pages: countsClearOnPage(pages),
    allPages: all,
    sources: countsClearOnPage(await sourcesOf(db, site.id, period, comparison?.period)),
  }
}

interface DayRow {
  day: string
  visits: number | null
  consented: number | null
  one: number | null
  seven: number | null
  many: number | null
}

const sum = (values: readonly (number | null)[]): number => values.reduce<number>((all, value) => all + (value ?? 0), 0)

const windowsOf = ({ day, one, seven, many }: DayRow): PeopleWindow[] =>
  (
    [
      [1, one],
      [7, seven],
      [28, many],
    ] as const
  ).flatMap(([length, people]) => (people === null ? [] : [{ day, length, people }]))

const ceilingsOf = (rows: readonly { day: string; visits: number | null }[]): PeopleCeiling[] =>
  rows.flatMap(({ day, visits }) => (visits === null ? [] : [{ day, count: visits }]))

/**
 * People of one page or source, of which only days are counted. On a day on which others of the site are known and this
 * one is not listed, nobody came: only a day of which nothing is known leaves them without an upper bound.
 */
const peopleByDay = (
  rows: readonly { day: string; people: number | null; most: number | null }[],
  known: ReadonlySet<string>,
  period: Period,
) => {
  const listed = new Set(rows.map(({ day }) => day))
  return peopleOver(
    [
      ...rows.flatMap(({ day, people }) => (people === null ? [] : [{ day, length: 1 as const, people }])),
      ...[...known].filter((day) => !listed.has(day)).map((day) => ({ day, length: 1 as const, people: 0 })),
    ],
    period,
    rows.flatMap(({ day, most }) => (most === null ? [] : [{ day, count: most }])),
  )
}

/** A change over the days that are known in each period. */
const change = (
  count: number,
  days: number,
  before: { count: number; days: number },
  scatter?: Scatter,
): CountChange | undefined => (days > 0 && before.days > 0 ? countChange({ count, days }, before, scatter) : undefined)

/** Page views of a period, and on how many of its days they are known. */
async function viewsIn(db: ClientDb, site: number, period: Period): Promise<{ count: number; days: number }> {
  const row = await db.one<{ count: number | null; days: number }>(sql`
    SELECT CAST(SUM(views) AS DOUBLE) AS count, COUNT(DISTINCT day) AS days
    FROM   site_page_day
    WHERE  client_id = ${db.client}
    AND    site_id = ${site}
    AND    day BETWEEN ${period.from} AND ${period.to}`)
  return { count: row!.count ?? 0, days: row!.days }
}

interface PageRow {
  page: string
  views: number
  seconds: number | null
  timed: number | null
  entrances: number | null
  exits: number | null
}

async function pagesOf(
  db: ClientDb,
  site: number,
  period: Period,
  earlier: Period | undefined,
  known: ReadonlySet<string>,
): Promise<{ pages: PageTraffic[]; all: number }> {
  const rows = await db.rows<PageRow>(sql`
    SELECT   page, CAST(COALESCE(SUM(views), 0) AS DOUBLE) AS views, CAST(SUM(seconds) AS DOUBLE) AS seconds,
             CAST(SUM(timed_views) AS DOUBLE) AS timed, CAST(SUM(entrances) AS DOUBLE) AS entrances,
             CAST(SUM(exits) AS DOUBLE) AS exits
    FROM     site_page_day
    WHERE    client_id = ${db.client}
    AND      site_id = ${site}
    AND      day BETWEEN ${period.from} AND ${period.to}
    GROUP BY page
    ORDER BY views DESC, page
    LIMIT    ${MOST_SHOWN}`)
  const shown = rows.map(({ page }) => page)
  const { all } = (await db.one<{ all: number }>(sql`
    SELECT COUNT(DISTINCT page) AS \`all\`
    FROM   site_page_day
    WHERE  client_id = ${db.client}
    AND    site_id = ${site}
    AND    day BETWEEN ${period.from} AND ${period.to}`))!
  const people = await db.rows<{ page: string; day: string; people: number | null; most: number | null }>(sql`
    SELECT page, day, unique_views AS people, views AS most
    FROM   site_page_day
    WHERE  client_id = ${db.client}
    AND    site_id = ${site}
    AND    day BETWEEN ${period.from} AND ${period.to}
    AND    page IN (${shown})`)
  const before = earlier
    ? new Map(
        (
          await db.rows<{ page: string; count: number }>(sql`
            SELECT   page, CAST(COALESCE(SUM(views), 0) AS DOUBLE) AS count
            FROM     site_page_day
            WHERE    client_id = ${db.client}
            AND      site_id = ${site}
            AND      day BETWEEN ${earlier.from} AND ${earlier.to}
            AND      page IN (${shown})
            GROUP BY page`)
        ).map(({ page, count }) => [page, count]),
      )
    : undefined
  const [now, then] = [await viewsIn(db, site, period), earlier && (await viewsIn(db, site, earlier))]
  return {
    all,
    pages: rows.map(({ page, views, seconds, timed, entrances, exits }) => {
      const own = people.filter((row) => row.page === page)
      const bounds = own.some((row) => row.people !== null) ? peopleByDay(own, known, period) : undefined
      const changed = before && then && change(views, now.days, { count: before.get(page) ?? 0, days: then.days })
      return {
        page,
        views,
        ...(bounds && { people: bounds }),
        ...(seconds !== null && timed && { meanSeconds: seconds / timed }),
        entrances: entrances ?? 0,
        exits: exits ?? 0,
        ...(changed && { change: changed }),
      }
    }),
  }
}

async function sourcesOf(
  db: ClientDb,
  site: number,
  period: Period,
  earlier: Period | undefined,
): Promise<SourceTraffic[]> {
  const inPeriod = ({ from, to }: Period) =>
    db.rows<{ source: string; medium: string; day: string; visits: number | null; people: number | null }>(sql`
      SELECT source, medium, day, visits, visitors_1d AS people
      FROM   site_source_day
      WHERE  client_id = ${db.client}
      AND    site_id = ${site}
      AND    day BETWEEN ${from} AND ${to}`)
  const keyOf = ({ source, medium }: { source: string; medium: string }) => JSON.stringify([source, medium])
  const rows = await inPeriod(period)
  const past = earlier ? await inPeriod(earlier) : []
  const known = new Set(rows.map(({ day }) => day))
  const daysIn = (of: readonly { day: string }[]) => new Set(of.map(({ day }) => day)).size
  return [...new Set(rows.map(keyOf))]
    .map((key): SourceTraffic => {
      const own = rows.filter((row) => keyOf(row) === key)
      const visits = sum(own.map((row) => row.visits))
      const bounds = own.some(({ people }) => people !== null)
        ? peopleByDay(
            own.map(({ day, people, visits: most }) => ({ day, people, most })),
            known,
            period,
          )
        : undefined
      const before = sum(past.filter((row) => keyOf(row) === key).map((row) => row.visits))
      const changed = earlier && change(visits, daysIn(rows), { count: before, days: daysIn(past) })
      return {
        source: own[0]!.source,
        medium: own[0]!.medium,
        visits,
        ...(bounds && { people: bounds }),
        ...(changed && { change: changed }),
      }
    })
    .sort((a, b) => b.visits - a.visits || (a.source < b.source ? -1 : 1))
    .slice(0, MOST_SHOWN)
}
