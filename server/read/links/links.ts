import { randomInt } from 'node:crypto'
import { countChange, countsClearOnPage } from '../../../core/change/countChange'
import { addDays } from '../../../core/days/day'
import { dayAt } from '../../../core/days/lastCompleteDay'
import { newCode } from '../../../core/links/linkCode'
import { lengthOf } from '../../../core/periods/period'
import { MOST_LINKS, type LinkInput, type LinkList, type LinkView } from '../../../shared/read/links'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql, type Query } from '../../platform/database/sql'
import { badRequest, notFound } from '../../platform/problems/problem'
import { countsIn, countsOfAll } from './visits'

const DUPLICATE = 1062
const TRIES = 5

/**
 * Writes something under a code that nothing else has.
 *
 * @throws what writing throws, and after some tries also that the code was taken
 */
export async function withNewCode<T>(write: (code: string) => Promise<T>): Promise<T> {
  for (let tried = 1; ; tried++) {
    try {
      return await write(newCode(randomInt))
    } catch (error) {
      if (tried >= TRIES || (error as { errno?: number }).errno !== DUPLICATE) throw error
    }
  }
}

/**
 * Refuses a target that is one of our own links: they would follow each other for ever.
 *
 * @param host  under which this application is asked
 */
function refuseOwn(target: string, host: string): void {
  const { host: own, pathname } = new URL(target)
  if (own === host && pathname.startsWith('/l/'))
    throw badRequest('A link cannot lead to a link of ours.', {
      fields: { target: 'This is a tracked link itself. Write the address where it leads.' },
    })
}

/**
 * Where a link of the client’s own leads; undefined for the address of anything else.
 *
 * @param host  under which this application is asked
 */
export async function targetOfOwn(db: ClientDb, address: string, host: string): Promise<string | undefined> {
  const { host: own, pathname } = new URL(address)
  const code = /^\/l\/(\w+)$/.exec(pathname)?.[1]
  if (own !== host || code === undefined) return undefined
  const row = await db.one<{ target: string }>(sql`
    SELECT target
    FROM   tracked_link
    WHERE  client_id = ${db.client}
    AND    code = ${code}
    AND    removed_at IS NULL`)
  return row?.target
}

/** How many links a client has. */
const howMany = async (db: ClientDb): Promise<number> =>
  (await db.one<{ count: number }>(
    sql`SELECT COUNT(*) AS count FROM tracked_link WHERE client_id = ${db.client} AND removed_at IS NULL`,
  ))!.count

/** @throws Problem 400 when there are too many, or it leads to another one */
export async function addLink(db: ClientDb, link: LinkInput, person: number, host: string) {
  refuseOwn(link.target, host)
  if ((await howMany(db)) >= MOST_LINKS)
    throw badRequest(`A client has ${MOST_LINKS} links at the most. Remove old ones first.`)
  return await withNewCode(async (code) => {
    const { insertId } = await db.run(sql`
      INSERT INTO tracked_link (client_id, code, name, target, source, medium, campaign, content, created_by)
      VALUES (${db.client}, ${code}, ${link.name}, ${link.target}, ${link.source}, ${link.medium}, ${link.campaign},
              ${link.content}, ${person})`)
    return { id: insertId, code }
  })
}

/** Mends a link: its code stays, also where it leads elsewhere now. */
export async function changeLink(db: ClientDb, id: number, link: LinkInput, host: string): Promise<void> {
  refuseOwn(link.target, host)
  await changed(
    db,
    sql`
    UPDATE tracked_link
    SET    name = ${link.name}, target = ${link.target}, source = ${link.source}, medium = ${link.medium},
           campaign = ${link.campaign}, content = ${link.content}, changed_at = NOW()
    WHERE  client_id = ${db.client}
    AND    link_id = ${id}
    AND    removed_at IS NULL`,
  )
}

/** Ends a link, so that it leads nowhere, or lets it go on. */
export const endLink = (db: ClientDb, id: number, isEnded: boolean): Promise<void> =>
  changed(
    db,
    sql`
    UPDATE tracked_link
    SET    ended_at = IF(${isEnded}, COALESCE(ended_at, NOW()), NULL)
    WHERE  client_id = ${db.client}
    AND    link_id = ${id}
    AND    removed_at IS NULL`,
  )

async function changed(db: ClientDb, query: Query<true>): Promise<void> {
  // what is the same already counts as found
  if (!(await db.run(query)).info.startsWith('Rows matched: 1')) throw notFound('link')
}

/** Takes a link away with what was counted of it, or brings it back. */
export async function removeLink(db: ClientDb, id: number, isRemoved: boolean): Promise<boolean> {
  const { affectedRows } = await db.run(sql`
    UPDATE tracked_link
    SET    removed_at = ${isRemoved ? new Date() : null}
    WHERE  client_id = ${db.client}
    AND    link_id = ${id}
    AND    (removed_at IS NULL) = ${isRemoved ? 1 : 0}`)
  return affectedRows === 1
}

type LinkRow = LinkInput & Pick<LinkView, 'id' | 'code' | 'createdAt' | 'changedAt' | 'endedAt'>

/** The links of a client with their clicks in a period, those first that people followed most. */
export async function linksIn(db: ClientDb, scope: ResolvedScope, rows: number): Promise<LinkList> {
  const { period, comparison } = scope
  const links = await db.rows<LinkRow>(sql`
    SELECT   l.link_id AS id, l.code, l.name, l.target, l.source, l.medium, l.campaign, l.content,
             l.created_at AS createdAt, l.changed_at AS changedAt, l.ended_at AS endedAt
    FROM     tracked_link l
    LEFT JOIN (SELECT place_id, SUM(visits) AS clicks
               FROM   link_visit
               WHERE  client_id = ${db.client}
               AND    place = 'link'
               AND    kind = 'person'
               AND    day BETWEEN ${period.from} AND ${period.to}
               GROUP BY place_id) v ON v.place_id = l.link_id
    WHERE    l.client_id = ${db.client}
    AND      l.removed_at IS NULL
    ORDER BY COALESCE(v.clicks, 0) DESC, l.link_id DESC
    LIMIT    ${rows}`)
  const ids = links.map(({ id }) => id)
  const now = await countsIn(db, 'link', ids, period)
  const then = comparison ? await countsIn(db, 'link', ids, comparison.period) : undefined
  const running = addDays(scope.lastComplete, 1)
  const today = await countsIn(db, 'link', ids, { from: running, to: running })
  const changeOf = (to: number, from: number) =>
    countChange({ count: to, days: lengthOf(period) }, { count: from, days: lengthOf(comparison!.period) })
  const all = await countsOfAll(db, 'link', period)
  const before = comparison && (await countsOfAll(db, 'link', comparison.period))
  const single = links.map((link): LinkView => {
    const clicks = now(link.id)
    const isYounger = comparison && dayAt(link.createdAt.getTime(), db.timeZone) > comparison.period.from
    return {
      ...link,
      clicks,
      today: today(link.id).people,
      ...(then && (isYounger ? { isYounger } : { change: changeOf(clicks.people, then(link.id).people) })),
    }
  })
  const shown = countsClearOnPage(single)
  return {
    links: shown,
    ofYounger: shown.reduce((sum, { isYounger, clicks }) => sum + (isYounger ? clicks.people : 0), 0),
    all: await howMany(db),
    clicks: all,
    ...(before && { change: changeOf(all.people, before.people) }),
  }
}

/** @throws Problem 404 when there is no such link */
export async function linkById(db: ClientDb, id: number): Promise<LinkRow> {
  const link = await db.one<LinkRow>(sql`
    SELECT link_id AS id, code, name, target, source, medium, campaign, content, created_at AS createdAt,
           changed_at AS changedAt, ended_at AS endedAt
    FROM   tracked_link
    WHERE  client_id = ${db.client}
    AND    link_id = ${id}
    AND    removed_at IS NULL`)
  if (!link) throw notFound('link')
  return link
}
