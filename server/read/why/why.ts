import { metricById } from '../../../core/metrics/catalogue'
import type { Metric, RatioMetric } from '../../../core/metrics/metric'
import type { Change } from '../../../core/change/change'
import { dayNumber } from '../../../core/days/day'
import { comparableMembers, type ComparableMembers } from '../../../core/rollup/comparableMembers'
import { compareFigures, type ComparedAggregates } from '../../../core/rollup/compareFigures'
import { daysWith, type DayChoice } from '../../../core/rollup/daysWith'
import { figureOf } from '../../../core/rollup/figureOf'
import type { ProfileAggregate } from '../../../core/rollup/aggregate'
import { daysEnding, lengthOf, type Period } from '../../../core/periods/period'
import { carryingPosts } from '../../../core/why/carryingPosts'
import { contributions } from '../../../core/why/contributions'
import { factorContributions } from '../../../core/why/factors'
import { mixAndRate, type PartOfRate } from '../../../core/why/mixAndRate'
import type { ClientDb } from '../../platform/database/clientDb'
import { formatTotals, type FormatTotals } from '../../figures/questions/posts'
import { listPosts } from '../content/listPosts'
import type { ListedPost } from '../../../shared/read/content'
import { contextOf, rollUp } from '../../figures/rollUp'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { Why, Explanation, PostsBehind } from '../../../shared/read/why'

/**
 * From how many days before the end of a period the usual of a profile's posts is taken, and how many posts are named
 * at each end.
 */
const USUAL_DAYS = 90
const NAMED_POSTS = 3

const MIX_NOTE =
  'Mix: parts that do better than the whole won weight, or worse ones lost it; the whole is the mean of both ' +
  'periods. Rate: a part did better or worse itself. What both did together is shared evenly.'

/**
 * Why a metric changed from the comparison to the period: by profile, by format, and by the factors that make it. All
 * of them explain the change that the figure shows.
 */
export async function why(db: ClientDb, scope: ResolvedScope, metricId: string): Promise<Why> {
  const metric = metricById(metricId)
  if (!scope.comparison)
    return { metric: metricId, explanations: [], reason: 'Choose a comparison to see why it changed.' }
  if (metric.kind === 'unique')
    return {
      metric: metricId,
      explanations: [],
      reason: `${metric.name} is never added, so it has no parts that add up to its change. Impressions have.`,
    }
  const inexact =
    metric.kind === 'ratio' && [metric.numerator, metric.denominator].some((id) => metricById(id).kind === 'unique')
  if (inexact)
    return {
      metric: metricId,
      explanations: [],
      reason:
        'Reach cannot be added over profiles, so a rate by reach cannot be split exactly. Engagement by impressions can.',
    }
  const needed = metricId === 'interactions' ? [metricId, 'posts', 'impressions'] : [metricId]
  const rolled = await rollUp(db, scope, needed)
  const { change } = compareFigures(metricId, rolled, contextOf(db, scope))
  const pairs = comparableMembers(metric, rolled.current, rolled.earlier!, scope.period)
  if (change?.from === undefined || change.to === undefined || pairs.now.length === 0)
    return {
      metric: metricId,
      explanations: [],
      reason: change?.reason ?? 'There is no profile with data in both periods.',
    }
  const asked: Asked = { scope, rolled, pairs, names: contextOf(db, scope).names!, from: change.from, to: change.to }
  const { found, without } =
    metric.kind === 'ratio' ? await ofRate(db, metric, asked) : { found: ofTotal(metric, asked), without: [] }
  const posts = await postsBehind(db, scope, metricId)
  return {
    metric: metricId,
    explanations: found,
    ...(posts && { posts }),
    ...(change.basis && { basis: change.basis }),
    ...doubtOf(change),
    ...(without.length > 0 && { without }),
  }
}

/** The posts of both periods that carried a metric; a metric that posts do not bring has none. */
async function postsBehind(db: ClientDb, scope: ResolvedScope, metricId: string): Promise<PostsBehind | undefined> {
  const counted =
    metricId === 'impressions'
      ? 'impressions'
      : ['interactions', 'reactions', 'comments', 'shares', 'saves'].includes(metricId)
        ? 'interactions'
        : undefined
  if (!counted) return undefined
  const valued = async (period: Period) =>
    (await listPosts(db, { ...scope, period })).flatMap((post) =>
      post[counted] === null ? [] : [{ ...plain(post), value: post[counted] }],
    )
  const of = async (period: Period) => {
    const [posts, past] = await Promise.all([
      valued(period),
      valued(daysEnding(period.to, Math.max(USUAL_DAYS, lengthOf(period)))),
    ])
    return {
      total: posts.reduce((sum, { value }) => sum + value, 0),
      count: posts.length,
      ...carryingPosts(posts, past, NAMED_POSTS),
    }
  }
  const [now, then] = await Promise.all([of(scope.period), of(scope.comparison!.period)])
  return now.count + then.count > 0 ? { counted, now, then } : undefined
}
const plain = ({ id, profile, name, networkName, publishedAt, format, text }: ListedPost) => ({
  id,
  profile,
  name,
  networkName,
  publishedAt,
  format,
  text,
})

function doubtOf({ isUnclear, usual }: Change): Pick<Why, 'doubt'> {
  if (isUnclear) return { doubt: 'The change itself is not clear: it may be nothing, and so may its parts.' }
  return usual?.isWithin
    ? { doubt: 'The change itself is as usual: such changes come about without a cause of their own.' }
    : {}
}

interface Asked {
  scope: ResolvedScope
  rolled: ComparedAggregates
  pairs: ComparableMembers
  names: ReadonlyMap<number, string>
  /** The change that the figure shows. */
  from: number
  to: number
}

/** A profile's value on the days that are compared; a profile that has none counts with nothing. */
const valueOf = (metricId: string, member: ProfileAggregate, period: Period, masks: DayChoice): number =>
  figureOf(metricId, [member], { period }, masks).value ?? 0

function ofTotal(metric: Metric, asked: Asked): Explanation[] {
  const { scope, pairs, names, from, to } = asked
  const parts = contributions(
    pairs.now.map((member, index) => ({
      key: String(member.profile),
      to: valueOf(metric.id, member, scope.period, pairs.masksNow),
      from: valueOf(metric.id, pairs.then[index]!, scope.comparison!.period, pairs.masksThen),
    })),
  )
  const byProfile: Explanation = {
    kind: 'parts',
    title: 'By profile',
    unit: metric.unit,
    from,
    to,
    parts: parts.map(({ key, change }) => ({ key: names.get(Number(key))!, change, profile: Number(key) })),
  }
  const byFactors = metric.id === 'interactions' ? factorsOf(asked) : undefined
  return byFactors ? [byProfile, byFactors] : [byProfile]
}

/**
 * Interactions = posts × impressions for each post × interactions for each impression, of the profiles that have all
 * three on the compared days; the others stand beside it.
 */
function factorsOf({ scope, pairs, from, to }: Asked): Explanation | undefined {
  const periods = [scope.period, scope.comparison!.period] as const
  const isWhole = (member: ProfileAggregate, period: Period, masks: DayChoice) =>
    ['posts', 'impressions'].every((id) => {
      const { count, mask } = daysWith(metricById(id), member, period)
      const chosen = masks.get(member.profile)
      return count > 0 && (!mask || (chosen !== undefined && chosen.every((used, index) => !used || mask[index])))
    })
  const whole = pairs.now.map(
    (member, index) =>
      isWhole(member, periods[0], pairs.masksNow) && isWhole(pairs.then[index]!, periods[1], pairs.masksThen),
  )
  const sums = (side: readonly ProfileAggregate[], period: Period, masks: DayChoice) => {
    const total = (id: string, wanted: boolean) =>
      side.reduce((sum, member, index) => sum + (whole[index] === wanted ? valueOf(id, member, period, masks) : 0), 0)
    return {
      posts: total('posts', true),
      impressions: total('impressions', true),
      interactions: total('interactions', true),
      others: total('interactions', false),
    }
  }
  const [now, then] = [sums(pairs.now, periods[0], pairs.masksNow), sums(pairs.then, periods[1], pairs.masksThen)]
  if ([now, then].some(({ posts, impressions }) => posts === 0 || impressions === 0)) return undefined
  const factors = factorContributions([
    { key: 'number of posts', from: then.posts, to: now.posts },
    { key: 'impressions for each post', from: then.impressions / then.posts, to: now.impressions / now.posts },
    {
      key: 'interactions for each impression',
      from: then.interactions / then.impressions,
      to: now.interactions / now.impressions,
    },
  ])
  const others = whole.filter((isOne) => !isOne).length
  return {
    kind: 'parts',
    title: 'By what makes it',
    unit: 'count',
    from,
    to,
    parts: [
      ...factors,
      ...(others > 0
        ? [
            {
              key:
                others === 1
                  ? 'the profile without impressions on these days'
                  : `the ${others} profiles without impressions on these days`,
              change: now.others - then.others,
            },
          ]
        : []),
    ],
    note:
      'Interactions are posts × impressions for each post × interactions for each impression, over the profiles ' +
      'that have all three on the compared days.',
  }
}

async function ofRate(
  db: ClientDb,
  metric: RatioMetric,
  asked: Asked,
): Promise<{ found: Explanation[]; without: string[] }> {
  const { scope, pairs, names } = asked
  const part = (member: ProfileAggregate, period: Period, masks: DayChoice) => ({
    numerator: valueOf(metric.numerator, member, period, masks),
    denominator: valueOf(metric.denominator, member, period, masks),
  })
  const parts = pairs.now.map(
    (member, index): PartOfRate => ({
      key: String(member.profile),
      to: part(member, scope.period, pairs.masksNow),
      from: part(pairs.then[index]!, scope.comparison!.period, pairs.masksThen),
    }),
  )
  const split = mixAndRate(parts)
  if (!split) return { found: [], without: [] }
  const byProfile: Explanation = {
    kind: 'mix and rate',
    title: 'By profile',
    unit: metric.unit,
    ...split,
    note: MIX_NOTE,
    parts: split.parts.map((each) => ({ ...each, key: names.get(Number(each.key))!, profile: Number(each.key) })),
  }
  if (metric.id !== 'engagement_by_impressions') return { found: [byProfile], without: [] }
  const whole = { from: total(parts, 'from'), to: total(parts, 'to') }
  const byFormat = await formatsOf(db, metric, asked, whole)
  return typeof byFormat === 'string'
    ? { found: [byProfile], without: [byFormat] }
    : { found: [byProfile, byFormat], without: [] }
}

type RateParts = PartOfRate['from']

const total = (parts: readonly PartOfRate[], side: 'from' | 'to'): RateParts =>
  parts.reduce(
    (sum, { [side]: part }) => ({
      numerator: sum.numerator + part.numerator,
      denominator: sum.denominator + part.denominator,
    }),
    { numerator: 0, denominator: 0 },
  )

/**
 * The same change by the formats of the posts that were published on the compared days, and what those days had beside
 * them: older posts, and what no post brought. A post counts with everything that it has brought so far.
 */
async function formatsOf(
  db: ClientDb,
  metric: RatioMetric,
  { scope, pairs }: Asked,
  whole: { from: RateParts; to: RateParts },
): Promise<Explanation | string> {
  const ids = pairs.now.map(({ profile }) => profile)
  const [now, then] = await Promise.all([
    formatTotals(db, ids, scope.period),
    formatTotals(db, ids, scope.comparison!.period),
  ])
  const on = (list: readonly FormatTotals[], period: Period, masks: DayChoice) =>
    list.filter(({ profile, day }) => masks.get(profile)?.[dayNumber(day) - dayNumber(period.from)] !== 0)
  const [to, from] = [on(now, scope.period, pairs.masksNow), on(then, scope.comparison!.period, pairs.masksThen)]
  const of = (list: readonly FormatTotals[], format: string): RateParts =>
    list
      .filter((each) => each.format === format)
      .reduce(
        (sum, each) => ({
          numerator: sum.numerator + each.interactions,
          denominator: sum.denominator + each.impressions,
        }),
        { numerator: 0, denominator: 0 },
      )
  const formats = [...new Set([...to, ...from].map(({ format }) => format))]
    .sort()
    .map((format): PartOfRate => ({ key: format, from: of(from, format), to: of(to, format) }))
  if (formats.length === 0) return 'By format: nothing was published on these days.'
  const rest = (side: 'from' | 'to'): RateParts => {
    const posts = total(formats, side)
    return {
      numerator: whole[side].numerator - posts.numerator,
      denominator: whole[side].denominator - posts.denominator,
    }
  }
  const beside: PartOfRate = { key: 'older posts, and what no post brought', from: rest('from'), to: rest('to') }
  if ([beside.from, beside.to].some(({ numerator, denominator }) => numerator < 0 || denominator < 0)) {
    return (
      'By format: the posts of these days have brought more since than the days themselves hold, so they cannot be ' +
      'set beside the change.'
    )
  }
  const split = mixAndRate([...formats, beside])
  if (!split) return 'By format: there is nothing to divide by.'
  return {
    kind: 'mix and rate',
    title: 'By format of the posts published',
    unit: metric.unit,
    ...split,
    parts: split.parts.map((part) => (part.key === beside.key ? part : { ...part, format: part.key })),
    note:
      'The same change. A post counts with everything that it has brought so far, also after its day; what the ' +
      'days had beside the posts published on them stands as a part of its own.',
  }
}
