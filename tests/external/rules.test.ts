import { countChange } from '../../core/change/countChange'
import { changePoint } from '../../core/statistics/changePoint'
import { simultaneousIntervals } from '../../core/statistics/simultaneousIntervals'
import { placeBeside } from '../../core/industry/reference'
import { farPosts } from '../../core/field/rivalWatch'
import { overtaking } from '../../core/field/overtaking'
import { readRetention } from '../../core/posts/retention'
import { differsOn, readHours } from '../../core/places/openingHours'
import { slotLifts } from '../../core/times/slotLifts'
import { leadsUpTo } from '../../core/ranks/leadsUpTo'
import { medianRank, type Rank } from '../../core/ranks/rankFigures'
import { rankSum } from '../../core/ranks/rankSum'
import { perViews } from '../../core/places/perViews'
import { kaplanMeier, medianWait } from '../../core/statistics/kaplanMeier'
import { peopleOver } from '../../core/traffic/peopleOver'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { timesUsual } from '../../core/habits/timesUsual'
import { entryComparer } from '../../core/directories/compareEntry'
import type { EntryField } from '../../core/directories/entryFields'
import { EMPTY_PLACE, type PlaceRecord } from '../../core/places/place'
import { usualOf } from '../../core/change/usual'
import { addDays } from '../../core/days/day'
import { formatChange, knownText } from '../../core/format/formatChange'
import { FACT_COLUMNS } from '../../core/metrics/storedFigures'
import { comparison, type Against } from '../../core/periods/comparison'
import { describeAgainst } from '../../core/periods/describePeriod'
import { parsePeriod } from '../../core/periods/parsePeriod'
import { daysEnding, eachDay, type Period } from '../../core/periods/period'
import { aggregateTable } from '../../core/rollup/aggregateTable'
import { compareFigures } from '../../core/rollup/compareFigures'
import { factTable, type ProfileDay } from '../../core/rollup/factTable'
import { forecastLevel } from '../../core/targets/forecastLevel'
import { causesOf } from '../../core/unusual/causes'
import { mixAndRate, type PartOfRate } from '../../core/why/mixAndRate'

interface Example {
  networks?: Record<string, string>
  universe?: number
  rows?: (Record<string, number> & Period)[]
  ask: Partial<{
    figure: string
    change: string
    period: string
    against: Against
    today: string
    usual: [number, number][]
    mixAndRate: PartOfRate[]
    causes: Record<string, number[]>
    first: string
    level: { slope: number; last: number; days: number }
    countChange: { to: { count: number; days: number }; from: { count: number; days: number } }
    poll: { counts: number[]; people: number }
    people: [string, 1 | 7 | 28, number][]
    overtaking: { smaller: number; larger: number; ratio: number }
    retention: [number, number][]
    perViews: { actions: number; views: number }
    hoursDiffer: [string, string]
    lift: { slot: number; residuals: number[]; others: [number, number][] }
    times: number[]
    waits: { over: number[]; open: number[] }
    ranks: { before: Rank[]; now: Rank[] }
    turn: number[]
    industry: { value: number; lower: number; middle: number; upper: number }
    far: { past: number[]; now: number }
    leads: [number, Rank][]
    entry: { record: Partial<PlaceRecord>; says: Partial<PlaceRecord>; carries: EntryField[] }
    from: string
    to: string
  }>
  expect: Record<string, unknown>
}

const text = readFileSync(new URL('../../docs/metrics.md', import.meta.url), 'utf8')
const examples = [...text.matchAll(/```json example\n([\s\S]*?)\n```/g)].map((match) => ({
  line: text.slice(0, match.index).split('\n').length,
  ...(JSON.parse(match[1]!) as Example),
}))

const rounded = (value: unknown) => (typeof value === 'number' ? Number(value.toPrecision(4)) : value)
const plain = (words: string) => words.replaceAll('\u202F', ' ')

function compared({ networks = {}, rows = [], universe, ask }: Example) {
  const [from, to] = ask.period!.split('..') as [string, string]
  const facts = rows.flatMap(({ from: first, to: last, profile, ...figures }) =>
    eachDay({ from: first, to: last }).map((day) => ({ profile: profile!, day, ...figures }) as ProfileDay),
  )
  const over = (period: Period) =>
    aggregateTable(
      factTable(facts),
      period,
      new Map(Object.entries(networks).map(([id, network]) => [Number(id), network])),
      FACT_COLUMNS,
    )
  const period = { from, to }
  const against = ask.against && comparison(period, ask.against)
  return compareFigures(
    (ask.figure ?? ask.change)!,
    { current: over(period), ...(against && { earlier: { comparison: against, aggregates: over(against.period) } }) },
    { period, ...(universe !== undefined && { universe }) },
  )
}

/** What the application makes of an example, with everything that it may say it expects. */
function outcome(example: Example): unknown {
  const { ask } = example
  if (ask.figure) {
    const { figure } = compared(example)
    return { ...figure, known: knownText(figure, 'en-GB') }
  }
  if (ask.change) {
    const { figure, change } = compared(example)
    return { value: figure.value, ...change, words: plain(formatChange(ask.change, change!, 'en-GB').text) }
  }
  if (ask.against) {
    const { period, running } = parsePeriod(ask.period!, addDays(ask.today!, -1))
    const against = comparison(period, ask.against, running)!
    return {
      days: `${against.period.from}..${against.period.to}`,
      words: describeAgainst(ask.against, against, period, running),
    }
  }
  if (ask.usual)
    return usualOf(
      ask.usual.map(([from, to]) => ({ from, to })),
      'relative',
    )
  if (ask.countChange) return countChange(ask.countChange.to, ask.countChange.from)
  if (ask.poll)
    return simultaneousIntervals(ask.poll.counts, ask.poll.people).map(({ low, high }) => ({
      low: Number(low.toFixed(3)),
      high: Number(high.toFixed(3)),
    }))
  if (ask.people)
    return peopleOver(
      ask.people.map(([day, length, people]) => ({ day, length, people })),
      { from: ask.from!, to: ask.to! },
    )
  if (ask.overtaking) {
    const { smaller, larger, ratio } = ask.overtaking
    const weeks = (growth: number) => Array<number>(26).fill(growth)
    const said = overtaking(weeks(smaller), weeks(larger), ratio)!
    return { ...said, weeks: Number(said.weeks?.toFixed(1)) }
  }
  if (ask.turn) return changePoint(ask.turn)
  if (ask.industry) {
    const { value, ...reference } = ask.industry
    return {
      place: placeBeside(value, { measure: 'post_rate', network: '', ...reference }),
      index: (100 * value) / reference.middle,
    }
  }
  if (ask.far) {
    const post = (ago: number, interactions: number) => ({
      id: `${ago}`,
      profile: 1,
      day: addDays('2026-10-28', -ago),
      text: '',
      interactions,
    })
    const [found] = farPosts(
      [...ask.far.past.map((value, index) => post(20 + index, value)), post(1, ask.far.now)],
      '2026-10-15',
      '2026-10-28',
    )
    return found
  }
  if (ask.retention) return readRetention(ask.retention.map(([at, plays]) => ({ at, plays })))
  if (ask.perViews) return perViews(ask.perViews.actions, ask.perViews.views)
  if (ask.times) {
    const { value, low, high } = timesUsual(ask.times)!
    return { value, low, high }
  }
  if (ask.lift) {
    const { slot, residuals, others } = ask.lift
    const { raw, lift } = slotLifts(
      [...residuals.map(() => slot), ...others.map(([other]) => other)],
      [...residuals, ...others.map(([, residual]) => residual)],
    ).slots[slot]!
    return { raw, ...lift }
  }
  if (ask.hoursDiffer) {
    const [one, other] = ask.hoursDiffer
    return { day: differsOn(readHours(one), readHours(other), ask.from!) }
  }
  if (ask.waits) {
    const waits = (times: number[], isOver: boolean) => times.map((time) => ({ time, isOver }))
    return { median: medianWait(kaplanMeier([...waits(ask.waits.over, true), ...waits(ask.waits.open, false)])) }
  }
  if (ask.ranks) {
    const middle = (ranks: Rank[]) => Object.values(medianRank(ranks)!)
    const { before, now } = ask.ranks
    return { middle: middle(now), middleBefore: middle(before), chance: rankSum(before, now) }
  }
  if (ask.leads) {
    const { km, otherwise } = leadsUpTo(ask.leads.map(([km, rank]) => ({ km, rank })))!
    return { km, otherwise }
  }
  if (ask.entry) {
    const { record, says, carries } = ask.entry
    const { agreement, completeness } = entryComparer('2026-10-28').compare(
      { ...EMPTY_PLACE, ...record },
      { ...EMPTY_PLACE, ...says },
      carries,
    )
    return { agreement: Number(agreement!.toFixed(4)), completeness: Number(completeness!.toFixed(4)) }
  }
  if (ask.mixAndRate) return mixAndRate(ask.mixAndRate)
  if (ask.level) {
    const { slope, last, days } = ask.level
    return forecastLevel(
      eachDay(daysEnding('2026-10-28', 84)).map((day, index) => ({ day, value: last - slope * (83 - index) })),
      '2026-10-29',
      days,
    )
  }
  const judged = new Map(
    Object.entries(ask.causes!).map(([profile, scores]) => [
      Number(profile),
      scores.map((score, index) => ({
        day: addDays(ask.first!, index),
        value: 100,
        usual: 100,
        isSmall: false,
        score,
      })),
    ]),
  )
  return causesOf(judged).map(({ from, to, direction, members }) => ({ from, to, direction, profiles: members.length }))
}

describe('the rules, by their examples', () => {
  it('has an example for each of them', () => {
    expect(examples.length).toBeGreaterThanOrEqual(15)
    for (const heading of [
      'Roll-up',
      'Reach',
      'Comparison',
      'better or worse',
      'Why it changed',
      'Unusual days',
      'heading',
    ])
      expect(text).toContain(heading)
  })

  it.each(examples)('docs/metrics.md, line $line', (example) => {
    const found = outcome(example)
    if (Array.isArray(example.expect)) expect(found).toEqual(example.expect)
    else
      for (const [key, value] of Object.entries(example.expect))
        expect([key, rounded((found as Record<string, unknown>)[key] ?? 0)]).toEqual([key, rounded(value)])
  })
})
