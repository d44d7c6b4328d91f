import { answering } from '../../../core/reviews/answering'
import { ratingSummary, shrunkMean } from '../../../core/reviews/ratings'
import { MOODS, SUBJECTS } from '../../../core/reviews/reviewAbout'
import { quotesIn } from '../../../core/reviews/quotesIn'
import { monthsEnding } from '../../../core/reviews/monthsEnding'
import { REVIEWS } from '../../../core/datasets/datasets'
import { lengthOf, type Period } from '../../../core/periods/period'
import type { ReviewFigures, ReviewsView } from '../../../shared/read/reviews'
import type { ResolvedScope } from '../../figures/resolveScope'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { aboutOf, reviewRows, type ReviewRow } from './reviewRows'
import { askedOf, MOST_READ, starsOf, summed, type StarRow } from './reviewSums'
import { rivalReviews } from './rivalReviews'
import { wantedHours } from './wantedHours'

const MONTHS = 12
const DAYS_A_WEEK = 7

/** The listings of a scope: profiles on networks that give reviews, or of which a file has brought some. */
export async function listingsIn(db: ClientDb, scope: ResolvedScope): Promise<{ id: number; name: string }[]> {
  const brought = await db.rows<{ id: number }>(
    sql`SELECT DISTINCT profile_id AS id FROM review WHERE client_id = ${db.client}`,
  )
  const known = new Set(brought.map(({ id }) => id))
  return scope.profiles
    .filter(({ network, profile_id: id }) => REVIEWS.stream!.networks.includes(network) || known.has(id))
    .map(({ profile_id: id, name }) => ({ id, name }))
}

/** Which place a listing stands for. */
export async function placesByListing(db: ClientDb): Promise<ReadonlyMap<number, { id: number; name: string }>> {
  const rows = await db.rows<{ listing: number; id: number; name: string }>(sql`
    SELECT profile_id AS listing, place_id AS id, name
    FROM   place
    WHERE  client_id = ${db.client}
    AND    profile_id IS NOT NULL
    AND    removed_at IS NULL`)
  return new Map(rows.map(({ listing, id, name }) => [listing, { id, name }]))
}

/**
 * What the reviews of a scope come to: by place, by subject, by month, and how well they are answered; beside them
 * those of rivals' listings over the same days.
 *
 * @param mayRivals  whether whoever asks may read of rivals
 */
export async function reviewsOf(db: ClientDb, scope: ResolvedScope, mayRivals: boolean): Promise<ReviewsView> {
  const { period, comparison, words } = scope
  const listings = await listingsIn(db, scope)
  const ids = listings.map(({ id }) => id)
  const hours = await wantedHours(db)
  const rows = await reviewRows(db, ids, period, MOST_READ)
  const ever = await starsIn(db, ids, { from: '1970-01-01', to: period.to })
  const common = ratingSummary(summed(ever)).mean
  const places = await placesByListing(db)
  const figures = (own: readonly ReviewRow[]): ReviewFigures => {
    const rating = ratingSummary(starsOf(own))
    return {
      stars: starsOf(own),
      rating,
      ...(rating.mean !== undefined &&
        common !== undefined && { shrunk: shrunkMean({ mean: rating.mean, count: rating.count }, common) }),
      answering: answering(own.map(askedOf), hours, now()),
    }
  }
  const byListing = new Map<number, ReviewRow[]>(ids.map((id) => [id, []]))
  for (const row of rows) byListing.get(row.profile)?.push(row)
  const before = comparison && (await starsIn(db, ids, comparison.period))
  return {
    wantedHours: hours,
    all: figures(rows),
    ...(comparison && {
      before: {
        words: words.against,
        rating: ratingSummary(summed(before!)),
        perWeek: perWeek(
          before!.reduce((sum, { reviews }) => sum + reviews, 0),
          comparison.period,
        ),
      },
    }),
    ever: ratingSummary(summed(ever)),
    perWeek: perWeek(rows.length, period),
    places: listings.map(({ id, name }) => ({
      profile: id,
      name: places.get(id)?.name ?? name,
      ...(places.has(id) && { place: places.get(id)!.id }),
      ...figures(byListing.get(id) ?? []),
    })),
    ...readings(rows, new Map(listings.map(({ id, name }) => [id, places.get(id)?.name ?? name]))),
    months: await monthly(db, ids, period),
    isCut: rows.length === MOST_READ,
    ...(mayRivals && (await rivalReviews(db, period, hours))),
  }
}

const perWeek = (reviews: number, period: Period): number => (reviews * DAYS_A_WEEK) / lengthOf(period)

const starsIn = (db: ClientDb, profiles: readonly number[], { from, to }: Period) =>
  db.rows<StarRow>(sql`
    SELECT   stars, COUNT(*) AS reviews
    FROM     review
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${[...profiles]})
    AND      day BETWEEN ${from} AND ${to}
    GROUP BY stars`)

/** What reviews are about and how they sound, and what of them can be quoted. */
function readings(
  rows: readonly ReviewRow[],
  names: ReadonlyMap<number, string>,
): Pick<ReviewsView, 'subjects' | 'moods' | 'unread' | 'quotes'> {
  const read = rows.map((row) => ({ row, about: aboutOf(row) }))
  const known = read.flatMap(({ row, about }) => (about ? [{ row, about }] : []))
  return {
    moods: Object.fromEntries(
      MOODS.map(({ id }) => [id, known.filter(({ about }) => about.mood === id).length]),
    ) as ReviewsView['moods'],
    unread: {
      silent: read.filter(({ row, about }) => !about && row.text === '').length,
      unknown: read.filter(({ row, about }) => !about && row.text !== '').length,
    },
    subjects: SUBJECTS.map(({ id, name }) => {
      const own = known.filter(({ about }) => about.subjects.includes(id))
      const { mean } = ratingSummary(starsOf(own.map(({ row }) => row)))
      const sounding = (mood: string) => own.filter(({ about }) => about.mood === mood).length
      return {
        id,
        name,
        reviews: own.length,
        good: sounding('good'),
        mixed: sounding('mixed'),
        bad: sounding('bad'),
        ...(mean !== undefined && { stars: mean }),
      }
    }),
    quotes: quotesIn(
      known.map(({ row, about }) => ({ ...row, mood: about.mood, listing: names.get(row.profile) ?? '' })),
    ),
  }
}

/** Reviews and their mean, month by month up to the end of a period. */
async function monthly(db: ClientDb, profiles: readonly number[], { to }: Period): Promise<ReviewsView['months']> {
  const months = monthsEnding(to, MONTHS)
  const rows = await db.rows<{ month: string; reviews: number; mean: number | null }>(sql`
    SELECT   LEFT(day, 7) AS month, COUNT(*) AS reviews, CAST(AVG(stars) AS DOUBLE) AS mean
    FROM     review
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${[...profiles]})
    AND      day BETWEEN ${`${months[0]}-01`} AND ${to}
    GROUP BY month`)
  return months.map((month) => {
    const found = rows.find((row) => row.month === month)
    return { month, reviews: found?.reviews ?? 0, ...(found?.mean != null && { mean: found.mean }) }
  })
}
