import { addDays, daysBetween, isDay, yearOf, type Day } from '../../../core/days/day'
import { lastCompleteDay } from '../../../core/days/lastCompleteDay'
import type { Figure } from '../../../core/figures/figure'
import { asSentence } from '../../../core/format/asSentence'
import { columnsOf, metricById } from '../../../core/metrics/catalogue'
import { FLOW_COLUMNS } from '../../../core/metrics/storedFigures'
import type { Metric, RatioMetric } from '../../../core/metrics/metric'
import { reportsMetric } from '../../../core/metrics/reportsMetric'
import { networkById } from '../../../core/networks/networks'
import { LONGEST_PERIOD_DAYS, type Period } from '../../../core/periods/period'
import { figureOf } from '../../../core/rollup/figureOf'
import { dailyPoints, type DayPoint } from '../../../core/series/dailyPoints'
import {
  checkedForecast,
  MOST_ORIGINS,
  type CheckedForecast,
  type HoldOut,
} from '../../../core/targets/checkedForecast'
import { FIT_DAYS, type DayValue } from '../../../core/targets/forecast'
import { forecastRate } from '../../../core/targets/forecastRate'
import { levelForecaster, rateForecaster, sumForecaster } from '../../../core/targets/forecasters'
import { daysAhead, targetProgress, type TargetInput as Known } from '../../../core/targets/target'
import { Unreadable } from '../../../core/unreadable'
import { FIRST_YEAR, LAST_YEAR } from '../../../shared/platform/dayField'
import { DEFAULT_PERIOD, parseWho } from '../../../shared/figures/scope'
import type { TargetInput, TargetView, TargetRow, BrokenTarget } from '../../../shared/read/targets'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { memberOf } from '../../figures/questions/profileRows'
import type { ProfileRow } from '../../figures/questions/profileRows'
import { sql } from '../../platform/database/sql'
import { badRequest, Problem } from '../../platform/problems/problem'
import { inDatabase } from '../../figures/factSource'
import { narrowed } from '../../figures/narrowed'
import { resolveScope, type ResolvedScope } from '../../figures/resolveScope'
import { columnsFor, contextOf, fromDays, rollUpOne } from '../../figures/rollUp'

/**
 * How many days of the past are read: for the fit, and for as many earlier forecasts of the same length as are tried.
 */
const pastDays = (ahead: number): number => Math.min(1095, FIT_DAYS + MOST_ORIGINS * ahead)

/**
 * The targets of a client as they are kept, those that end first before the others. Whom they are for is written as in
 * an address.
 */
export const targetRows = (db: ClientDb): Promise<TargetRow[]> =>
  db.rows<TargetRow>(sql`
  SELECT   target_id AS id, metric,
           IF(who = 'all', 'all', CONCAT_WS(',',
             (SELECT GROUP_CONCAT('s', m.member_id ORDER BY m.member_id) FROM target_member m
  WHERE m.client_id = t.client_id AND m.target_id = t.target_id AND m.is_set = 1),
             (SELECT GROUP_CONCAT(n.network ORDER BY n.network) FROM target_network n
  WHERE n.client_id = t.client_id AND n.target_id = t.target_id),
             (SELECT GROUP_CONCAT(m.member_id ORDER BY m.member_id) FROM target_member m
  WHERE m.client_id = t.client_id AND m.target_id = t.target_id AND m.is_set = 0))) AS who,
           wanted, from_day AS \`from\`, by_day AS \`by\`
  FROM     target t
  WHERE    client_id = ${db.client}
  AND      removed_at IS NULL
  ORDER BY by_day, target_id`)

/** Every target of a client, worked out; one that makes no sense any more leaves the others standing. */
export async function targetsOf(db: ClientDb): Promise<{ targets: TargetView[]; broken: BrokenTarget[] }> {
  const targets: TargetView[] = []
  const broken: BrokenTarget[] = []
  for (const row of await targetRows(db)) {
    try {
      targets.push(await targetView(db, row))
    } catch (error) {
      if (!(error instanceof Unreadable) && !(error instanceof Problem)) throw error
      broken.push({ ...row, problem: asSentence(error.message) })
    }
  }
  return { targets, broken }
}

/**
 * What is kept may be older than the rules of today: days that do not exist, or an end that no loop over days should go
 * to.
 */
function refuseImpossible({ who, from, by }: TargetRow): void {
  if (![from, by].every((day) => isDay(day) && yearOf(day) >= FIRST_YEAR && yearOf(day) <= LAST_YEAR))
    throw new Unreadable(`This target goes from ${from} to ${by}, which are no days to measure. Choose others`)
  if (daysBetween(from, by) >= LONGEST_PERIOD_DAYS)
    throw new Unreadable('This target is longer than ten years. Choose an earlier end')
  if (who === '') throw new Unreadable('The profiles of this target are gone. Choose others')
}

/** A target, worked out from the figures as they are now. */
export async function targetView(db: ClientDb, row: TargetRow): Promise<TargetView> {
  refuseImpossible(row)
  const metric = metricById(row.metric)
  const last = lastCompleteDay(now(), db.timeZone)
  const scope = narrowed(
    await resolveScope(db, { who: [], sets: [], period: DEFAULT_PERIOD, against: 'none' }),
    row.who,
  )
  const isCeiling = metric.polarity < 0
  const sofar: Period = { from: row.from, to: last < row.by ? last : row.by }
  const isBegun = sofar.to >= sofar.from
  // a level is there also before its target begins
  const asked = isBegun ? sofar : metric.kind === 'stock' ? { from: last, to: last } : { from: row.from, to: row.from }
  const figure = await figureIn(db, scope, metric, asked)
  const before = addDays(row.from, -1)
  const start =
    metric.kind === 'stock' && isBegun
      ? (await figureIn(db, scope, metric, { from: before, to: before })).value
      : undefined
  // a level is carried on from today, whenever its target begins; a sum and a rate from the first day that is not known
  const first = isBegun && figure.value !== undefined ? addDays(last, 1) : row.from
  const ahead = metric.kind === 'stock' ? daysAhead(last, row.by) : daysAhead(addDays(first, -1), row.by)
  const looked =
    metric.kind === 'unique' || !isForecastable(metric) || last >= row.by
      ? undefined
      : await lookAhead(db, scope, metric, row, { figure, last, first, ahead })
  const { present, expected } = figure.coverage
  const known: Known = {
    kind: metric.kind,
    wanted: row.wanted,
    isCeiling,
    from: row.from,
    by: row.by,
    last,
    ...((isBegun || metric.kind === 'stock') && {
      now: figure.value ?? figure.low,
      ...(figure.low !== undefined && { low: figure.low, high: figure.high ?? Infinity }),
    }),
    ...(metric.kind === 'flow' && expected > 0 && { covered: present / expected }),
    start,
    heading: looked?.heading,
    neededRate: looked?.neededRate,
  }
  return {
    ...row,
    whoWords: scope.words.who,
    isCeiling,
    figure,
    ...(start !== undefined && { start }),
    progress: targetProgress(known),
    ...(looked?.heading && { heading: rangeOf(looked.heading), checked: looked.heading.checked }),
    ...(!looked?.heading && last < row.by && { reason: reasonOf(metric) }),
  }
}

const rangeOf = ({ value, low, high }: CheckedForecast) => ({ value, low, high })

const isForecastable = (metric: Metric): boolean =>
  metric.kind !== 'ratio' || columnsOf(metric).every((column) => (FLOW_COLUMNS as readonly string[]).includes(column))

const reasonOf = (metric: Metric): string =>
  metric.kind === 'unique'
    ? `${metric.name} cannot be added over days, so it has no pace and is not carried on. It counts as ` +
      'reached once its lower bound is there.'
    : isForecastable(metric)
      ? 'A forecast needs four weeks of data.'
      : 'A rate is forecast only where both of its parts are counted daily.'

async function figureIn(db: ClientDb, scope: ResolvedScope, metric: Metric, period: Period): Promise<Figure> {
  const rolled = await rollUpOne(inDatabase(db), scope.connected.map(memberOf), metric.id, period)
  return figureOf(metric.id, rolled, { ...contextOf(db, scope), period })
}

interface Ahead {
  figure: Figure
  last: Day
  /** Of a sum or a rate: the first day that is forecast. */
  first: Day
  ahead: number
}

interface Looked {
  heading?: CheckedForecast
  neededRate?: number
}

async function lookAhead(
  db: ClientDb,
  scope: ResolvedScope,
  metric: Metric,
  row: TargetRow,
  { figure, last, first, ahead }: Ahead,
): Promise<Looked> {
  const past: Period = { from: addDays(last, -pastDays(ahead)), to: last }
  const next = metric.kind === 'stock' ? addDays(last, 1) : first
  if (metric.kind === 'ratio') return await rateAhead(db, scope, metric, row, past, { figure, last, first, ahead })
  const groups = await seriesOf(db, scope, metric.id, past)
  const forecasts = groups.map((values) =>
    checkedForecast(
      (metric.kind === 'stock' ? levelForecaster : sumForecaster)(values, ahead),
      next,
      ahead,
      firstOf(values) ?? past.from,
    ),
  )
  if (
    (metric.kind === 'stock' && figure.value === undefined) ||
    forecasts.length === 0 ||
    forecasts.some((forecast) => forecast === undefined)
  )
    return {}
  const known = forecasts as CheckedForecast[]
  // what shakes one profile may shake all of them: their ranges are added, not evened out against each other
  const sum = (side: 'value' | 'low' | 'high') => known.reduce((all, forecast) => all + forecast[side], 0)
  // what is there stays: a sum does not shrink, whatever its range says
  const floor = (more: number) =>
    metric.kind === 'flow' && metric.parts.every(({ sign }) => sign === 1) ? Math.max(0, more) : more
  const begun = metric.kind === 'stock' || first === row.from ? 0 : figure.value!
  return {
    heading: {
      value: begun + floor(sum('value')),
      low: begun + floor(sum('low')),
      high: begun + sum('high'),
      checked: checkOfAll(known.map(({ checked }) => checked)),
    },
  }
}

const firstOf = (values: readonly DayValue[]): Day | undefined => values[0]?.day

/** The check with the longest past stands for the whole; where one has failed, the whole has. */
const checkOfAll = (checks: readonly HoldOut[]): HoldOut => {
  const longest = checks.reduce((best, check) => (check.tried > best.tried ? check : best))
  return checks.find(({ hasFailed }) => hasFailed) ?? longest
}

const reporting = ({ connected }: ResolvedScope, metricId: string): ProfileRow[] => {
  const { isPublic } = metricById(metricId)
  return connected.filter(
    ({ network, consent }) => reportsMetric(networkById(network), metricId) && (isPublic || consent !== 'none'),
  )
}

/**
 * The daily values of a scope: profiles with the whole past together, each of the others by itself, so that one that
 * came later is not read as a rise.
 */
async function seriesOf(db: ClientDb, scope: ResolvedScope, metric: string, past: Period): Promise<DayValue[][]> {
  const members = reporting(scope, metric)
  const isOld = ({ oldest }: ProfileRow) => oldest !== null && oldest <= past.from
  const groups = [members.filter(isOld), ...members.filter((row) => !isOld(row)).map((row) => [row])].filter(
    (group) => group.length > 0,
  )
  return await Promise.all(
    groups.map(async (group) => wholeDays(await pointsOf(db, group, metric, past), group.length)),
  )
}

async function pointsOf(db: ClientDb, group: readonly ProfileRow[], metric: string, past: Period): Promise<DayPoint[]> {
  return dailyPoints(metric, past, await fromDays(inDatabase(db), group.map(memberOf), columnsFor([metric]), past))
}

/** The days on which every profile has data, as far as any day of the past has that many. */
function wholeDays(points: readonly DayPoint[], expected: number): DayValue[] {
  const most = Math.min(expected, Math.max(0, ...points.map(({ present }) => present)))
  return points.flatMap(({ day, value, present }) => (value !== undefined && present >= most ? [{ day, value }] : []))
}

/** A rate at the end: what there is of both parts and what is to come of them, each on the days that have both. */
async function rateAhead(
  db: ClientDb,
  scope: ResolvedScope,
  metric: RatioMetric,
  row: TargetRow,
  past: Period,
  { figure, first, ahead }: Ahead,
): Promise<Looked> {
  const members = reporting(scope, metric.id)
  const [above, below, rates] = await Promise.all(
    [metric.numerator, metric.denominator, metric.id].map((id) => pointsOf(db, members, id, past)),
  )
  // a day counts when as many profiles as ever have both parts
  const whole = new Set(wholeDays(rates!, members.length).map(({ day }) => day))
  const parts = above!.flatMap(({ day, value }, index) =>
    whole.has(day) && value !== undefined && below![index]!.value !== undefined
      ? [{ day, top: value, bottom: below![index]!.value! }]
      : [],
  )
  const [forecast, outlook] = [
    checkedForecast(rateForecaster(parts, ahead), first, ahead, parts[0]?.day ?? past.from),
    forecastRate(parts, first, ahead),
  ]
  if (!forecast || !outlook) return {}
  const [sofar, rate] = first > row.from ? [figure.observations, figure.value!] : [0, 0]
  const end = (coming: number) => Math.max(0, (sofar * rate + outlook.bottom * coming) / (sofar + outlook.bottom))
  return {
    heading: {
      value: end(forecast.value),
      low: end(forecast.low),
      high: end(forecast.high),
      checked: forecast.checked,
    },
    neededRate: (row.wanted * (sofar + outlook.bottom) - sofar * rate) / outlook.bottom,
  }
}

/**
 * Checks a target against the catalogue and the client's profiles.
 *
 * @throws Problem 400 with a sentence
 */
export async function checkTarget(db: ClientDb, target: TargetInput): Promise<void> {
  metricById(target.metric)
  if (target.by < target.from)
    throw badRequest('The target ends before it begins. Choose a later day.', {
      fields: { by: 'Choose a day after the first one.' },
    })
  if (daysBetween(target.from, target.by) >= LONGEST_PERIOD_DAYS)
    throw badRequest('A target can be ten years long at the most. Choose an earlier end.', {
      fields: { by: 'Choose an earlier day.' },
    })
  await resolveScope(db, { ...parseWho(target.who), period: DEFAULT_PERIOD, against: 'none' })
}

/** @returns the id of a new target */
export const addTarget = (db: ClientDb, target: TargetInput, person: number): Promise<number> =>
  db.transaction(async (inside) => {
    const { insertId } = await inside.run(sql`
    INSERT INTO target (client_id, metric, who, wanted, from_day, by_day, created_by)
    VALUES (${inside.client}, ${target.metric}, ${kindOf(target)}, ${target.wanted}, ${target.from}, ${target.by}, ${person})`)
    await keepMembers(inside, insertId, target)
    return insertId
  })

/** @returns whether there is such a target */
export const changeTarget = (db: ClientDb, id: number, target: TargetInput): Promise<boolean> =>
  db.transaction(async (inside) => {
    if (
      !(await inside.one(
        sql`SELECT target_id FROM target WHERE client_id = ${inside.client} AND target_id = ${id} AND removed_at IS NULL FOR UPDATE`,
      ))
    )
      return false
    await inside.run(sql`
    UPDATE target
    SET    metric = ${target.metric}, who = ${kindOf(target)}, wanted = ${target.wanted}, from_day = ${target.from}, by_day = ${target.by}
    WHERE  client_id = ${inside.client}
    AND    target_id = ${id}`)
    await inside.run(sql`DELETE FROM target_member WHERE client_id = ${inside.client} AND target_id = ${id}`)
    await inside.run(sql`DELETE FROM target_network WHERE client_id = ${inside.client} AND target_id = ${id}`)
    await keepMembers(inside, id, target)
    return true
  })

/** A target is for everybody, or for the members that stand beside it. */
const kindOf = ({ who }: TargetInput): 'all' | 'some' => (who === 'all' ? 'all' : 'some')

async function keepMembers(db: ClientDb, id: number, target: TargetInput): Promise<void> {
  const { who, sets, networks = [] } = parseWho(target.who)
  const members = [...new Set(sets)]
    .map((set) => [id, 1, set])
    .concat([...new Set(who)].map((profile) => [id, 0, profile]))
  await db.insertRows('target_member', ['target_id', 'is_set', 'member_id'], members)
  await db.insertRows(
    'target_network',
    ['target_id', 'network'],
    networks.map((network) => [id, network]),
  )
}

/** Takes a target away or, when that was a mistake, brings it back. @returns whether there is such a target */
export async function removeTarget(db: ClientDb, id: number, isRemoved: boolean): Promise<boolean> {
  if (!(await db.one(sql`SELECT target_id FROM target WHERE client_id = ${db.client} AND target_id = ${id}`)))
    return false
  await db.run(
    sql`UPDATE target SET removed_at = IF(${isRemoved}, NOW(), NULL) WHERE client_id = ${db.client} AND target_id = ${id}`,
  )
  return true
}
