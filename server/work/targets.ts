import { addDays, type Day } from '../../core/days/day'
import { lastCompleteDay } from '../../core/days/lastCompleteDay'
import type { Figure } from '../../core/figures/figure'
import { columnsOf, metricById } from '../../core/metrics/catalogue'
import { FLOW_COLUMNS, type Metric, type RatioMetric } from '../../core/metrics/metric'
import { reportsMetric } from '../../core/metrics/reportsMetric'
import { networkById } from '../../core/networks/networks'
import type { Period } from '../../core/periods/period'
import { figureOf } from '../../core/rollup/figureOf'
import { dailyPoints, type DayPoint, type DayTotals } from '../../core/series/dailyPoints'
import { FIT_DAYS, forecastSum, type DayValue, type Forecast } from '../../core/targets/forecast'
import { holdOut, type HoldOut } from '../../core/targets/holdOut'
import { daysAhead, targetProgress, type TargetInput as Known, type TargetProgress } from '../../core/targets/target'
import { DEFAULT_PERIOD, parseWho, type TargetInput } from '../../shared/scope'
import { now } from '../clock'
import type { ClientDb } from '../db/clientDb'
import { aggregates } from '../db/questions/aggregates'
import { dayTotals } from '../db/questions/dayTotals'
import { memberOf, type ProfileRow } from '../db/questions/profiles'
import { sql } from '../db/sql'
import { badRequest } from '../problems/problem'
import { narrowed } from './narrowed'
import { resolveScope, type ResolvedScope } from './resolveScope'
import { columnsFor, contextOf } from './rollUp'

/** A target as it is kept. */
export interface TargetRow {
  id: number
  metric: string
  who: string
  wanted: number
  from: Day
  by: Day
}

/** A target with its progress, the pace needed and where it is heading. */
export interface TargetView extends TargetRow {
  whoWords: string
  isCeiling: boolean
  /** The figure so far: the sum or the rate since the first day, or the newest level. */
  figure: Figure
  start?: number
  progress: TargetProgress
  heading?: Forecast
  /** How earlier forecasts of the same length came out on this metric's own past. */
  checked?: HoldOut
  /** Why there is no forecast. */
  reason?: string
}

/** How many days of the past are read: for the fit, for the hold-out's twelve weeks, and for as long as the forecast is. */
const pastDays = (ahead: number): number => Math.min(730, 2 * FIT_DAYS + ahead)

/** The targets of a client as they are kept, those that end first before the others. */
export const targetRows = (db: ClientDb): Promise<TargetRow[]> => db.rows<TargetRow>(sql`
  SELECT   target_id AS id, metric, who, wanted, from_day AS \`from\`, by_day AS \`by\`
  FROM     target
  WHERE    client_id = ${db.client}
  AND      removed_at IS NULL
  ORDER BY by_day, target_id`)

/** Every target of a client, worked out. */
export async function targetsOf(db: ClientDb): Promise<TargetView[]> {
  const views: TargetView[] = []
  for (const row of await targetRows(db)) views.push(await targetView(db, row))
  return views
}

/** A target, worked out from the figures as they are now. */
export async function targetView(db: ClientDb, row: TargetRow): Promise<TargetView> {
  const metric = metricById(row.metric)
  const last = lastCompleteDay(now(), db.timeZone)
  const scope = narrowed(await resolveScope(db, { who: [], sets: [], period: DEFAULT_PERIOD, against: 'none' }), row.who)
  const isCeiling = metric.polarity < 0
  const sofar: Period = { from: row.from, to: last < row.by ? last : row.by }
  const isBegun = sofar.to >= sofar.from
  const figure = await figureIn(db, scope, metric, isBegun ? sofar : { from: row.from, to: row.from })
  const start = metric.kind === 'stock' ? (await figureIn(db, scope, metric, { from: row.from, to: row.from })).value : undefined
  const ahead = daysAhead(last > addDays(row.from, -1) ? last : addDays(row.from, -1), row.by)
  const looked = metric.kind === 'unique' || !isForecastable(metric) ? undefined : await lookAhead(db, scope, metric, row, { figure, last, ahead })
  const known: Known = {
    kind: metric.kind === 'unique' ? 'flow' : metric.kind, wanted: row.wanted, isCeiling, from: row.from, by: row.by, last,
    ...(isBegun && { now: figure.value ?? figure.low }), start, heading: looked?.heading, neededRate: looked?.neededRate,
  }
  return {
    ...row, whoWords: scope.words.who, isCeiling, figure, ...(start !== undefined && { start }), progress: targetProgress(known),
    ...(looked?.heading && { heading: looked.heading }), ...(looked?.checked && { checked: looked.checked }),
    ...(!looked?.heading && ahead > 0 && { reason: reasonOf(metric) }),
  }
}

const isForecastable = (metric: Metric): boolean => metric.kind !== 'ratio' || columnsOf(metric).every((column) => (FLOW_COLUMNS as readonly string[]).includes(column))

const reasonOf = (metric: Metric): string =>
  metric.kind === 'unique' ? `${metric.name} cannot be added over days, so it cannot be carried on by the day.`
    : isForecastable(metric) ? 'A forecast needs four weeks of data.' : 'A rate is forecast only where both of its parts are counted daily.'

async function figureIn(db: ClientDb, scope: ResolvedScope, metric: Metric, period: Period): Promise<Figure> {
  const rolled = await aggregates(db, scope.connected.map(memberOf), period, columnsFor([metric.id]))
  return figureOf(metric.id, rolled, { ...contextOf(db, scope), period })
}

interface Ahead {
  figure: Figure
  last: Day
  ahead: number
}

interface Looked {
  heading?: Forecast
  neededRate?: number
  checked?: HoldOut
}

async function lookAhead(db: ClientDb, scope: ResolvedScope, metric: Metric, row: TargetRow, { figure, last, ahead }: Ahead): Promise<Looked> {
  if (ahead === 0) return {}
  const past: Period = { from: addDays(last, -pastDays(ahead)), to: last }
  if (metric.kind === 'ratio') return rateAhead(scope, metric, row, await dayTotals(db, scope.connected.map(({ profile_id: id }) => id), past, columnsFor([metric.id])), past, { next: addDays(last, 1), ahead, last })
  const withTrend = metric.kind !== 'stock'
  const series = await seriesOf(db, scope, metric.id, past)
  const forecasts = series.map((values) => forecastSum(withTrend ? values : differences(values), addDays(last, 1), ahead, withTrend))
  if (figure.value === undefined || forecasts.length === 0 || forecasts.some((forecast) => forecast === undefined)) return {}
  // each group's range on its own; groups differ independently of each other
  const value = forecasts.reduce((sum, forecast) => sum + forecast!.value, 0)
  const spread = Math.sqrt(forecasts.reduce((sum, forecast) => sum + (forecast!.high - forecast!.value) ** 2, 0))
  // what is there stays: a sum does not shrink, whatever its range says
  const floor = (more: number) => (metric.kind === 'flow' && metric.parts.every(({ sign }) => sign === 1) ? Math.max(0, more) : more)
  const begun = row.from > last && metric.kind === 'flow' ? 0 : figure.value
  const heading = { value: begun + floor(value), low: begun + floor(value - spread), high: begun + value + spread }
  const checks = series.map((values) => holdOut(withTrend ? values : differences(values), addDays(last, 1), ahead, withTrend))
  return { heading, ...(checks.length === 1 && { checked: checks[0] }), ...(checks.length > 1 && { checked: checks.reduce(largestCheck) }) }
}

/** Of several groups the check of the one with the longest past stands for the whole. */
const largestCheck = (a: HoldOut, b: HoldOut): HoldOut => (b.tried > a.tried ? b : a)

/** The daily values of a scope: profiles with the whole past together, each of the others by itself, so that one that came later is not read as a rise. */
async function seriesOf(db: ClientDb, scope: ResolvedScope, metric: string, past: Period): Promise<DayValue[][]> {
  const { isPublic } = metricById(metric)
  const members = scope.connected.filter(({ network, consent }) => reportsMetric(networkById(network), metric) && (isPublic || consent !== 'none'))
  const isOld = ({ oldest }: ProfileRow) => oldest !== null && oldest <= past.from
  const groups = [members.filter(isOld), ...members.filter((row) => !isOld(row)).map((row) => [row])].filter((group) => group.length > 0)
  return await Promise.all(groups.map(async (group) => {
    const totals = await dayTotals(db, group.map(({ profile_id: id }) => id), past, columnsFor([metric]))
    return wholeDays({ ...scope, connected: group }, metric, dailyPoints(metric, past, totals))
  }))
}

/** A rate at the end: what there is of both parts and what is to come of them. Its range is that of the residual part, num − rate × den (the ratio estimator's linearisation). */
function rateAhead(scope: ResolvedScope, metric: RatioMetric, row: TargetRow, totals: DayTotals[], past: Period, { next, ahead, last }: { next: Day; ahead: number; last: Day }): Looked {
  const [top, bottom] = [metric.numerator, metric.denominator].map((id) => new Map(wholeDays(scope, id, dailyPoints(id, past, totals)).map(({ day, value }) => [day, value])))
  const days = [...top!.keys()].filter((day) => bottom!.has(day))
  const list = (of: (day: Day) => number): DayValue[] => days.map((day) => ({ day, value: of(day) }))
  const [above, below] = [forecastSum(list((day) => top!.get(day)!), next, ahead), forecastSum(list((day) => bottom!.get(day)!), next, ahead)]
  if (!above || !below) return {}
  const since = (values: Map<Day, number>) => [...values].filter(([day]) => day >= row.from && day <= last).reduce((sum, [, value]) => sum + value, 0)
  const [numerator, denominator] = [since(top!) + Math.max(0, above.value), since(bottom!) + Math.max(0, below.value)]
  if (denominator <= 0) return {}
  const rate = numerator / denominator
  const left = forecastSum(list((day) => top!.get(day)! - rate * bottom!.get(day)!), next, ahead)!
  const spread = (left.high - left.low) / 2 / denominator
  const needed = below.value > 0 ? (row.wanted * denominator - since(top!)) / below.value : undefined
  return { heading: { value: rate, low: Math.max(0, rate - spread), high: rate + spread }, ...(needed !== undefined && { neededRate: needed }) }
}

/** The days on which every profile that reports the metric has data, as far as any day of the past has that many. */
function wholeDays({ connected }: ResolvedScope, metric: string, points: readonly DayPoint[]): DayValue[] {
  const expected = connected.filter(({ network }) => reportsMetric(networkById(network), metric)).length
  const most = Math.min(expected, Math.max(0, ...points.map(({ present }) => present)))
  return points.flatMap(({ day, value, present }) => (value !== undefined && present >= most ? [{ day, value }] : []))
}

const differences = (levels: readonly DayValue[]): DayValue[] =>
  levels.flatMap(({ day, value }, index) => (index > 0 && addDays(levels[index - 1]!.day, 1) === day ? [{ day, value: value - levels[index - 1]!.value }] : []))

/**
 * Checks a target against the catalogue and the client's profiles.
 *
 * @throws Problem 400 with a sentence
 */
export async function checkTarget(db: ClientDb, target: TargetInput): Promise<void> {
  metricById(target.metric)
  if (target.by < target.from) throw badRequest('The target ends before it begins. Choose a later day.', { fields: { by: 'Choose a day after the first one.' } })
  await resolveScope(db, { ...parseWho(target.who), period: DEFAULT_PERIOD, against: 'none' })
}

/** @returns the id of a new target */
export const addTarget = async (db: ClientDb, target: TargetInput, person: number): Promise<number> => (await db.run(sql`
  INSERT INTO target (client_id, metric, who, wanted, from_day, by_day, created_by)
  VALUES (${db.client}, ${target.metric}, ${target.who}, ${target.wanted}, ${target.from}, ${target.by}, ${person})`)).insertId

/** @returns whether there is such a target */
export async function changeTarget(db: ClientDb, id: number, target: TargetInput): Promise<boolean> {
  if (!(await targetRows(db)).some((row) => row.id === id)) return false
  await db.run(sql`
    UPDATE target
    SET    metric = ${target.metric}, who = ${target.who}, wanted = ${target.wanted}, from_day = ${target.from}, by_day = ${target.by}
    WHERE  client_id = ${db.client}
    AND    target_id = ${id}`)
  return true
}

/** Takes a target away or, when that was a mistake, brings it back. @returns whether there is such a target */
export async function removeTarget(db: ClientDb, id: number, isRemoved: boolean): Promise<boolean> {
  if (!(await db.one(sql`SELECT target_id FROM target WHERE client_id = ${db.client} AND target_id = ${id}`))) return false
  await db.run(sql`UPDATE target SET removed_at = IF(${isRemoved}, NOW(), NULL) WHERE client_id = ${db.client} AND target_id = ${id}`)
  return true
}
