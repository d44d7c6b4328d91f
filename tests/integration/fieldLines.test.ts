import { DateTime } from 'luxon'
import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, describe, expect, it } from 'vitest'
import { unit } from '../../demo/random'
import { fieldOf } from '../../server/compare/field/field'
import { fieldEvents, fieldEventsBlock } from '../../server/compare/field/fieldEvents'
import { fieldLines, fieldLinesBlock } from '../../server/compare/field/fieldLines'
import { resolveScope } from '../../server/figures/resolveScope'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { fieldSchema } from '../../shared/compare/field'
import { fieldEventsSchema } from '../../shared/compare/fieldEvents'
import { fieldLinesSchema, LINE_METRICS } from '../../shared/compare/fieldLines'
import { parseScope } from '../../shared/figures/scope'
import type { Block } from '../../shared/report/blocks'
import { useDatabase } from './support/database'
import { addDemo } from './support/demo'

const { pool } = useDatabase('field_lines')
let db: ClientDb
const shift = (day: string, days: number) => DateTime.fromISO(day, { zone: 'utc' }).plus({ days }).toISODate()!

interface Raw {
  profile: number
  network: string
  rival: string | null
  day: string
  followers: number | null
  posts: number | null
  views: number | null
  interactions: number | null
}
/** Every day of every profile, by profile and day. */
const days = new Map<string, Raw>()
const profiles = new Map<string, { id: number; network: string }[]>()
let client = ''

beforeAll(async () => {
  await addDemo()
  db = await clientDbForJob(1)
  client = db.name
  const [rows] = await pool().query<(RowDataPacket & Raw)[]>(
    `SELECT d.profile_id AS profile, f.network, f.rival, DATE_FORMAT(d.day, '%Y-%m-%d') AS day,
            CAST(d.followers AS DOUBLE) AS followers, CAST(d.posts AS DOUBLE) AS posts, CAST(d.views AS DOUBLE) AS views,
            CAST(d.reactions + d.comments + d.shares AS DOUBLE) AS interactions
     FROM profile_day d JOIN profile f USING (client_id, profile_id)
     WHERE d.client_id = 1 AND f.is_active = 1 AND f.network <> 'waymark'`,
  )
  for (const row of rows) {
    days.set(`${row.profile} ${row.day}`, row)
    const name = row.rival ?? client
    const known = profiles.get(name) ?? []
    if (!known.some(({ id }) => id === row.profile)) known.push({ id: row.profile, network: row.network })
    profiles.set(name, known)
  }
})

/** A week of a profile by the plain definition: all seven days, or none; of a level the last one, a week old at the most. */
function weekOf(profile: number, last: string, metric: (typeof LINE_METRICS)[number]): number | undefined {
  const at = (ago: number) => days.get(`${profile} ${shift(last, -ago)}`)?.[metric] ?? undefined
  if (metric === 'followers') {
    for (let ago = 0; ago <= 7; ago++) if (at(ago) !== undefined) return at(ago)
    return undefined
  }
  const all = [0, 1, 2, 3, 4, 5, 6].map(at)
  return all.every((value) => value !== undefined) ? all.reduce((sum, value) => sum + value, 0) : undefined
}

describe('the field week by week', () => {
  it('is as the raw rows have it, over forty periods, networks and forms', async () => {
    for (let round = 0; round < 40; round++) {
      const to = shift('2026-10-26', -Math.floor(unit('to', round) * 200))
      const line = LINE_METRICS[Math.floor(unit('metric', round) * LINE_METRICS.length)]!
      const as = (['level', 'change', 'index'] as const)[round % 3]!
      const network = ['', '', 'tintype', 'lantern'][Math.floor(unit('network', round) * 4)]!
      const scope = await resolveScope(db, parseScope({ period: `${shift(to, -27)}..${to}`, against: 'none' }))
      const shown = await fieldLines(db, scope, fieldLinesSchema.validateSync({ line, as, network }))
      expect(shown.weeks).toHaveLength(52)
      expect(shown.weeks.at(-1)).toBe(to)
      for (const { name, values, breaks } of shown.members) {
        const own = profiles.get(name)!.filter((one) => network === '' || one.network === network)
        const weeks = own.map(({ id }) => shown.weeks.map((last) => weekOf(id, last, line)))
        const known = weeks.filter((of) => of.some((value) => value !== undefined))
        const alive = shown.weeks.map((_, week) =>
          known.filter(
            (of) =>
              of.findIndex((value) => value !== undefined) <= week &&
              of.slice(week).some((value) => value !== undefined),
          ),
        )
        const sum = (of: typeof known, week: number) =>
          of.length > 0 && of.every((each) => each[week] !== undefined)
            ? of.reduce((all, each) => all + each[week]!, 0)
            : undefined
        const level = shown.weeks.map((_, week) => sum(alive[week]!, week))
        const first = level.findIndex((value) => value !== undefined)
        const beside = (week: number, base: number) => {
          if (base < 0 || level[week] === undefined || level[base] === undefined) return undefined
          const both = known.filter((of) => of[week] !== undefined && of[base] !== undefined)
          const [now, then] = [sum(both, week), sum(both, base)]
          return then ? now! / then : undefined
        }
        const wanted = shown.weeks.map((_, week) => {
          if (as === 'level') return level[week]
          const ratio = as === 'change' ? beside(week, week - 1) : beside(week, first)
          return ratio === undefined ? undefined : as === 'change' ? ratio - 1 : 100 * ratio
        })
        expect(values.map((value) => value === undefined)).toEqual(wanted.map((value) => value === undefined))
        values.forEach((value, week) => value !== undefined && expect(value).toBeCloseTo(wanted[week]!, 6))
        for (const { week } of breaks) expect(alive[week]!.length).toBeGreaterThan(0)
      }
    }
  })
  it('says where a profile begins, and goes on without it in change and index', async () => {
    const scope = await resolveScope(db, parseScope({ period: '2026-10-01..2026-10-28', against: 'none' }))
    const shown = await fieldLines(db, scope, fieldLinesSchema.validateSync({}))
    const grown = shown.members.find(({ name }) => name === 'Bellweather Arboretum')!
    expect(grown.breaks).toEqual([{ week: expect.any(Number), begins: ['Lantern'], ends: [] }])
    const [at] = grown.breaks
    // the channel has begun 150 days before the end: the first whole week is the one after
    expect(shown.weeks[at!.week]! >= '2026-05-31' && shown.weeks[at!.week]! <= '2026-06-13').toBe(true)
    const index = await fieldLines(db, scope, fieldLinesSchema.validateSync({ as: 'index' }))
    const line = index.members.find(({ name }) => name === 'Bellweather Arboretum')!.values
    expect(Math.abs(line[at!.week]! - line[at!.week - 1]!)).toBeLessThan(2)
  })
  it('as shares of voice adds up to one, each beside the raw rows of its week', async () => {
    const scope = await resolveScope(db, parseScope({ period: '2026-10-01..2026-10-28', against: 'none' }))
    const { weeks, members } = await fieldLines(
      db,
      scope,
      fieldLinesSchema.validateSync({ line: 'interactions', as: 'share' }),
    )
    let told = 0
    weeks.forEach((last, week) => {
      const sums = members.map(({ name }) => profiles.get(name)!.map(({ id }) => weekOf(id, last, 'interactions')))
      // a profile that has not begun has no value, and is none of its member yet
      const levels = sums.map((values) => values.flatMap((value) => value ?? []).reduce((sum, value) => sum + value, 0))
      const all = levels.reduce((sum, value) => sum + value, 0)
      const shares = members.map(({ values }) => values[week])
      if (shares.some((share) => share === undefined)) return
      told++
      shares.forEach((share, index) => expect(share!).toBeCloseTo(levels[index]! / all, 9))
      expect(shares.reduce<number>((sum, share) => sum + share!, 0)).toBeCloseTo(1, 9)
    })
    expect(told).toBeGreaterThan(30)
  })
  it('is a block and a file, and of whom it is not released nobody gets it', async () => {
    const scope = await resolveScope(db, parseScope({ period: '2026-10-01..2026-10-28', against: 'none' }))
    const block = { id: 'a', kind: 'fieldLines', line: 'posts', as: 'level' } as Block
    const given = { db, scope, block, sight: { rivals: true } } as never
    const filled = await fieldLinesBlock.fill(given)
    expect(filled.lines).toEqual(await fieldLines(db, scope, fieldLinesSchema.validateSync({ line: 'posts' })))
    const table = fieldLinesBlock.tableOf!(filled, 'UTC')!
    expect(table.rows).toHaveLength(52 * filled.lines.members.length)
    expect(table.rows[0]).toHaveLength(table.columns.length)
    await expect(
      (async () => fieldLinesBlock.fill({ db, scope, block, sight: { rivals: false } } as never))(),
    ).rejects.toThrow(/released/)
    expect(() => fieldLinesSchema.validateSync({ line: 'reach' })).toThrow(/lines of followers/)
    expect(() => fieldLinesSchema.validateSync({ as: 'x' })).toThrow(/level, a change, an index or a share/)
  })
})

describe('growth in the field', () => {
  it('stands out where the demo has it so, and is dated where it turned', async () => {
    const scope = await resolveScope(db, parseScope({ period: '2026-10-01..2026-10-28', against: 'none' }))
    const { members } = await fieldOf(db, scope, fieldSchema.validateSync({}))
    const of = (name: string) => members.find((member) => member.name === name)!
    expect(of('The Glass Fernery').standsOut).toMatchObject({ is: 'faster', others: 3, ofSize: false })
    expect(of('Thornapple Park').turn).toBeDefined()
    // it grows faster on one network since 91 days before the end of the demo, which is the 29th of July
    const off = DateTime.fromISO(of('Thornapple Park').turn!.from).diff(DateTime.fromISO('2026-07-29'), 'days').days
    expect(Math.abs(off)).toBeLessThan(22)
    expect(of('Thornapple Park').turn!.after).toBeGreaterThan(of('Thornapple Park').turn!.before)
    expect(of('The Glass Fernery').turn).toBeUndefined()
  })
})

describe('an event through the field', () => {
  it('is as the raw rows have it, over thirty windows and tags', async () => {
    interface Tagged {
      profile: number
      rival: string | null
      tag: number
      day: string
      brought: number | null
    }
    const [tagged] = await pool().query<(RowDataPacket & Tagged)[]>(
      `SELECT DISTINCT p.profile_id AS profile, p.remote_id AS id, f.rival, t.tag_id AS tag, DATE_FORMAT(p.day, '%Y-%m-%d') AS day,
              CAST(IF(COALESCE(p.reactions, p.comments, p.shares) IS NULL, NULL,
                COALESCE(p.reactions, 0) + COALESCE(p.comments, 0) + COALESCE(p.shares, 0)) AS DOUBLE) AS brought
       FROM post p JOIN post_tag t USING (client_id, profile_id, remote_id) JOIN profile f USING (client_id, profile_id)
       WHERE p.client_id = 1`,
    )
    const tags = [...new Set(tagged.map(({ tag }) => tag))]
    expect(tagged.filter(({ rival }) => rival === 'Thornapple Park').length).toBeGreaterThan(0)
    const [bounds] = await pool().query<(RowDataPacket & { profile: number; first: string; last: string })[]>(
      `SELECT d.profile_id AS profile, DATE_FORMAT(MIN(d.day), '%Y-%m-%d') AS first, DATE_FORMAT(MAX(s.through), '%Y-%m-%d') AS last
       FROM profile_day d JOIN connection k USING (client_id, profile_id)
       JOIN sync_cursor s ON s.client_id = k.client_id AND s.connection_id = k.connection_id AND s.stream = 'figures'
       WHERE d.client_id = 1 GROUP BY d.profile_id`,
    )
    const scope = await resolveScope(db, parseScope({ period: '2026-10-01..2026-10-28', against: 'none' }))
    for (let round = 0; round < 30; round++) {
      const days = [0, 1, 2].map((each) => shift('2026-10-28', -Math.floor(unit('on', round, each) * 420))).sort()
      const [before, after] = [Math.floor(unit('before', round) * 60), Math.floor(unit('after', round) * 20)]
      const tag = tags[round % tags.length]!
      const shown = await fieldEvents(
        db,
        scope,
        fieldEventsSchema.validateSync({ tag, on: days.join(','), before, after }),
      )
      expect(shown.days).toEqual([...new Set(days)])
      expect(shown.rows.length).toBeGreaterThan(10)
      for (const { profile, parts } of shown.rows)
        for (const part of parts) {
          const [from, end] = [shift(part.on, -before), shift(part.on, after)]
          const own = tagged.filter(
            (one) => one.profile === profile && one.tag === tag && one.day >= from && one.day <= end,
          )
          const counted = own.flatMap(({ brought }) => (brought === null ? [] : [brought]))
          expect([part.posts, part.counted]).toEqual([own.length, counted.length])
          expect(part.interactions).toBe(
            counted.length > 0 ? counted.reduce((sum, brought) => sum + brought, 0) : undefined,
          )
          const to = end < '2026-10-28' ? end : '2026-10-28'
          const window = Array.from(
            { length: Math.max(0, DateTime.fromISO(to).diff(DateTime.fromISO(from), 'days').days + 1) },
            (_, index) => shift(from, index),
          )
          const bound = bounds.find((one) => one.profile === profile)!
          expect(part.of).toBe(window.length)
          expect(part.known).toBe(window.filter((day) => day >= bound.first && day <= bound.last).length)
        }
    }
  })
  it('is a block and a file; of a tag that is gone nothing is said', async () => {
    const scope = await resolveScope(db, parseScope({ period: '2026-10-01..2026-10-28', against: 'none' }))
    const block = { id: 'a', kind: 'fieldEvents', tag: 1, on: '2025-10-15,2026-10-21', before: 30, after: 7 } as Block
    const filled = await fieldEventsBlock.fill({ db, scope, block, sight: { rivals: true } } as never)
    const table = fieldEventsBlock.tableOf!(filled, 'UTC')!
    expect(table.rows).toHaveLength(2 * filled.events.rows.length)
    expect(table.rows[0]).toHaveLength(table.columns.length)
    await expect(
      (async () => fieldEventsBlock.fill({ db, scope, block, sight: { rivals: false } } as never))(),
    ).rejects.toThrow(/released/)
    expect(await fieldEvents(db, scope, fieldEventsSchema.validateSync({ tag: 99_999, on: '2026-10-21' }))).toEqual({
      before: 30,
      after: 7,
      days: ['2026-10-21'],
      rows: [],
    })
    expect(() => fieldEventsSchema.validateSync({ on: 'tomorrow' })).toThrow(/days/)
  })
})
