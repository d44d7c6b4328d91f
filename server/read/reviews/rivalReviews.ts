import { REVIEWS } from '../../../core/datasets/datasets'
import type { Day } from '../../../core/days/day'
import type { Period } from '../../../core/periods/period'
import { answering } from '../../../core/reviews/answering'
import { ratingSummary } from '../../../core/reviews/ratings'
import type { ReviewsView, RivalReviews } from '../../../shared/read/reviews'
import { profilesOf } from '../../figures/questions/profileRows'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { reviewRows, type ReviewRow } from './reviewRows'
import { askedOf, MOST_READ, starsOf, summed, type StarRow } from './reviewSums'

/**
 * What the reviews of the rivals' listings come to over a period, by the rival's name: how many there are, what they
 * give, and how they are answered. Anybody can read them where they were written.
 *
 * @param hours  within how many hours an answer is wanted
 */
export async function rivalReviews(
  db: ClientDb,
  period: Period,
  hours: number,
): Promise<Required<Pick<ReviewsView, 'rivals' | 'isRivalsCut'>>> {
  const listings = (await profilesOf(db)).filter(
    ({ is_rival: rival, is_active: active, network }) => rival && active && REVIEWS.stream!.networks.includes(network),
  )
  if (listings.length === 0) return { rivals: [], isRivalsCut: false }
  const ids = listings.map(({ profile_id: id }) => id)
  const [rows, ever] = await Promise.all([reviewRows(db, ids, period, MOST_READ), starsEver(db, ids, period.to)])
  const byListing = new Map<number, ReviewRow[]>(ids.map((id) => [id, []]))
  for (const row of rows) byListing.get(row.profile)!.push(row)
  const rivals = listings
    .map(({ profile_id: profile, name, rival }): RivalReviews => {
      const own = byListing.get(profile)!
      const known = ever.filter((row) => row.profile === profile)
      const first = known.map(({ first: day }) => day).sort()[0]
      return {
        profile,
        name,
        rival: rival ?? name,
        stars: starsOf(own),
        rating: ratingSummary(starsOf(own)),
        ever: ratingSummary(summed(known)),
        answering: answering(own.map(askedOf), hours, now()),
        ...(first !== undefined && first > period.from && { since: first }),
      }
    })
    .sort((a, b) => a.rival.localeCompare(b.rival) || a.name.localeCompare(b.name))
  return { rivals, isRivalsCut: rows.length === MOST_READ }
}

/** How many reviews gave so many stars of each listing until a day, and on which day the first was written. */
const starsEver = (db: ClientDb, profiles: readonly number[], to: Day) =>
  db.rows<StarRow & { profile: number; first: Day }>(sql`
    SELECT   profile_id AS profile, stars, COUNT(*) AS reviews, MIN(day) AS first
    FROM     review
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${[...profiles]})
    AND      day <= ${to}
    GROUP BY profile_id, stars`)
