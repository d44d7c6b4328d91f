import type { LinkPageInput, LinkPageView } from '../../../shared/read/links'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest, notFound } from '../../platform/problems/problem'
import { withNewCode } from './links'
import { countsIn } from './visits'

const MOST_PAGES = 50

type PageRow = Omit<LinkPageInput, 'items'> & Pick<LinkPageView, 'id' | 'code' | 'createdAt'> & { items: string }

const read = ({ items, ...page }: PageRow) => ({ ...page, items: JSON.parse(items) as LinkPageInput['items'] })

/** The public pages of a client with what is counted of them in a period. */
export async function linkPagesIn(db: ClientDb, { period }: ResolvedScope): Promise<LinkPageView[]> {
  const pages = await db.rows<PageRow>(sql`
    SELECT   page_id AS id, code, title, intro, ground, ink, accent, items, created_at AS createdAt
    FROM     link_page
    WHERE    client_id = ${db.client}
    AND      removed_at IS NULL
    ORDER BY page_id`)
  const views = await countsIn(
    db,
    'page',
    pages.map(({ id }) => id),
    period,
  )
  const clicks = await db.rows<{ code: string; link: number; visits: number }>(sql`
    SELECT   part AS code, place_id AS link, CAST(SUM(visits) AS DOUBLE) AS visits
    FROM     link_visit_part
    WHERE    client_id = ${db.client}
    AND      place = 'link'
    AND      facet = 'page'
    AND      part IN (${pages.map(({ code }) => code)})
    AND      day BETWEEN ${period.from} AND ${period.to}
    GROUP BY part, place_id`)
  return pages.map((page) => ({
    ...read(page),
    views: views(page.id),
    clicks: clicks.filter(({ code }) => code === page.code).map(({ link, visits }) => ({ link, visits })),
  }))
}

/** The colour of the client's agency. */
export const agencyColour = async (db: ClientDb): Promise<string> =>
  (await db.one<{ colour: string }>(sql`
    SELECT a.colour
    FROM   agency a
    JOIN   client c ON c.agency_id = a.agency_id
    WHERE  c.client_id = ${db.client}`))!.colour

/** @throws Problem 400 when it names a link that is not there */
async function checkItems(db: ClientDb, items: LinkPageInput['items']): Promise<void> {
  const wanted = [...new Set(items.flatMap(({ link }) => link ?? []))]
  const known = await db.rows<{ id: number }>(sql`
    SELECT link_id AS id
    FROM   tracked_link
    WHERE  client_id = ${db.client}
    AND    link_id IN (${wanted})
    AND    removed_at IS NULL`)
  if (known.length < wanted.length)
    throw badRequest('The page names a link that is not there any more.', { fields: { items: 'Choose links again.' } })
}

/** @throws Problem 400 when there are too many, or it names a link that is not there */
export async function addLinkPage(db: ClientDb, page: LinkPageInput, person: number) {
  await checkItems(db, page.items)
  const { count } = (await db.one<{ count: number }>(
    sql`SELECT COUNT(*) AS count FROM link_page WHERE client_id = ${db.client} AND removed_at IS NULL`,
  ))!
  if (count >= MOST_PAGES) throw badRequest(`A client has ${MOST_PAGES} such pages at the most. Remove one first.`)
  return await withNewCode(async (code) => {
    const { insertId } = await db.run(sql`
      INSERT INTO link_page (client_id, code, title, intro, ground, ink, accent, items, created_by)
      VALUES (${db.client}, ${code}, ${page.title}, ${page.intro}, ${page.ground}, ${page.ink}, ${page.accent},
              ${JSON.stringify(page.items)}, ${person})`)
    return { id: insertId, code }
  })
}

/** @throws Problem 404 when there is no such page, 400 when it names a link that is not there */
export async function changeLinkPage(db: ClientDb, id: number, page: LinkPageInput): Promise<void> {
  await checkItems(db, page.items)
  const { info } = await db.run(sql`
    UPDATE link_page
    SET    title = ${page.title}, intro = ${page.intro}, ground = ${page.ground}, ink = ${page.ink},
           accent = ${page.accent}, items = ${JSON.stringify(page.items)}, changed_at = NOW()
    WHERE  client_id = ${db.client}
    AND    page_id = ${id}
    AND    removed_at IS NULL`)
  if (!info.startsWith('Rows matched: 1')) throw notFound('page')
}

/** Takes a page away from the public, or brings it back. */
export async function removeLinkPage(db: ClientDb, id: number, isRemoved: boolean): Promise<boolean> {
  const { affectedRows } = await db.run(sql`
    UPDATE link_page
    SET    removed_at = ${isRemoved ? new Date() : null}
    WHERE  client_id = ${db.client}
    AND    page_id = ${id}
    AND    (removed_at IS NULL) = ${isRemoved ? 1 : 0}`)
  return affectedRows === 1
}

/** A public page for everybody: a part without a code is a heading. */
export interface PublicPage extends Omit<LinkPageInput, 'items'> {
  code: string
  parts: { text: string; code?: string }[]
}

/** A public page as it is drawn: its headings, and those of its links that go on. */
export async function publicPage(db: ClientDb, id: number): Promise<PublicPage> {
  const page = await db.one<PageRow>(sql`
    SELECT page_id AS id, code, title, intro, ground, ink, accent, items, created_at AS createdAt
    FROM   link_page
    WHERE  client_id = ${db.client}
    AND    page_id = ${id}`)
  if (!page) throw notFound('page')
  const { items, ...head } = read(page)
  const links = await db.rows<{ id: number; code: string }>(sql`
    SELECT link_id AS id, code
    FROM   tracked_link
    WHERE  client_id = ${db.client}
    AND    link_id IN (${items.flatMap(({ link }) => link ?? [])})
    AND    removed_at IS NULL
    AND    ended_at IS NULL`)
  const codes = new Map(links.map((link) => [link.id, link.code]))
  return {
    ...head,
    parts: items
      .filter(({ link }) => link === null || codes.has(link))
      .map(({ text, link }) => (link === null ? { text } : { text, code: codes.get(link) })),
  }
}
