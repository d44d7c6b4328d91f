import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { addDays, weekday } from '../../core/days/day'
import { comparisonWith } from '../../core/periods/comparison'
import { daysEnding, eachDay } from '../../core/periods/period'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { sql } from '../../server/platform/database/sql'
import { addSet } from '../../server/figures/questions/sets'
import { composeReport, fill } from '../../server/report/blocks/composeReport'
import { addReport } from '../../server/report/reports/reports'
import { freeze } from '../../server/report/editions/editions'
import { tableOf as exportOf } from '../../server/report/blocks/tableOf'
import { SYNC } from '../../server/gather/sync/jobs'
import { enqueue } from '../../server/platform/jobs/queue'
import { allClients } from '../../server/clients/allClients'
import { describeScope } from '../../server/figures/describeScope'
import { narrowed } from '../../server/figures/narrowed'
import { overview } from '../../server/read/overview/overview'
import { keepBreakdowns } from '../../server/gather/sync/keepBreakdowns'
import { breakdownOf, breakdownsOf } from '../../server/read/overview/breakdown'
import { notesIn } from '../../server/figures/questions/notes'
import { remembered, versionOf } from '../../server/figures/remembered'
import { resolveScope } from '../../server/figures/resolveScope'
import { removeScope, savedScopes, saveScope } from '../../server/figures/savedScopes'
import { subject } from '../../server/read/overview/subject'
import { isLoading } from '../../server/figures/warmFacts'
import { addTarget, changeTarget, checkTarget, removeTarget, targetsOf } from '../../server/read/targets/targets'
import { parseWho } from '../../shared/figures/scope'
import { addClient, addDaysOf, addProfile, useDatabase } from './support/database'

const { pool } = useDatabase('measuring')
const END = '2026-10-28'
const LEVELS = [10, 10, 12, 14, 20, 40, 34]
let db: ClientDb
let page: number
let photos: number
let rival: number
const scope = (period = '2026-10-22..2026-10-28', part: object = {}) =>
  resolveScope(db, { who: [], sets: [], period, against: 'before', ...part })

/** A page since March with a weekday pattern and no trend, photos since 1 September, and a rival. */
beforeAll(async () => {
  db = await addClient('measuring')
  await pool().query(
    "INSERT INTO person (person_id, agency_id, email, name, role, password_hash) VALUES (1, 1, 'a@b.example', 'A', 'owner', '')",
  )
  page = await addProfile(db, 'commons', '1', Buffer.from('x'))
  photos = await addProfile(db, 'tintype', '2', Buffer.from('x'))
  rival = await addProfile(db, 'commons', '3')
  await pool().query("UPDATE profile SET is_rival = 1, rival = 'Thornapple Park' WHERE profile_id = ?", [rival])
  const days = eachDay(daysEnding(END, 240))
  await addDaysOf(
    db,
    days.flatMap((day, index) => [
      {
        profile: page,
        day,
        impressions: 100 * LEVELS[weekday(day) - 1]!,
        reactions: LEVELS[weekday(day) - 1]!,
        comments: 0,
        shares: 0,
        posts: 1,
        followers: 1000 + 2 * index,
        reach_7d: 500,
        reach_1d: 100,
      },
      {
        profile: rival,
        day,
        reactions: day > addDays(END, -7) ? 30 : 20,
        comments: 0,
        shares: 0,
        posts: 2,
        followers: 4000,
      },
      ...(day >= '2026-09-01'
        ? [
            {
              profile: photos,
              day,
              impressions: 500,
              reactions: 5,
              comments: 0,
              shares: 0,
              saves: 1,
              posts: 0,
              followers: 300,
              reach_1d: 80,
              reach_7d: 200,
              reach_28d: 400,
            },
          ]
        : []),
    ]),
  )
})
beforeEach(async () => void (await pool().query('DELETE FROM profile_day_breakdown')))
const part = (profile: number, breakdown: string, day: string, name: string, value: number) => ({
  profile,
  breakdown,
  day,
  part: name,
  value,
})
/** Estimates are sums of logarithms in another order: equal to twelve digits. */
const rounded = (value: object) =>
  JSON.parse(JSON.stringify(value), (_, part: unknown) =>
    typeof part === 'number' ? Number(part.toPrecision(12)) : part,
  ) as object
const addParts = async (rows: ReturnType<typeof part>[]) => {
  for (const row of rows) await keepBreakdowns(db, row.profile, { data: [row] })
}

describe('a breakdown', () => {
  it('adds the days of the period, and compares only over days that both periods have', async () => {
    await addParts([
      part(page, 'impressions_by_source', '2026-10-28', 'organic', 70),
      part(page, 'impressions_by_source', '2026-10-28', 'paid', 30),
      part(page, 'impressions_by_source', '2026-10-27', 'organic', 100),
      // the counterpart of the 28th is there, that of the 27th is not
      part(page, 'impressions_by_source', '2026-10-21', 'organic', 50),
      part(page, 'impressions_by_source', '2026-10-21', 'paid', 0),
    ])
    const view = await breakdownOf(db, await scope(), 'impressions_by_source')
    expect(view.rows).toEqual([
      { part: 'organic', name: 'Organic', value: 170, share: 0.85, from: 50, to: 70, isUnclear: true },
      { part: 'paid', name: 'Paid', value: 30, share: 0.15, from: 0, to: 30 },
      { part: 'shared', name: 'Through sharing', value: 0, share: 0, from: 0, to: 0 },
    ])
    // two profiles could give it on seven days
    expect(view).toMatchObject({
      present: 2,
      expected: 14,
      profiles: ['Profile 1, Commons', 'Profile 2, Tintype'],
      without: 0,
    })
    expect(
      exportOf(
        await fill(db, await scope(), {
          id: 'x',
          kind: 'breakdown',
          title: '',
          metrics: [],
          option: 'impressions_by_source',
          who: 'all',
          text: '',
          comment: '',
        }),
        'Europe/London',
      )!.rows[0],
    ).toEqual(['Organic', 170, 0.85, 50, 70, 2, 14])
  })

  it('keeps a day by which one period is longer, as the figure above it does, and leaves out a profile with one side', async () => {
    const november = { from: '2026-11-01', to: '2026-11-30' }
    const october = { from: '2026-10-01', to: '2026-10-31' }
    await addParts([
      part(page, 'impressions_by_source', '2026-11-01', 'organic', 10),
      part(page, 'impressions_by_source', '2026-11-30', 'organic', 20),
      part(page, 'impressions_by_source', '2026-10-01', 'organic', 30),
      // its counterpart, 29 November, is not there
      part(page, 'impressions_by_source', '2026-10-29', 'organic', 1000),
      part(page, 'impressions_by_source', '2026-10-30', 'organic', 40),
      // November has no 31st: it stays
      part(page, 'impressions_by_source', '2026-10-31', 'organic', 50),
      part(photos, 'impressions_by_source', '2026-10-31', 'organic', 7000),
    ])
    const view = await breakdownOf(
      db,
      { ...(await scope()), period: november, comparison: comparisonWith(november, october) },
      'impressions_by_source',
    )
    expect(view.rows[0]).toMatchObject({ value: 30, from: 120, to: 30 })
    expect(view.compared).toBe(
      'The change rests on 2 of 60 days of profiles now and 3 of 62 then, those that both have.',
    )
  })

  it('says from when it is known where there is nothing to compare with', async () => {
    await addParts([part(page, 'impressions_by_source', '2026-10-28', 'organic', 10)])
    const { rows, compared } = await breakdownOf(db, await scope(), 'impressions_by_source')
    expect(rows[0]).not.toHaveProperty('from')
    expect(compared).toBe('This is known from 28 Oct 2026 on, so there is nothing to compare with.')
  })

  it('compared by date sets 29 February alone beside the 28th', async () => {
    await addParts([
      part(page, 'impressions_by_source', '2028-02-29', 'organic', 9),
      part(page, 'impressions_by_source', '2027-02-28', 'organic', 5),
    ])
    const view = await breakdownOf(
      db,
      {
        ...(await scope()),
        period: { from: '2028-02-29', to: '2028-02-29' },
        comparison: { period: { from: '2027-02-28', to: '2027-02-28' }, pairing: { kind: 'date', years: 1 } },
      },
      'impressions_by_source',
    )
    expect(view.rows[0]).toEqual({
      part: 'organic',
      name: 'Organic',
      value: 9,
      share: 1,
      from: 5,
      to: 9,
      isUnclear: true,
    })
  })

  it('bounds people by way: the largest day at least, all days and never more than what was shown at most', async () => {
    await addParts([
      part(page, 'reach_by_source', '2026-10-27', 'organic', 80),
      part(page, 'reach_by_source', '2026-10-28', 'organic', 60),
      part(page, 'reach_by_source', '2026-10-27', 'paid', 10),
      part(page, 'reach_by_source', '2026-10-28', 'paid', 10),
      part(page, 'impressions_by_source', '2026-10-27', 'organic', 90),
      part(page, 'impressions_by_source', '2026-10-28', 'organic', 100),
      part(page, 'impressions_by_source', '2026-10-27', 'paid', 8),
      part(page, 'impressions_by_source', '2026-10-28', 'paid', 7),
    ])
    expect((await breakdownOf(db, await scope(), 'reach_by_source')).rows).toEqual([
      { part: 'organic', name: 'Organic', low: 80, high: 140 },
      { part: 'paid', name: 'Paid', low: 10, high: 15 },
    ])
  })

  it('keeps people by times to one profile, and says when the frequency contradicts them', async () => {
    await addParts([
      part(page, 'reach_by_times', END, '1', 300),
      part(page, 'reach_by_times', END, '2', 200),
      part(photos, 'reach_by_times', END, '1', 100),
      part(photos, 'reach_by_times', END, '9', 300),
    ])
    const { times } = await breakdownOf(db, await scope(), 'reach_by_times')
    // the page was shown 14,000 times in its week, to 500 people who saw it twice at most
    expect(times.find(({ profile }) => profile === page)).toMatchObject({
      windowDays: 7,
      people: 500,
      bounds: { low: 1.4, high: 1.4 },
      frequency: 28,
      fits: false,
    })
    // photos: 28 × 500 impressions to 400 people, 35 each; the last class is open
    expect(times.find(({ profile }) => profile === photos)).toMatchObject({
      windowDays: 28,
      people: 400,
      frequency: 35,
      fits: true,
      bounds: { low: 7 },
    })
  })

  it('says what is withheld, and lists only the breakdowns that the scope’s networks give', async () => {
    await addParts([part(photos, 'followers_by_origin', END, 'search', 40)])
    const { withheld, rows } = await breakdownOf(db, await scope(), 'followers_by_origin')
    expect(withheld).toBe(
      'Withheld or missing on 13 days: Commons keeps it back below 30 people in a day; Tintype keeps it back ' +
        'below 30 people in 7 days. What is kept back is not zero.',
    )
    expect(rows.find(({ part: name }) => name === 'search')).toMatchObject({ value: 40, share: 1 })
    const { breakdowns, view } = await breakdownsOf(db, await scope(undefined, { who: [photos] }), 'reach_by_source')
    expect(breakdowns).toEqual([
      'impressions_by_source',
      'impressions_by_follower',
      'interactions_by_follower',
      'followers_by_origin',
      'reach_by_times',
      'followers_by_hour',
      'followers_by_age',
      'followers_by_country',
    ])
    // photos do not give the one that is asked for
    expect(view!.breakdown).toBe('impressions_by_source')
    await expect(breakdownOf(db, await scope(), 'by_magic')).rejects.toThrow('no such breakdown')
  })
})

describe('whom the followers are', () => {
  it('is the newest count of each profile, no older than a week, compared over the profiles that have both', async () => {
    await addParts([
      part(page, 'followers_by_country', '2026-10-25', 'GB', 600),
      part(page, 'followers_by_country', '2026-10-25', 'IE', 200),
      part(page, 'followers_by_country', '2026-10-22', 'GB', 1),
      part(page, 'followers_by_country', '2026-10-18', 'GB', 500),
      part(photos, 'followers_by_country', '2026-10-20', 'GB', 999),
      part(photos, 'followers_by_country', '2026-10-21', 'IE', 200),
    ])
    const view = await breakdownOf(db, await scope(), 'followers_by_country')
    // photos were counted on the 21st, the seventh day before the end; that they had 999 the day before is over
    expect(view).toMatchObject({
      asOf: '2026-10-25',
      rows: [
        { part: 'GB', name: 'United Kingdom', value: 600, share: 0.6 },
        { part: 'IE', name: 'Ireland', value: 400, share: 0.4 },
      ],
    })
    expect(view.withheld).toBeUndefined()
    // the comparison ends on the 21st: the page had 500 in one country on the 18th, photos 200 in the other on the 21st
    // itself
    expect(view.rows.map(({ from, to }) => [from, to])).toEqual([
      [500, 600],
      [200, 400],
    ])
    await pool().query('DELETE FROM profile_day_breakdown WHERE profile_id = ?', [photos])
    expect((await breakdownOf(db, await scope(), 'followers_by_country')).withheld).toContain(
      '1 of these 2 profiles had no count',
    )
  })

  it('are there in an hour as on a typical day: the mean over its days, and never added over hours', async () => {
    await addParts([
      part(photos, 'followers_by_hour', END, '1', 30),
      part(photos, 'followers_by_hour', END, '20', 120),
      // the clock left out the hour from one to two on this day
      part(photos, 'followers_by_hour', '2026-10-27', '20', 60),
      part(photos, 'followers_by_hour', '2026-10-20', '20', 999),
    ])
    const view = await breakdownOf(db, await scope(), 'followers_by_hour')
    // photos have 300 followers: 30 of them at one, (120 + 60) / 2 at eight in the evening
    expect(view).toMatchObject({
      kind: 'hours',
      present: 2,
      expected: 7,
      profiles: ['Profile 2, Tintype'],
      rows: [
        { part: '1', name: '01:00', value: 30, share: 0.1, ofFullest: 30 / 90 },
        { part: '20', name: '20:00', value: 90, share: 0.3, ofFullest: 1 },
      ],
    })
    expect(view.withheld).toBe(
      'Withheld or missing on 5 days: Tintype keeps it back below 100 people in a day; Tintype forgets it after ' +
        '35 days. What is kept back is not zero.',
    )
    expect(
      exportOf({ kind: 'breakdown', id: '', title: '', comment: '', breakdown: view }, 'Europe/London')!.rows,
    ).toEqual([
      ['01:00', 30, 0.1, 30 / 90, 2, 7],
      ['20:00', 90, 0.3, 1, 2, 7],
    ])
  })

  it('how far videos were watched is a part of all that began, not of all parts together', async () => {
    const films = await addProfile(db, 'lantern', '4', Buffer.from('x'))
    await addDaysOf(db, [{ profile: films, day: END, views: 100 }])
    await addParts([
      part(films, 'views_by_progress', END, '0', 100),
      part(films, 'views_by_progress', END, '25', 60),
      part(films, 'views_by_progress', END, '100', 12),
    ])
    const { rows } = await breakdownOf(db, await scope(undefined, { who: [films] }), 'views_by_progress')
    await pool().query('DELETE FROM profile WHERE profile_id = ?', [films])
    expect(rows.map(({ name, share }) => [name, share])).toEqual([
      ['Began', 1],
      ['A quarter', 0.6],
      ['Half', 0],
      ['Three quarters', 0],
      ['To the end', 0.12],
    ])
  })
})

describe('beside the subject', () => {
  const volume = (network: string, day: string, interactions: number) =>
    pool().query('REPLACE INTO network_day (network, day, posts, interactions, impressions) VALUES (?, ?, 1, ?, 1)', [
      network,
      day,
      interactions,
    ])

  it('stand the whole networks, weighted as one’s own was, and the field by public figures', async () => {
    for (const day of eachDay(daysEnding(END, 14))) {
      const isLast = day > addDays(END, -7)
      await volume('commons', day, isLast ? 90 : 100)
      await volume('tintype', day, isLast ? 120 : 100)
    }
    const found = await subject(db, await scope(), 'interactions')
    // the page had 140 interactions in the week before, photos 42: (140 × −0.1 + 42 × 0.2) / 182
    expect(found.networks!.relative).toBeCloseTo((140 * -0.1 + 42 * 0.2) / 182, 12)
    expect(found.networks!.parts.map(({ name, share }) => [name, Number(share.toFixed(4))])).toEqual([
      ['Commons', 0.7692],
      ['Tintype', 0.2308],
    ])
    expect(found.own!.relative).toBe(0)
    // own without saves 140 + 35, the rival 140 → 210
    expect(found.field).toMatchObject({
      own: 2,
      rivals: 1,
      competitors: ['Thornapple Park'],
      change: { from: 315, to: 385 },
    })
  })

  it('are compared on the very days on which one’s own profiles are', async () => {
    // the page lacks one day then; on that day its network was a hundred times as loud
    await pool().query("UPDATE profile_day SET reactions = NULL WHERE profile_id = ? AND day = '2026-10-17'", [page])
    await volume('commons', '2026-10-17', 10_000)
    const found = await subject(db, await scope(), 'interactions')
    expect(found.own).toMatchObject({ direction: 'same', days: { now: 13, then: 13 } })
    expect(found.networks!.parts.find(({ name }) => name === 'Commons')!.relative).toBeCloseTo(-0.1, 12)
    await pool().query("UPDATE profile_day SET reactions = ? WHERE profile_id = ? AND day = '2026-10-17'", [
      LEVELS[weekday('2026-10-17') - 1],
      page,
    ])
    await volume('commons', '2026-10-17', 100)
  })

  it('say nothing of a network whose volume has a day missing', async () => {
    await pool().query("DELETE FROM network_day WHERE network = 'tintype' AND day = '2026-10-20'")
    expect((await subject(db, await scope(), 'interactions')).networks).toMatchObject({
      untold: ['Tintype'],
      parts: [{ name: 'Commons', share: 1 }],
    })
  })

  it('say why there is nothing', async () => {
    expect((await subject(db, await scope(), 'reach')).reason).toContain('No network tells its whole volume of reach')
    expect((await subject(db, await scope(undefined, { against: 'none' }), 'posts')).reason).toContain(
      'Choose a comparison',
    )
  })
})

describe('a target', () => {
  beforeEach(async () => void (await pool().query('DELETE FROM target')))

  it('of a sum: progress, pace and where it is heading, by hand', async () => {
    // the page’s reactions are 140 a week without fail: 20 days make 406, ten more 200
    await addTarget(
      db,
      { metric: 'reactions', who: String(page), wanted: 600, from: '2026-10-09', by: '2026-11-07' },
      1,
    )
    const [target] = (await targetsOf(db)).targets
    const sum = (from: string, to: string) =>
      eachDay({ from, to }).reduce((all, day) => all + LEVELS[weekday(day) - 1]!, 0)
    expect(target!.figure.value).toBe(sum('2026-10-09', END))
    expect(target!.heading!.value).toBeCloseTo(sum('2026-10-09', '2026-11-07'), 3)
    expect(target!.progress).toMatchObject({
      daysLeft: 10,
      elapsed: 2 / 3,
      standing: sum('2026-10-09', '2026-11-07') > 600 ? 'on course' : 'in danger',
      pace: sum('2026-10-09', END) / 20,
    })
    expect(target!.checked).toMatchObject({ tried: 17, within: 17, hasFailed: false })
    expect(target!.checked!.typicalError).toBeLessThan(0.001)
  })

  it('that begins later is judged by the same rule as after its first day, over its own days alone', async () => {
    // 14 days are 280 of them, whatever lies between
    for (const [wanted, standing] of [
      [250, 'on course'],
      [300, 'in danger'],
    ] as const) {
      await pool().query('DELETE FROM target')
      await addTarget(db, { metric: 'reactions', who: String(page), wanted, from: '2026-11-02', by: '2026-11-15' }, 1)
      await addTarget(db, { metric: 'reactions', who: String(page), wanted, from: '2026-10-26', by: '2026-11-08' }, 1)
      const [begun, later] = (await targetsOf(db)).targets
      expect(later).toMatchObject({ from: '2026-11-02', progress: { standing, elapsed: 0 } })
      expect([begun!.heading!.value, later!.heading!.value]).toEqual([expect.closeTo(280, 3), expect.closeTo(280, 3)])
      expect(begun!.progress.standing).toBe(standing)
    }
    await pool().query('DELETE FROM target')
    await addTarget(
      db,
      { metric: 'followers', who: String(page), wanted: 1500, from: '2026-11-20', by: '2026-11-30' },
      1,
    )
    await addTarget(
      db,
      { metric: 'followers', who: String(page), wanted: 1500, from: '2026-10-28', by: '2026-11-30' },
      1,
    )
    const [one, other] = (await targetsOf(db)).targets
    expect(one!.heading).toEqual(other!.heading)
  })

  it('of a level, of a rate, and of what cannot be carried on', async () => {
    const add = (metric: string, wanted: number) =>
      addTarget(db, { metric, who: String(page), wanted, from: '2026-10-01', by: '2026-11-30' }, 1)
    await add('followers', 1550)
    await add('engagement_by_impressions', 0.02)
    await add('reach', 5000)
    const [level, rate, reach] = (await targetsOf(db)).targets
    // two a day: 1,478 on 28 October, 1,422 on the day before it began, 33 days to go: 56 in 28 days are two a day
    expect(level).toMatchObject({
      start: 1422,
      figure: { value: 1478 },
      progress: { standing: 'in danger', pace: 2, paceNeeded: 72 / 33 },
    })
    // the trend of two grows weaker by half a percent a day
    expect(level!.heading!.value).toBeCloseTo(
      1478 + Array.from({ length: 33 }, (_, ahead) => 2 * 0.995 ** (ahead + 1)).reduce((sum, step) => sum + step, 0),
      6,
    )
    // one reaction for a hundred impressions, always; two for a hundred would have to come to twice as much and more
    expect(rate!.heading!.value).toBeCloseTo(0.01, 9)
    expect(rate!.progress).toMatchObject({ standing: 'in danger', pace: 0.01 })
    expect(rate!.progress.paceNeeded).toBeGreaterThan(0.02)
    expect(reach).toMatchObject({
      reason:
        'Reach cannot be added over days, so it has no pace and is not carried on. It counts as reached once its lower bound is there.',
      progress: { standing: 'unknown' },
    })
    expect(reach!.progress).not.toHaveProperty('pace')
  })

  it('over a profile that came later is not read as a rise', async () => {
    await addTarget(db, { metric: 'reactions', who: 'all', wanted: 1, from: '2026-10-22', by: '2026-11-04' }, 1)
    const [target] = (await targetsOf(db)).targets
    // photos came on 1 September: 5 a day are added to 140 a week, now as before
    expect(target!.heading!.value).toBeCloseTo(2 * (140 + 35), 3)
  })

  it('is changed, taken away and brought back; nonsense is refused', async () => {
    const given = { metric: 'posts', who: 'all', wanted: 10, from: '2026-10-01', by: '2026-10-31' }
    const id = await addTarget(db, given, 1)
    expect(await changeTarget(db, id, { ...given, wanted: 12 })).toBe(true)
    expect((await targetsOf(db)).targets[0]!.wanted).toBe(12)
    await removeTarget(db, id, true)
    expect((await targetsOf(db)).targets).toEqual([])
    await removeTarget(db, id, false)
    expect((await targetsOf(db)).targets).toHaveLength(1)
    await expect(checkTarget(db, { ...given, by: '2026-09-30' })).rejects.toThrow('ends before it begins')
    await expect(checkTarget(db, { ...given, metric: 'magic' })).rejects.toThrow('no metric')
    await expect(checkTarget(db, { ...given, who: '99999' })).rejects.toThrow('does not have')
  })

  it('of profiles that were switched off has no figure, and is not one of everybody', async () => {
    await addTarget(db, { metric: 'posts', who: String(photos), wanted: 10, from: '2026-10-01', by: '2026-10-31' }, 1)
    await pool().query('UPDATE profile SET is_active = 0 WHERE profile_id = ?', [photos])
    const [target] = (await targetsOf(db)).targets
    await pool().query('UPDATE profile SET is_active = 1 WHERE profile_id = ?', [photos])
    expect(target).toMatchObject({ whoWords: 'Profiles that are switched off', progress: { standing: 'unknown' } })
  })
})

describe('the overview', () => {
  it('by network and by set has the sums of their profiles, and a second line of its own', async () => {
    await addSet(db, 'Everything', [page, photos])
    const asked = { metric: 'impressions', second: 'engagement_by_impressions', figures: 'interactions' }
    const byNetwork = await overview(db, await scope(), { ...asked, by: 'network' })
    expect(byNetwork.profiles.map(({ name, figures }) => [name, figures.reactions!.figure.value])).toEqual([
      ['Commons', 140],
      ['Tintype', 35],
    ])
    expect(byNetwork.second!.metric).toBe('engagement_by_impressions')
    expect(byNetwork.second!.current.at(-1)!.value).toBeCloseTo((12 + 6) / (1200 + 500), 12)
    expect(byNetwork.figures.map(({ figure }) => figure.metric)).toContain('click_rate')
    const bySet = await overview(db, await scope(), { ...asked, by: 'set' })
    expect(bySet.profiles.map(({ name, figures }) => [name, figures.reactions!.figure.value])).toEqual([
      ['Everything', 175],
    ])
  })

  it('says from when figures exist when the scope reaches back further', async () => {
    const since = async (period: string) =>
      (await describeScope(db, { who: [], sets: [], period, against: 'before' })).since
    expect(await since('2026-10-01..2026-10-28')).toEqual([])
    expect(await since('2026-09-10..2026-10-07')).toEqual([
      { name: 'Profile 2, Tintype', from: '2026-09-01', touches: 'comparison' },
    ])
    expect(await since('2026-08-01..2026-09-28')).toMatchObject([
      { name: 'Profile 2, Tintype', from: '2026-09-01', touches: 'period' },
    ])
    expect(
      (await composeReport(db, { title: 'x', period: '2026-08-01..2026-09-28', against: 'none', blocks: [] })).since,
    ).toHaveLength(1)
  })

  it('says beside each figure that a first fetch is still running, and only there', async () => {
    await pool().query('UPDATE profile SET first_fetch = 1 WHERE profile_id = ?', [photos])
    const { figures, profiles } = await overview(db, await scope(), { metric: 'impressions', figures: 'interactions' })
    await pool().query('UPDATE profile SET first_fetch = 0')
    const of = (metric: string) => figures.find(({ figure }) => figure.metric === metric)!.figure.coverage.fetching
    expect(of('interactions')).toEqual([photos])
    // link clicks are not reported by photos, so they are not touched
    expect(of('clicks')).toBeUndefined()
    expect(profiles.map(({ firstFetch }) => firstFetch)).toEqual([false, true])
  })
})

describe('kept scopes', () => {
  it('keep the parts that were chosen and no other', async () => {
    const id = await saveScope(db, 'Photos, weekly', { who: String(photos), period: 'last-7-days' })
    expect(await savedScopes(db)).toEqual([
      { id, name: 'Photos, weekly', parts: { who: String(photos), period: 'last-7-days' } },
    ])
    expect(
      (await describeScope(db, { who: [], sets: [], period: 'last-28-days', against: 'before' })).saved,
    ).toHaveLength(1)
    await removeScope(db, id, true)
    expect(await savedScopes(db)).toEqual([])
    expect(await removeScope(db, id + 99, true)).toBe(false)
  })
})

describe('an answer that is remembered', () => {
  it('is worked out once, and again after anything was written', async () => {
    let worked = 0
    const ask = () =>
      remembered(db, 'test', async () => {
        await notesIn(db, { from: END, to: END })
        return { worked: ++worked }
      })
    expect([await ask(), await ask()]).toEqual(['{"worked":1}', '{"worked":1}'])
    await db.insertRows('note', ['from_day', 'to_day', 'title'], [[END, END, 'x']])
    expect(await ask()).toBe('{"worked":2}')
    await db.transaction((inside) => inside.insertRows('note', ['from_day', 'to_day', 'title'], [[END, END, 'y']]))
    expect(await ask()).toBe('{"worked":3}')
    await db
      .transaction(async (inside) => {
        await inside.insertRows('note', ['from_day', 'to_day', 'title'], [[END, END, 'z']])
        throw new Error('taken back')
      })
      .catch(() => undefined)
    expect(await ask()).toBe('{"worked":3}')
  })

  it('speaks of one moment, whatever is written while it is worked out', async () => {
    const write = () => db.insertRows('note', ['from_day', 'to_day', 'title'], [[END, END, 'meanwhile']])
    const moment = (whileAt: () => Promise<unknown>) =>
      remembered(db, 'moment', async (then) => {
        const before = await notesIn(then, { from: END, to: END })
        await whileAt()
        return (await notesIn(then, { from: END, to: END })).length - before.length
      })
    expect(await moment(write)).toBe('0')
    // and what was written meanwhile makes it old
    let isAsked = false
    await moment(async () => (isAsked = true))
    expect(isAsked).toBe(true)
  })

  it('is kept while a job gets on and other things are written, and so are the rows in memory', async () => {
    let worked = 0
    const ask = () =>
      remembered(db, 'days', async () => {
        await db.rows(sql`SELECT day FROM profile_day WHERE client_id = ${db.client} LIMIT 1`)
        return { worked: ++worked }
      })
    const rows = await versionOf(db, ['profile_day'])
    expect(await ask()).toBe('{"worked":1}')
    const job = await enqueue(db, SYNC, 1, {})
    await db.run(sql`UPDATE job SET progress = 7 WHERE client_id = ${db.client} AND job_id = ${job}`)
    await db.run(sql`UPDATE report SET title = title WHERE client_id = ${db.client} AND report_id = 0`)
    expect(await ask()).toBe('{"worked":1}')
    expect(await versionOf(db, ['profile_day'])).toBe(rows)
    // an answer within an answer is worked out from what that was
    const around = () => remembered(db, 'around', async () => [await ask(), ++worked])
    const first = await around()
    expect(await around()).toBe(first)
    await db.run(
      sql`UPDATE profile_day SET impressions = impressions WHERE client_id = ${db.client} AND profile_id = -1`,
    )
    expect(await around()).not.toBe(first)
    expect(await versionOf(db, ['profile_day'])).not.toBe(rows)
    await db.run(sql`DELETE FROM job WHERE client_id = ${db.client} AND job_id = ${job}`)
  })

  it('belongs to its client', async () => {
    const other = await addClient('another')
    expect(await remembered(other, 'whose', async () => 'theirs')).toBe('"theirs"')
    expect(await remembered(db, 'whose', async () => 'ours')).toBe('"ours"')
    expect(await remembered(other, 'whose', async () => 'anybody’s')).toBe('"theirs"')
  })
})

describe('a large client', () => {
  it('is answered from memory once its rows are there, the same to the last digit, and anew after anything was written', async () => {
    const large = await addClient('large', 3_000_000)
    const days = eachDay(daysEnding(END, 420))
    const ids: number[] = []
    for (let number = 0; number < 30; number++)
      ids.push(await addProfile(large, number % 2 ? 'commons' : 'tintype', `9${number}`, Buffer.from('x')))
    for (const [at, profile] of ids.entries()) {
      await addDaysOf(
        large,
        days
          .filter((_, index) => (index + at) % 37 > 0)
          .map((day, index) => ({
            profile,
            day,
            impressions: 100 + ((index * 7 + at) % 50),
            reactions: at,
            comments: 1,
            shares: 0,
            posts: 1,
            followers: 500 + index,
            reach_1d: 40 + at,
            reach_7d: 200,
          })),
      )
    }
    const year = await resolveScope(large, {
      who: [],
      sets: [],
      period: '2026-01-01..2026-10-28',
      against: 'same-dates-last-year',
    })
    const ask = async () =>
      JSON.parse(
        JSON.stringify(await overview(large, year, { metric: 'reach', second: 'posts', by: 'network' })),
      ) as object
    const cold = await ask()
    await vi.waitFor(() => expect(isLoading(large)).toBe(false))
    const queries: string[] = []
    const spied: ClientDb = {
      ...large,
      rows: (query) => (queries.push(query.text), large.rows(query)),
      one: async (query) => (await spied.rows<never>(query))[0],
    }
    const warm = JSON.parse(
      JSON.stringify(await overview(spied, year, { metric: 'reach', second: 'posts', by: 'network' })),
    ) as object
    expect(queries.some((text) => text.includes('profile_day'))).toBe(false)
    expect(rounded(warm)).toEqual(rounded(cold))
    await large.run(
      sql`UPDATE profile_day SET impressions = 1000000 WHERE client_id = ${large.client} AND profile_id = ${ids[0]} AND day = ${END}`,
    )
    expect(rounded(await ask())).not.toEqual(rounded(cold))
  })
})

describe('all clients', () => {
  it('name what is due: a report without an edition of its period, a target that ends soon', async () => {
    await pool().query('DELETE FROM target')
    const monthly = await addReport(db, 'Monthly', [])
    await pool().query("UPDATE report SET period = 'last-month' WHERE report_id = ?", [monthly])
    await addTarget(
      db,
      { metric: 'reactions', who: String(page), wanted: 100_000, from: '2026-10-01', by: '2026-11-05' },
      1,
    )
    const owner = { id: 1, agencyId: 1, name: 'A', email: 'a@b.example', role: 'owner' as const }
    const summary = async () => (await allClients(owner)).find(({ slug }) => slug === 'measuring')!
    const before = await summary()
    expect(before.due.map(({ sentence }) => sentence)).toEqual([
      '“Monthly” has no edition yet.',
      'The target for reactions of Profile 1 on Commons ends in 8 days.',
    ])
    expect(before.targets).toMatchObject([{ metric: 'reactions', progress: { standing: 'in danger' } }])
    const content = await composeReport(db, { title: 'Monthly', period: 'last-month', against: 'none', blocks: [] })
    await freeze(db, monthly, crypto.randomUUID(), content, 1)
    expect((await summary()).due.map(({ kind }) => kind)).toEqual(['target'])
    // the same as a block of a report, where the reports that are due have no place
    const block = await fill(db, await scope(), {
      id: 'x',
      kind: 'open',
      title: '',
      metrics: [],
      option: '',
      who: 'all',
      text: '',
      comment: '',
    })
    expect(block).toMatchObject({
      kind: 'open',
      open: { targets: [{ metric: 'reactions' }], due: [{ kind: 'target' }], unusual: [] },
    })
    expect(exportOf(block, 'Europe/London')!.rows.slice(0, 2)).toEqual([
      ['Target', 'Reactions of Profile 1 on Commons', '2026-11-05', 'in danger'],
      ['Due', '', null, 'The target for reactions of Profile 1 on Commons ends in 8 days.'],
    ])
  })
})

describe('the first of a month', () => {
  it('leaves the first page standing, though a report of “this month” has no day yet', async () => {
    const id = await addReport(db, 'Month so far', [])
    await pool().query("UPDATE report SET period = 'this-month' WHERE report_id = ?", [id])
    process.env.ZAFFER_NOW = '2026-11-01T06:00:00Z'
    const owner = { id: 1, agencyId: 1, name: 'A', email: 'a@b.example', role: 'owner' as const }
    const summary = (await allClients(owner)).find(({ slug }) => slug === 'measuring')!
    process.env.ZAFFER_NOW = '2026-10-29T06:00:00Z'
    await pool().query('DELETE FROM report WHERE report_id = ?', [id])
    expect(summary.due.some(({ sentence }) => sentence.includes('Month so far'))).toBe(false)
  })
})

describe('every kind of block', () => {
  it('is filled and has its table', async () => {
    const block = (
      kind:
        | 'figures'
        | 'chart'
        | 'table'
        | 'breakdown'
        | 'why'
        | 'unusual'
        | 'subject'
        | 'targets'
        | 'posts'
        | 'open'
        | 'profiles'
        | 'found',
      metrics: string[] = [],
      option = '',
    ) => ({ id: kind, kind, title: '', metrics, option, who: 'all', text: '', comment: '' })
    const blocks = [
      block('figures', ['reach']),
      block('chart', ['posts', 'followers'], 'index'),
      block('table', ['posts'], 'network'),
      block('breakdown'),
      block('why', ['impressions']),
      block('unusual', ['impressions']),
      block('subject', ['interactions']),
      block('targets'),
      block('posts', [], 'sure'),
      block('open'),
      block('profiles'),
      block('found'),
    ]
    const content = await composeReport(db, { title: 'All of them', period: 'last-7-days', against: 'before', blocks })
    expect(content.blocks.map(({ kind }) => kind)).toEqual(blocks.map(({ kind }) => kind))
    expect(content.blocks[1]).toMatchObject({ isIndex: true, second: { metric: 'followers' } })
    expect(content.blocks[2]).toMatchObject({ by: 'network', rows: [{ name: 'Commons' }, { name: 'Tintype' }] })
    expect(content.blocks[10]).toMatchObject({ rows: [{ name: 'Profile 1' }, { name: 'Profile 2' }] })
    for (const each of content.blocks) expect(exportOf(each, 'Europe/London')!.columns.length).toBeGreaterThan(0)
  })

  it('can be of some profiles, stays with them, and is of nobody once they are switched off', async () => {
    const set = await addSet(db, 'The photos', [photos])
    const block = (who: string) => ({
      id: who,
      kind: 'figures' as const,
      title: '',
      metrics: ['impressions'],
      option: '',
      who,
      text: '',
      comment: '',
    })
    const compose = async () =>
      (
        await composeReport(db, {
          title: 'x',
          period: 'last-7-days',
          against: 'none',
          blocks: ['all', String(photos), `s${set}`, `s${set},${page}`].map(block),
        })
      ).blocks.map((each) => [each.who, each.kind === 'figures' && each.figures[0]!.figure.value])
    // the page was shown 14,000 times in its week, the photos 500 times a day
    expect(await compose()).toEqual([
      [undefined, 17_500],
      ['Profile 2 on Tintype', 3500],
      ['The photos (1 profile)', 3500],
      ['All 2 profiles', 17_500],
    ])
    await pool().query('UPDATE profile SET is_active = 0 WHERE profile_id = ?', [photos])
    const left = await compose()
    await pool().query('UPDATE profile SET is_active = 1 WHERE profile_id = ?', [photos])
    expect(left).toEqual([
      [undefined, 14_000],
      ['Profiles that are switched off', undefined],
      ['Profiles that are switched off', undefined],
      ['Profile 1 on Commons', 14_000],
    ])
    // what is open is open at the client as a whole
    expect(
      (
        await composeReport(db, {
          title: 'x',
          period: 'last-7-days',
          against: 'none',
          blocks: [{ ...block(String(photos)), kind: 'open' }],
        })
      ).blocks[0]!.who,
    ).toBeUndefined()
    await expect(addReport(db, 'Foreign', [block('99999')])).rejects.toThrow('not the client’s own')
    await expect(addReport(db, 'Rival', [block(String(rival))])).rejects.toThrow('not the client’s own')
  })

  it('narrows a scope as the scope itself would', async () => {
    const set = await addSet(db, 'Both', [photos, page])
    const all = await scope()
    for (const who of ['all', String(page), `s${set}`, `s${set},${page}`]) {
      const [left, right] = [narrowed(all, who), await scope(undefined, parseWho(who))]
      expect([who, left.profiles, left.connected, left.words, left.query]).toEqual([
        who,
        right.profiles,
        right.connected,
        right.words,
        right.query,
      ])
    }
  })
})
