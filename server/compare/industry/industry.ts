import { addDays, type Day } from '../../../core/days/day'
import { lastCompleteDay } from '../../../core/days/lastCompleteDay'
import {
  closestReference,
  placeBeside,
  REFERENCE_MEASURES,
  type ReferenceMeasureId,
} from '../../../core/industry/reference'
import { networkById } from '../../../core/networks/networks'
import { lengthOf, type Period } from '../../../core/periods/period'
import { aggregateDays } from '../../../core/rollup/aggregateDays'
import { figureOf } from '../../../core/rollup/figureOf'
import { carriedLevels } from '../../../core/series/carriedLevels'
import type { IndustryRow, IndustryView, KeptReference } from '../../../shared/compare/industry'
import { inDatabase, NO_DAYS } from '../../figures/factSource'
import { ANY_OPEN, OPEN_INTERACTIONS } from '../../figures/questions/openInteractions'
import { memberOf, type ProfileRow } from '../../figures/questions/profileRows'
import type { ResolvedScope } from '../../figures/resolveScope'
import { columnsFor, neededDays } from '../../figures/rollUp'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { systemDb } from '../../platform/database/systemDb'
import { referencesOf } from './references'

/** Growth is told over so many days, and a rate by week of so many known days at least. */
const GROWTH_DAYS = 28
const WEEK_DAYS = 7
/** How long a post gathers before it is counted. */
const YOUNG_DAYS = 7
/** Rates that are metrics as they are. */
const RATES = ['engagement_by_impressions', 'click_rate', 'completion_rate'] as const

/** The client's profiles beside the figures of its industry, measure by measure; rivals are no part of it. */
export async function industryOf(db: ClientDb, scope: ResolvedScope): Promise<IndustryView> {
  const references = await referencesOf(db)
  const judgedTo = addDays(lastCompleteDay(now(), db.timeZone), -YOUNG_DAYS)
  const { period, connected } = scope
  const span = { from: addDays(period.to, -GROWTH_DAYS), to: period.to }
  const columns = columnsFor(['followers', 'posts', ...RATES])
  const days = await inDatabase(db).days(
    connected.map(({ profile_id: id }) => id),
    neededDays({ from: period.from < span.from ? period.from : span.from, to: period.to }, columns),
    columns,
  )
  const posts = await postsOf(db, connected, period, judgedTo)
  const volumes = await volumesOf(connected, period)
  const rows = connected.flatMap((profile): IndustryRow[] => {
    const own = days.get(profile.profile_id) ?? NO_DAYS
    const levels = carriedLevels(own, span, 'followers')
    const [before, followers] = [levels[0]!, levels.at(-1)!]
    const isKnown = followers >= 0
    const aggregate = aggregateDays(memberOf(profile), own, period, columns)
    const figure = (metric: string) => figureOf(metric, [aggregate], { period })
    const made = posts.get(profile.profile_id)
    const each = made && made.posts > 0 ? made.interactions / made.posts : undefined
    const published = figure('posts')
    const { present } = published.coverage
    const values: Partial<Record<ReferenceMeasureId, number | undefined>> = {
      post_rate: each !== undefined && followers > 0 ? each / followers : undefined,
      post_interactions: each,
      week_posts:
        published.value !== undefined && present >= WEEK_DAYS ? (WEEK_DAYS * published.value) / present : undefined,
      growth: before > 0 && isKnown ? followers / before - 1 : undefined,
      ...Object.fromEntries(RATES.map((rate) => [rate, figure(rate).value])),
    }
    const placed = { network: profile.network, ...(isKnown && { followers }) }
    return REFERENCE_MEASURES.flatMap(({ id: measure }): IndustryRow[] => {
      const value = values[measure]
      const known = references.filter((one) => one.measure === measure)
      const volume = measure === 'post_interactions' ? volumes.get(profile.network) : undefined
      const chosen = [closestReference(known, placed), volume].filter((one) => one !== undefined)
      return value === undefined
        ? []
        : chosen.map((reference) => ({
            measure,
            profile: profile.profile_id,
            name: profile.name,
            networkName: profile.networkName,
            ...(isKnown && { followers }),
            value,
            reference,
            place: placeBeside(value, reference),
            ...(reference.middle > 0 && { index: (100 * value) / reference.middle }),
          }))
    })
  })
  // measure by measure, the largest profiles first
  const place = ({ measure }: IndustryRow) => REFERENCE_MEASURES.findIndex(({ id }) => id === measure)
  rows.sort((a, b) => place(a) - place(b) || (b.followers ?? -1) - (a.followers ?? -1))
  return { rows, references, judgedTo }
}

/** What each profile has published within a period and what everybody can see of what it has brought. */
async function postsOf(
  db: ClientDb,
  profiles: readonly ProfileRow[],
  { from, to }: Period,
  judgedTo: Day,
): Promise<ReadonlyMap<number, { posts: number; interactions: number }>> {
  if (profiles.length === 0) return new Map()
  const rows = await db.rows<{ profile: number; posts: number; interactions: number }>(sql`
    SELECT   p.profile_id AS profile, COUNT(*) AS posts,
             SUM(${OPEN_INTERACTIONS}) AS interactions
    FROM     post p
    WHERE    p.client_id = ${db.client}
    AND      p.profile_id IN (${profiles.map(({ profile_id: id }) => id)})
    AND      p.day BETWEEN ${from} AND ${to < judgedTo ? to : judgedTo}
    AND      ${ANY_OPEN} IS NOT NULL
    GROUP BY p.profile_id`)
  return new Map(
    rows.map(({ profile, posts, interactions }) => [
      profile,
      { posts: Number(posts), interactions: Number(interactions) },
    ]),
  )
}

/** What a post brings on a whole network, where it tells its volume of every day: the subject’s own volume as a reference. */
async function volumesOf(
  profiles: readonly ProfileRow[],
  period: Period,
): Promise<ReadonlyMap<string, Omit<KeptReference, 'id'>>> {
  const networks = [...new Set(profiles.map(({ network }) => network))]
  if (networks.length === 0) return new Map()
  const rows = await systemDb.rows<{ network: string; days: number; posts: number; interactions: number }>(sql`
    SELECT   network, COUNT(*) AS days, COALESCE(SUM(posts), 0) AS posts, COALESCE(SUM(interactions), 0) AS interactions
    FROM     network_day
    WHERE    network IN (${networks})
    AND      day BETWEEN ${period.from} AND ${period.to}
    GROUP BY network`)
  return new Map(
    rows.flatMap(({ network, days, posts, interactions }) =>
      Number(days) === lengthOf(period) && Number(posts) > 0
        ? [
            [
              network,
              {
                measure: 'post_interactions' as const,
                network,
                middle: Number(interactions) / Number(posts),
                source: `All of ${networkById(network).name} in these days, as it says itself (a mean)`,
                day: period.to,
                isInvented: false,
              },
            ] as const,
          ]
        : [],
    ),
  )
}
