import { breakdownById } from '../../../core/breakdowns/breakdowns'
import type { ProfileAggregate } from '../../../core/rollup/aggregate'
import type { Change } from '../../../core/change/change'
import { metricById } from '../../../core/metrics/catalogue'
import type { FlowMetric } from '../../../core/metrics/metric'
import { clearTogether } from '../../../core/change/clearTogether'
import { compareFigures, type ComparedAggregates } from '../../../core/rollup/compareFigures'
import { flowValue } from '../../../core/rollup/daysWith'
import { comparison, type Comparison } from '../../../core/periods/comparison'
import { describePeriod } from '../../../core/periods/describePeriod'
import type { Period } from '../../../core/periods/period'
import { perViews } from '../../../core/places/perViews'
import { median } from '../../../core/statistics/median'
import {
  COUNTED_METRICS,
  LISTING_METRICS,
  PLACE_METRICS,
  type ListingFigures,
  type PlaceInsights,
  type PlaceRow,
  type PlacesView,
} from '../../../shared/read/places'
import type { ResolvedScope } from '../../figures/resolveScope'
import { rollUp } from '../../figures/rollUp'
import { sourceFor } from '../../figures/warmFacts'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { callsByHour } from './callsByHour'
import { listingPictures } from './listingPictures'
import { placeById, placeHeads } from './places'

/** A place is one of those that are compared from so many views on: a rate of a handful says nothing. */
const LEAST_VIEWS = 30
/** The middle of fewer places is none. */
const LEAST_PLACES = 3
const MOST_AREAS = 30

/** Says why a place has no figures; undefined where it has. */
function reasonsIn(scope: ResolvedScope): (listing: number | null) => string | undefined {
  const known = new Map(scope.allProfiles.map((profile) => [profile.profile_id, profile]))
  const chosen = new Set(scope.profiles)
  return (listing) => {
    if (listing === null) return 'It has no listing yet. Say which profile it is.'
    const profile = known.get(listing)
    if (!profile) return 'Its listing is switched off.'
    if (!chosen.has(profile)) return 'Its listing is none of the profiles above.'
    return profile.has_figures ? undefined : 'Nothing was fetched of its listing yet.'
  }
}

/**
 * The places of a client, or some of them, beside each other, with what their listings brought, and together.
 *
 * @param some  of which places alone
 */
export async function placesIn(db: ClientDb, scope: ResolvedScope, some?: ReadonlySet<number>): Promise<PlacesView> {
  const [heads, source] = await Promise.all([placeHeads(db), sourceFor(db, scope)])
  const all = heads.filter(({ id }) => some?.has(id) ?? true)
  const reasonOf = reasonsIn(scope)
  const shown = all.filter(({ listing }) => reasonOf(listing) === undefined)
  const listings = new Set(shown.map(({ listing }) => listing!))
  const own = { ...scope, connected: scope.connected.filter(({ profile_id: id }) => listings.has(id)) }
  const rolled = byListing(await rollUp(db, own, PLACE_METRICS, { source, withPast: false }))
  const rows = all.map((place): PlaceRow => {
    const figures = listings.has(place.listing!)
      ? comparedOf(rolled, [place.listing!], scope.period)
      : { values: {}, days: { known: 0, of: 0 }, changes: {} }
    return Object.assign(figures, place)
  })
  holdTogether(rows)
  const together = shown.filter(({ isActive }) => isActive).map(({ listing }) => listing!)
  return {
    places: rows,
    ...(together.length > 1 && {
      together: { ...comparedOf(rolled, together, scope.period), places: together.length },
    }),
    ...besides(rows.filter(({ isActive }) => isActive)),
    without: all.flatMap((place) => {
      const reason = place.isActive ? reasonOf(place.listing) : undefined
      return reason ? [{ id: place.id, name: place.name, reason }] : []
    }),
  }
}

/** A roll-up of which that of any listing is found at once. */
interface RolledListings {
  current: ReadonlyMap<number, ProfileAggregate>
  earlier?: { comparison: Comparison; aggregates: ReadonlyMap<number, ProfileAggregate> }
}

function byListing({ current, earlier }: ComparedAggregates): RolledListings {
  const found = (aggregates: readonly ProfileAggregate[]) =>
    new Map(aggregates.map((aggregate) => [aggregate.profile, aggregate]))
  return {
    current: found(current),
    ...(earlier && { earlier: { comparison: earlier.comparison, aggregates: found(earlier.aggregates) } }),
  }
}

const ofListings = (aggregates: ReadonlyMap<number, ProfileAggregate>, listings: readonly number[]) =>
  listings.map((listing) => aggregates.get(listing)).filter((aggregate) => aggregate !== undefined)

/** What one listing, or several together, brought over a period, by the same roll-up as everywhere. */
function comparedOf(
  { current, earlier }: RolledListings,
  listings: readonly number[],
  period: Period,
): ListingFigures & Pick<PlaceRow, 'changes'> {
  const own = ofListings(current, listings)
  const both: ComparedAggregates = earlier
    ? { current: own, earlier: { ...earlier, aggregates: ofListings(earlier.aggregates, listings) } }
    : { current: own }
  const values: ListingFigures['values'] = {}
  const changes: PlaceRow['changes'] = {}
  let days: ListingFigures['days'] = { known: 0, of: 0 }
  for (const metric of LISTING_METRICS) {
    const { figure, change } = compareFigures(metric, both, { period })
    if (figure.value !== undefined) values[metric] = figure.value
    if (metric === 'listing_views') days = { known: figure.coverage.present, of: figure.coverage.expected }
    if (change?.from !== undefined && change.to !== undefined)
      changes[metric] = { from: change.from, to: change.to, ...shown(change) }
  }
  for (const metric of COUNTED_METRICS) {
    const value = flowValue(metricById(metric) as FlowMetric, own, period)
    if (value !== undefined) values[metric] = value
  }
  const { listing_views: views, listing_actions: actions, searches } = values
  return {
    values,
    ...(actions !== undefined && views && { perViews: perViews(actions, views) }),
    ...(views !== undefined && searches && { viewsPerSearch: views / searches }),
    days,
    changes,
  }
}

const shown = ({ relative, isUnclear, chance }: Change): Pick<Change, 'relative' | 'isUnclear' | 'chance'> => ({
  ...(relative !== undefined && { relative }),
  ...(isUnclear && { isUnclear }),
  ...(chance !== undefined && { chance }),
})

/** Leaves of all changes on the page those that are clear together. */
function holdTogether(rows: readonly PlaceRow[]): void {
  const changes = rows.flatMap(({ changes: own }) => Object.values(own))
  clearTogether(changes.map(({ chance }) => chance)).forEach((isClear, at) => {
    if (isClear === false) changes[at]!.isUnclear = true
  })
}

/** The middle of places, and the one with the highest near end of its rate. */
function besides(rows: readonly PlaceRow[]): Pick<PlacesView, 'median' | 'best'> {
  const seen = rows.filter(({ values, perViews: rate }) => rate && values.listing_views! >= LEAST_VIEWS)
  if (seen.length < LEAST_PLACES) return {}
  const best = seen.reduce((found, row) => (row.perViews!.low > found.perViews!.low ? row : found))
  const found = seen.flatMap(({ viewsPerSearch }) => viewsPerSearch ?? [])
  return {
    median: {
      perViews: median(seen.map(({ perViews: rate }) => rate!.value))!,
      ...(found.length >= LEAST_PLACES && { viewsPerSearch: median(found)! }),
      places: seen.length,
    },
    best: { id: best.id, name: best.name, perViews: best.perViews! },
  }
}

/**
 * One place over its period, the one before and the same a year ago, beside the client's others.
 *
 * @throws Problem 404 when there is no such place
 */
export async function placeInsights(db: ClientDb, scope: ResolvedScope, id: number): Promise<PlaceInsights> {
  const place = await placeById(db, id)
  const { median: middle, best } = await placesIn(db, scope)
  const listing = place.listing?.id
  const isKnown = reasonsIn(scope)(listing ?? null) === undefined
  const { period } = scope
  const others = [
    ['before', comparison(period, 'before', scope.running)],
    ['year', comparison(period, 'same-dates-last-year', scope.running)],
  ] as const
  const profile = scope.connected.filter(({ profile_id: own }) => own === listing)
  const over = async (which: PlaceInsights['periods'][number]['id'], each: Period) => {
    const rolled = await rollUp(
      db,
      { ...scope, connected: profile, period: each, comparison: undefined },
      PLACE_METRICS,
      { withPast: false },
    )
    const { changes: _changes, ...figures } = comparedOf(byListing(rolled), [listing!], each)
    return { id: which, words: describePeriod(each), ...figures }
  }
  const periods: PlaceInsights['periods'] = []
  if (isKnown) {
    periods.push(await over('now', period))
    for (const [which, other] of others) if (other) periods.push(await over(which, (other satisfies Comparison).period))
  }
  const parts = async (breakdown: string) => (isKnown ? await partsOf(db, listing!, breakdown, period) : [])
  const areas = await parts('directions_by_area')
  const withheld = isKnown && areas.length > 0 ? await withheldOf(db, listing!, period) : undefined
  const pictures = isKnown && profile[0] ? await listingPictures(db, profile[0], period) : undefined
  const calls = isKnown ? await callsByHour(db, listing!, period) : undefined
  return {
    place,
    periods,
    ...(middle && { median: middle }),
    ...(best && { best }),
    ...(calls && { calls }),
    areas: areas.map(({ name, count }) => ({ name, requests: count })),
    ...(withheld && { withheld }),
    searches: await parts('searches_by_kind'),
    surfaces: await parts('listing_views_by_surface'),
    ...(pictures && { pictures }),
  }
}

/**
 * How many direction requests a network does not place, on the days of which it places any: of other days nobody knows
 * whether their areas were withheld or never fetched.
 */
async function withheldOf(db: ClientDb, listing: number, { from, to }: Period): Promise<PlaceInsights['withheld']> {
  const { code } = breakdownById('directions_by_area')
  const row = await db.one<{ requests: number | null; placed: number | null; days: number }>(sql`
    SELECT CAST(SUM(d.directions) AS DOUBLE) AS requests, CAST(SUM(b.placed) AS DOUBLE) AS placed, COUNT(*) AS days
    FROM   profile_day d
    JOIN   (SELECT   day, SUM(value) AS placed
            FROM     profile_day_breakdown
            WHERE    client_id = ${db.client}
            AND      profile_id = ${listing}
            AND      breakdown = ${code}
            AND      day BETWEEN ${from} AND ${to}
            GROUP BY day) b ON b.day = d.day
    WHERE  d.client_id = ${db.client}
    AND    d.profile_id = ${listing}
    AND    d.directions IS NOT NULL`)
  const of = row!.requests ?? 0
  return { requests: Math.max(0, of - (row!.placed ?? 0)), of, days: row!.days }
}

/** A breakdown of a listing over some days, the most first. */
async function partsOf(db: ClientDb, listing: number, id: string, { from, to }: Period) {
  const { code, parts } = breakdownById(id)
  const rows = await db.rows<{ part: string; count: number }>(sql`
    SELECT   n.part, CAST(SUM(b.value) AS DOUBLE) AS count
    FROM     profile_day_breakdown b
    JOIN     breakdown_part n ON n.client_id = b.client_id AND n.part_id = b.part_id
    WHERE    b.client_id = ${db.client}
    AND      b.profile_id = ${listing}
    AND      b.breakdown = ${code}
    AND      b.day BETWEEN ${from} AND ${to}
    GROUP BY n.part
    ORDER BY count DESC, n.part
    LIMIT    ${MOST_AREAS}`)
  return rows.map(({ part, count }) => ({ name: parts?.find((each) => each.id === part)?.name ?? part, count }))
}
