import { LISTING_PICTURES, THE_OWNER } from '../../../core/datasets/datasets'
import { addDays } from '../../../core/days/day'
import type { Period } from '../../../core/periods/period'
import { hourClock } from '../../../core/times/slots'
import type { ListingPictures } from '../../../shared/read/places'
import type { ProfileRow } from '../../figures/questions/profileRows'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** How many are shown, the newest. */
const MOST_SHOWN = 24

interface PictureRow {
  id: string
  addedAt: Date
  author: string
  text: string
  removedAt: Date | null
  views: number | null
  isKept: number
}

/**
 * The pictures that a listing showed on some days: those at their end, and those that were removed in them, the newest
 * first; how many came and went in them, and by whom.
 *
 * @returns undefined where its network tells of no pictures
 */
export async function listingPictures(
  db: ClientDb,
  { network, profile_id: profile }: ProfileRow,
  { from, to }: Period,
): Promise<ListingPictures | undefined> {
  if (!LISTING_PICTURES.stream!.networks.includes(network)) return undefined
  const clock = hourClock(db.timeZone)
  const begins = new Date(clock(from, 0) ?? Date.parse(from))
  const ends = new Date(clock(addDays(to, 1), 0) ?? Date.parse(addDays(to, 1)))
  const rows = await db.rows<PictureRow>(sql`
    SELECT    p.remote_id AS id, p.added_at AS addedAt, p.author, p.text, p.removed_at AS removedAt, p.views,
              k.remote_id IS NOT NULL AS isKept
    FROM      listing_picture p
    LEFT JOIN listing_picture_file k
              ON k.client_id = p.client_id AND k.profile_id = p.profile_id AND k.remote_id = p.remote_id
    WHERE     p.client_id = ${db.client}
    AND       p.profile_id = ${profile}
    AND       p.added_at < ${ends}
    AND       (p.removed_at IS NULL OR p.removed_at >= ${begins})
    ORDER BY  p.added_at DESC, p.remote_id DESC`)
  const isGone = ({ removedAt }: PictureRow) => removedAt !== null && removedAt < ends
  const came = rows.filter(({ addedAt }) => addedAt >= begins)
  return {
    profile,
    shown: rows.filter((row) => !isGone(row)).length,
    came: came.length,
    cameByOwner: came.filter(({ author }) => author === THE_OWNER).length,
    went: rows.filter(isGone).length,
    pictures: rows.slice(0, MOST_SHOWN).map((row) => ({
      id: row.id,
      addedAt: row.addedAt,
      isOwner: row.author === THE_OWNER,
      by: row.author,
      text: row.text,
      hasFile: row.isKept === 1,
      ...(isGone(row) && { removedAt: row.removedAt! }),
      ...(row.views !== null && { views: row.views }),
    })),
    more: Math.max(0, rows.length - MOST_SHOWN),
  }
}

/** The file of a picture of a listing as it was kept; undefined where there is none, or none for whoever asks. */
export const listingPictureFile = async (db: ClientDb, profile: number, id: string) =>
  db.only?.listings.has(profile) === false
    ? undefined
    : db.one<{ type: string; bytes: Buffer }>(sql`
    SELECT type, bytes
    FROM   listing_picture_file
    WHERE  client_id = ${db.client}
    AND    profile_id = ${profile}
    AND    remote_id = ${id}`)
