import { addDays, type Day } from '../../../core/days/day'
import { GROWTH_WEEKS, growthOver, weeklyGrowth, weeklyGrowths } from '../../../core/field/growth'
import { overtaking } from '../../../core/field/overtaking'
import { growthTurns, standingOut } from '../../../core/field/standingOut'
import { separation } from '../../../core/field/separation'
import { standings, typicalBand } from '../../../core/field/standings'
import type { ProfileAggregate } from '../../../core/rollup/aggregate'
import { clearOnPage } from '../../../core/change/change'
import { compareFigures, type ComparedAggregates, type ComparedFigure } from '../../../core/rollup/compareFigures'
import { publicPart } from '../../../core/rollup/publicPart'
import { carriedLevels } from '../../../core/series/carriedLevels'
import {
  FIELD_MEASURES,
  type Field,
  type FieldMember,
  type FieldMetric,
  type FieldQuery,
  type FieldRow,
  type FieldTable,
} from '../../../shared/compare/field'
import { NO_DAYS, inDatabase } from '../../figures/factSource'
import type { ResolvedScope } from '../../figures/resolveScope'
import { neededDays, rollUp } from '../../figures/rollUp'
import type { ClientDb } from '../../platform/database/clientDb'
import { fieldFormats } from './fieldFormats'
import { bestPosts, lastPosts } from './fieldPosts'
import { groupsOf, stillThere, type Group } from './groups'

/** Growth is told for so many weeks ahead. */
const AHEAD_WEEKS = 4
/** A change of pace is looked for in so many weeks. */
const TURN_WEEKS = 52

/**
 * A client and its rivals as one group: following, output and response with their changes and standings, who grows how
 * fast, what parts each rival from the client, and the best posts of all. Only what everybody can see is used, of the
 * client too.
 */
export async function fieldOf(db: ClientDb, scope: ResolvedScope, query: FieldQuery): Promise<Field> {
  const { groups: all, hidden, networks } = await groupsOf(db, scope, query)
  // growth and the last post are of all that there was, everything else of what there is in the period
  const groups = all.map((group) => stillThere(group, scope.period))
  // none of these needs another: the database reads for one while another is worked out
  const [tables, year, last, posts, formats] = await Promise.all([
    tablesOf(db, scope, groups),
    growthsOf(db, scope, all),
    lastPosts(db, profilesIn(all), scope.period),
    bestPosts(db, groups, scope.period),
    fieldFormats(db, groups, scope.period),
  ])
  const growths = year.map((weeks) => weeks.slice(-GROWTH_WEEKS))
  const paces = pacesOf(tables, year, growths, scope.period.to)
  const members = membersOf(groups, tables, growths).map((member, index) => {
    const days = all[index]!.profiles.flatMap(({ profile_id: id }) => last.get(id) ?? []).sort()
    return { ...member, ...paces[index], ...formats[index], ...(days.length > 0 && { lastPost: days.at(-1)! }) }
  })
  return {
    members: [...members].sort((a, b) => (b.followers ?? -1) - (a.followers ?? -1) || a.name.localeCompare(b.name)),
    hidden,
    networks,
    tables,
    posts,
    lastDay: scope.period.to,
  }
}

const profilesIn = (groups: readonly Group[]): number[] =>
  groups.flatMap(({ profiles }) => profiles.map(({ profile_id: id }) => id))

/** Every measure of every member, with its change and where it stands. */
async function tablesOf(db: ClientDb, scope: ResolvedScope, groups: readonly Group[]): Promise<FieldTable[]> {
  const metrics = FIELD_MEASURES.map(({ metric }) => metric)
  const all = { ...scope, connected: groups.flatMap(({ profiles }) => profiles) }
  const parts = publicParts(await rollUp(db, all, metrics, { withPast: false }), groups)
  const compared = clearOnPage(
    metrics.flatMap((metric) => parts.map((own) => compareFigures(metric, own, { period: scope.period }))),
  )
  return metrics.map((metric, at) => {
    const rows = groups.map((group, index) => rowOf(metric, group, compared[at * groups.length + index]!))
    const now = standings(rows.map(({ value }) => value))
    const then = standings(rows.map(({ before }) => before))
    const band = typicalBand(rows.map(({ value }) => value))
    return {
      metric,
      rows: rows.map((row, index) => ({
        ...row,
        ...(now[index] && { standing: now[index] }),
        ...(then[index] && { rankBefore: then[index].rank }),
      })),
      ...(band && { band }),
    }
  })
}

/** What everybody can see of each member: made once, so that what is found of it for one measure serves the others. */
function publicParts({ current, earlier }: ComparedAggregates, groups: readonly Group[]): ComparedAggregates[] {
  const byProfile = (aggregates: readonly ProfileAggregate[]) =>
    new Map(aggregates.map((aggregate) => [aggregate.profile, publicPart(aggregate)]))
  const [now, then] = [byProfile(current), byProfile(earlier?.aggregates ?? [])]
  return groups.map(({ profiles }) => {
    const of = (parts: ReadonlyMap<number, ProfileAggregate>) =>
      profiles.flatMap(({ profile_id: id }) => parts.get(id) ?? [])
    return {
      current: of(now),
      ...(earlier && { earlier: { comparison: earlier.comparison, aggregates: of(then) } }),
    }
  })
}

function rowOf(metric: FieldMetric, group: Group, { figure, earlier, change }: ComparedFigure): FieldRow {
  const { value } = figure
  const { present, expected } = figure.coverage
  return {
    member: group.id,
    ...(value !== undefined && { value }),
    ...(earlier?.value !== undefined && { before: earlier.value }),
    ...(change?.to !== undefined && { to: change.to }),
    ...(change?.from !== undefined && { from: change.from }),
    ...(change?.difference !== undefined && { difference: change.difference }),
    ...(change?.relative !== undefined && metric !== 'engagement_by_followers' && { rate: change.relative }),
    ...(change?.isUnclear && { isUnclear: true }),
    ...(present < expected && { days: { known: present, of: expected } }),
    ...(value === undefined && { reason: figure.reason ?? change?.reason ?? 'Nothing is known of it.' }),
  }
}

/** The growth of each member's following, week by week up to the end of the period. */
async function growthsOf(
  db: ClientDb,
  { period }: ResolvedScope,
  groups: readonly Group[],
): Promise<(number | undefined)[][]> {
  const span = { from: addDays(period.to, -7 * TURN_WEEKS), to: period.to }
  const days = await inDatabase(db).days(profilesIn(groups), neededDays(span, ['followers']), ['followers'])
  return groups.map(({ profiles }) =>
    weeklyGrowths(
      profiles.map(({ profile_id: id }) => carriedLevels(days.get(id) ?? NO_DAYS, span, 'followers')),
      TURN_WEEKS,
    ),
  )
}

/** How each member grows beside others, and since when it grows otherwise. */
function pacesOf(
  tables: readonly FieldTable[],
  year: readonly (readonly (number | undefined)[])[],
  growths: readonly (readonly (number | undefined)[])[],
  to: Day,
): Pick<FieldMember, 'standsOut' | 'turn'>[] {
  const ahead = (pace: number) => Math.expm1(AHEAD_WEEKS * pace)
  const sizes = tables.find(({ metric }) => metric === 'followers')!.rows
  const beside = standingOut(
    growths.map((weeks, index) => {
      const followers = sizes[index]!.value
      return { growths: weeks, ...(followers !== undefined && { followers }) }
    }),
  )
  const turns = growthTurns(year)
  return year.map((weeks, index) => {
    const [out, turn] = [beside[index], turns[index]]
    return {
      ...(out && { standsOut: { ...out, middle: ahead(out.middle) } }),
      ...(turn && {
        turn: {
          from: addDays(to, 1 - 7 * (weeks.length - turn.week)),
          before: ahead(turn.before),
          after: ahead(turn.after),
        },
      }),
    }
  })
}

function membersOf(
  groups: readonly Group[],
  tables: readonly FieldTable[],
  growths: readonly (number | undefined)[][],
): FieldMember[] {
  const valueOf = (metric: FieldMetric, index: number, side: 'before' | 'value' = 'value') =>
    tables.find((table) => table.metric === metric)!.rows[index]![side]
  const sumOf = (side: 'before' | 'value') =>
    groups.reduce((sum, _, index) => sum + (valueOf('interactions', index, side) ?? 0), 0)
  const [all, allBefore] = [sumOf('value'), sumOf('before')]
  const outputOf = (index: number) => ({
    posts: valueOf('posts', index) ?? 0,
    interactions: valueOf('interactions', index) ?? 0,
  })
  const ownIndex = groups.findIndex(({ isOwn }) => isOwn)
  return groups.map(({ id, name, isOwn, profiles }, index): FieldMember => {
    const followers = valueOf('followers', index)
    const pace = weeklyGrowth(growths[index]!)
    const [now, then] = [valueOf('interactions', index), valueOf('interactions', index, 'before')]
    const gone = profiles.flatMap(({ handle, networkName, gone_on: on }) =>
      on === null ? [] : [{ handle, networkName, on }],
    )
    const parted = isOwn || ownIndex < 0 ? undefined : separation(outputOf(ownIndex), outputOf(index))
    const ours = ownIndex < 0 ? undefined : valueOf('followers', ownIndex)
    return {
      id,
      name,
      isOwn,
      networks: [...new Set(profiles.map(({ networkName }) => networkName))],
      profiles: profiles.length,
      ...(followers !== undefined && { followers }),
      ...(gone.length > 0 && { gone }),
      ...(pace && { growth: { ...growthOver(pace, AHEAD_WEEKS), weeks: pace.weeks } }),
      ...(now !== undefined &&
        all > 0 && {
          voice: { now: now / all, ...(then !== undefined && allBefore > 0 && { then: then / allBefore }) },
        }),
      ...(parted && { separation: parted }),
      ...(!isOwn && followers && ours && meetingOf(followers, ours, growths[index]!, growths[ownIndex]!)),
    }
  })
}

/** When the smaller of a rival and the client stands level with the larger. */
function meetingOf(
  theirs: number,
  ours: number,
  growth: readonly (number | undefined)[],
  own: readonly (number | undefined)[],
): Pick<FieldMember, 'meeting'> {
  const isOvertaken = theirs <= ours
  const ratio = isOvertaken ? ours / theirs : theirs / ours
  const said = isOvertaken ? overtaking(growth, own, ratio) : overtaking(own, growth, ratio)
  return said ? { meeting: { ...said, isOvertaken, ratio } } : {}
}
