import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '../../core/metrics/catalogue'
import { FACT_COLUMNS } from '../../core/metrics/storedFigures'
import { AGAINST, comparison, comparisonWith, earlierComparisons } from '../../core/periods/comparison'
import { CALENDAR_UNITS } from '../../core/periods/periodKind'
import { daysEnding, eachDay } from '../../core/periods/period'
import { aggregateTable } from '../../core/rollup/aggregateTable'
import { compareFigures } from '../../core/rollup/compareFigures'
import { factTable, type ProfileDay } from '../../core/rollup/factTable'
import { figureOf } from '../../core/rollup/figureOf'
import { dailyPoints } from '../../core/series/dailyPoints'
import { activeProfiles } from '../../server/figures/questions/profileRows'
import { overview } from '../../server/read/overview/overview'
import { resolveScope, type ResolvedScope } from '../../server/figures/resolveScope'
import { rollUp } from '../../server/figures/rollUp'
import { workings } from '../../server/read/overview/workings'
import { addClient, addDaysOf, addProfile, useDatabase } from './support/database'

const { pool } = useDatabase('roll_up')

describe('the executor in SQL and the one in memory', () => {
  const END = '2026-03-14'
  const all = eachDay(daysEnding(END, 420))
  const cell = fc.option(fc.integer({ min: 0, max: 100_000 }), { nil: null, freq: 8 })
  const row = fc.record({
    profile: fc.integer({ min: 0, max: 2 }),
    at: fc.oneof(fc.integer({ min: 340, max: 419 }), fc.integer({ min: 0, max: 419 })),
    values: fc.array(cell, { minLength: FACT_COLUMNS.length, maxLength: FACT_COLUMNS.length }),
  })
  const scene = fc.record({
    rows: fc.uniqueArray(row, { minLength: 3, maxLength: 150, selector: ({ profile, at }) => profile * 1000 + at }),
    days: fc.oneof(fc.constantFrom(1, 7, 14, 28), fc.integer({ min: 1, max: 120 })),
    against: fc.constantFrom(...AGAINST, 'own' as const),
    running: fc.constantFrom(undefined, ...CALENDAR_UNITS),
  })

  it('make the same figures of the same rows, for every metric and comparison', async () => {
    const db = await addClient('agreement', 90_000)
    for (const [at, network] of ['commons', 'tintype', 'tintype'].entries())
      await addProfile(db, network, String(at + 1), Buffer.from('x'))
    const profiles = await activeProfiles(db)
    const networks = new Map(profiles.map(({ profile_id: profile, network }) => [profile, network]))
    await fc.assert(
      fc.asyncProperty(scene, async ({ rows, days, against, running }) => {
        await pool().query('DELETE FROM profile_day WHERE client_id = ?', [db.clientId])
        const given: ProfileDay[] = rows.map(({ profile, at, values }) => ({
          profile: profiles[profile]!.profile_id,
          day: all[at]!,
          ...Object.fromEntries(FACT_COLUMNS.map((column, index) => [column, values[index]])),
        }))
        await addDaysOf(db, given)
        const present = profiles.filter(({ profile_id: profile }) => given.some((fact) => fact.profile === profile))
        const table = factTable(given)
        const period = daysEnding(END, days)
        const compared =
          against === 'own'
            ? comparisonWith(period, daysEnding('2025-09-30', 20))
            : comparison(period, against, running)
        const scope = { period, comparison: compared, connected: present } as ResolvedScope
        const context = { period, universe: db.universe, explain: true }
        const over = (asked: typeof period) => aggregateTable(table, asked, networks, FACT_COLUMNS)
        const inMemory = {
          current: over(period),
          ...(compared && {
            earlier: { comparison: compared, aggregates: over(compared.period) },
            past: earlierComparisons(period, compared).map((each) => ({
              period: each.period,
              current: over(each.period),
              earlier: { comparison: each.comparison, aggregates: over(each.comparison.period) },
            })),
          }),
        }
        const everything = await rollUp(
          db,
          scope,
          CATALOGUE.map(({ id }) => id),
          { withDays: true },
        )
        for (const { id } of CATALOGUE) {
          expect(compareFigures(id, everything, context), id).toEqual(compareFigures(id, inMemory, context))
          // summed where the data is, and read by the day only where there is a gap
          const alone = await rollUp(db, scope, [id], { withPast: false })
          expect(compareFigures(id, alone, context), id).toEqual(
            compareFigures(
              id,
              { current: inMemory.current, ...(inMemory.earlier && { earlier: inMemory.earlier }) },
              context,
            ),
          )
        }
        for (const metric of ['impressions', 'reactions', 'followers_net', 'click_rate', 'reach']) {
          for (const point of dailyPoints(metric, period, everything.current, db.universe)) {
            const day = { from: point.day, to: point.day }
            const figure = figureOf(metric, aggregateTable(table, day, networks, FACT_COLUMNS), {
              period: day,
              universe: db.universe,
            })
            // on a single day a figure of people is bounded by the windows that reach over it as well
            if (metric === 'reach')
              expect(point.value === undefined && point.low === undefined).toBe(figure.coverage.present === 0)
            else expect(point.value).toBe(figure.value)
          }
        }
      }),
      { numRuns: 25 },
    )
  })
})

describe('one profile and seven days, with pencil', () => {
  it('are what a person computes', async () => {
    const db = await addClient('pencil')
    const profile = await addProfile(db, 'tintype', '9')
    const [impressions, reactions, comments, shares, saves, won, lost] = [
      [510, 490, 620, 700, 655, 900, 1025],
      [20, 18, 25, 31, 22, 40, 44],
      [2, 1, 3, 2, 0, 5, 4],
      [1, 0, 2, 3, 1, 6, 2],
      [0, 1, 1, 2, 0, 3, 3],
      [5, 4, 6, 7, 3, 9, 8],
      [2, 2, 1, 3, 2, 1, 4],
    ] as const
    const rows = eachDay(daysEnding('2026-10-28', 7)).map((day, at) => ({
      profile,
      day,
      impressions: impressions[at],
      reactions: reactions[at],
      comments: comments[at],
      shares: shares[at],
      saves: saves[at],
      new_followers: won[at],
      lost_followers: lost[at],
      reach_1d: [400, 380, 470, 520, 500, 690, 760][at],
      reach_7d: at === 6 ? 2100 : 1900,
    }))
    console.table(rows)
    await addDaysOf(db, rows)
    const scope = await resolveScope(db, { who: [], sets: [], period: 'last-7-days', against: 'none' })
    const { figures } = await overview(db, scope, { metric: 'impressions' })
    expect(figures.map(({ figure }) => [figure.metric, figure.value, figure.exactness])).toEqual([
      // the network gives the reach of exactly these seven days
      ['reach', 2100, 'exact'],
      // 510 + 490 + 620 + 700 + 655 + 900 + 1025
      ['impressions', 4900, 'exact'],
      // reactions 200 + comments 17 + shares 15 + saves 10
      ['interactions', 242, 'exact'],
      // 242 ÷ 2100
      ['engagement_by_reach', 242 / 2100, 'exact'],
      // won 42 − lost 15
      ['followers_net', 27, 'exact'],
    ])
  })
})

describe('coverage', () => {
  it('names the days without data and the profiles that are not connected, and leaves both out of the change', async () => {
    const db = await addClient('gappy')
    const [first, second] = [await addProfile(db, 'commons', '11'), await addProfile(db, 'tintype', '12')]
    await addProfile(db, 'tintype', '13')
    const days = eachDay(daysEnding('2026-10-28', 14))
    await addDaysOf(
      db,
      days
        .filter((day) => day !== '2026-10-24' && day !== '2026-10-25')
        .map((day) => ({ profile: first, day, impressions: 100 })),
    )
    await addDaysOf(
      db,
      days.map((day) => ({ profile: second, day, impressions: 10 })),
    )
    const scope = await resolveScope(db, { who: [], sets: [], period: 'last-7-days', against: 'before' })
    const found = await workings(db, scope, 'impressions')
    expect(found.figure).toMatchObject({ value: 5 * 100 + 70, coverage: { expected: 14, present: 12 } })
    expect(found.missing).toEqual([
      { profile: first, name: 'Profile 11, Commons', ranges: [{ from: '2026-10-24', to: '2026-10-25' }] },
    ])
    expect(found.unconnected).toEqual(['Profile 13, Tintype'])
    expect(found.change).toMatchObject({
      from: 570,
      to: 570,
      direction: 'same',
      basis: 'over the 12 of 14 profile-days with data in both periods',
    })
  })
})
