import type { SiteInput } from '../../../shared/read/traffic'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest, notFound } from '../../platform/problems/problem'
import { siteNames } from '../../figures/questions/siteNames'

const MOST_SITES = 50

/** @throws Problem 400 when there are too many */
export async function addSite(db: ClientDb, { name, address }: SiteInput): Promise<number> {
  if ((await siteNames(db)).length >= MOST_SITES) throw badRequest(`A client has ${MOST_SITES} sites at the most.`)
  const { insertId } = await db.run(
    sql`INSERT INTO site (client_id, name, address) VALUES (${db.client}, ${name}, ${address})`,
  )
  return insertId
}

/** @throws Problem 404 when there is no such site */
export async function changeSite(db: ClientDb, id: number, { name, address }: SiteInput): Promise<void> {
  const { affectedRows } = await db.run(sql`
    UPDATE site
    SET    name = ${name}, address = ${address}
    WHERE  client_id = ${db.client}
    AND    site_id = ${id}
    AND    removed_at IS NULL`)
  if (affectedRows === 0) throw notFound('site')
}

/** Takes a site away with its traffic, or brings it back. */
export async function removeSite(db: ClientDb, id: number, isRemoved: boolean): Promise<boolean> {
  const { affectedRows } = await db.run(sql`
    UPDATE site
    SET    removed_at = ${isRemoved ? new Date() : null}
    WHERE  client_id = ${db.client}
    AND    site_id = ${id}
    AND    (removed_at IS NULL) = ${isRemoved ? 1 : 0}`)
  return affectedRows === 1
}
