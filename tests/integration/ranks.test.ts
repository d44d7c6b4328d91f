import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import { foundFrom } from '../../demo/ranks'
import { unit } from '../../demo/random'
import { resolveScope } from '../../server/figures/resolveScope'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { askForCheck } from '../../server/read/ranks/askForCheck'
import { rankAllowance, takePoints } from '../../server/read/ranks/rankAllowance'
import { ranksIn } from '../../server/read/ranks/ranks'
import { ranksDue } from '../../server/read/ranks/ranksDue'
import { rankView } from '../../server/read/ranks/rankView'
import { addWatch, changeRhythm, removeWatch, todayOf, watchById } from '../../server/read/ranks/rankWatches'
import { rankWatchSchema, type RankWatchInput } from '../../shared/read/ranks'
import { parseScope } from '../../shared/figures/scope'
import { runJobs, useDatabase } from './support/database'
import { addDemo } from './support/demo'
import { useStandins } from './support/standins'

const { pool } = useDatabase('ranks')
const standins = useStandins()
let db: ClientDb
let place: number
const asked = async (text: string, values: unknown[] = []) =>
  (await pool().query<RowDataPacket[]>(text, values))[0] as Record<string, unknown>[]
const scopeOf = (period: string, against = 'none') => resolveScope(db, parseScope({ period, against }))
const TEA: Omit<RankWatchInput, 'place'> = {
  keyword: 'tea room',
  kind: 'map',
  rhythm: 'week',
  shape: 'hexagon',
  spacing: 600,
  rings: 3,
}
const used = async () => Number((await asked('SELECT COALESCE(SUM(used), 0) AS used FROM rank_use'))[0]!.used)

beforeAll(async () => {
  await addDemo()
  db = await clientDbForJob(1)
  place = Number((await asked("SELECT place_id AS id FROM place WHERE name = 'Mossgate tea rooms'"))[0]!.id)
})
beforeEach(() => {
  standins.state.isDown = false
})

describe('the figures of ranks', () => {
  interface Check {
    day: string
    here: number | null
    sought: string
    found: { listings: { id: string }[]; points: number[][] }
  }
  const rawOf = async (id: number): Promise<Check[]> =>
    (
      await asked(
        "SELECT DATE_FORMAT(day, '%Y-%m-%d') AS day, here, sought, found FROM rank_check WHERE watch_id = ? ORDER BY day",
        [id],
      )
    ).map((row) => ({ ...row, found: JSON.parse(String(row.found)) as object }) as Check)
  /** A middle of places, beyond the first 20 as infinitely far, written down again. */
  const middle = (ranks: (number | null)[]) => {
    const sorted = ranks.map((rank) => rank ?? Infinity).sort((a, b) => (a < b ? -1 : a > b ? 1 : 0))
    const [low, high] = [sorted[Math.ceil(sorted.length / 2) - 1]!, sorted[Math.floor(sorted.length / 2)]!]
    return high === Infinity ? [low === Infinity ? null : low, null] : [(low + high) / 2, (low + high) / 2]
  }

  it('are those of the raw rows, over a hundred periods', async () => {
    const watches = await asked('SELECT watch_id AS id FROM rank_watch WHERE client_id = 1')
    expect(watches).toHaveLength(5)
    let seen = 0
    for (let round = 0; round < 100; round++) {
      const to = addDays('2026-10-24', -Math.floor(unit(`to ${round}`) * 80))
      const from = addDays(to, -Math.floor(unit(`from ${round}`) * 50))
      const { rows } = await ranksIn(db, await scopeOf(`${from}..${to}`, 'before'))
      for (const { id } of watches as { id: number }[]) {
        const row = rows.find((each) => each.id === id)!
        const length = Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000) + 1
        const [now, before] = [
          [from, to],
          [addDays(from, -length), addDays(from, -1)],
        ].map(async ([first, last]) => (await rawOf(id)).filter(({ day }) => day >= first! && day <= last!))
        const [checks, past] = [await now!, await before!]
        expect(row.now.checks).toBe(checks.length)
        expect(row.before!.checks).toBe(past.length)
        if (checks.length === 0) continue
        seen++
        expect(row.here).toEqual({ day: checks.at(-1)!.day, rank: checks.at(-1)!.here })
        const ranks = checks.map(({ here }) => here)
        expect([row.now.middle!.low, row.now.middle!.high]).toEqual(middle(ranks))
        expect(row.now.first).toBe(ranks.filter((rank) => rank !== null && rank <= 3).length)
        const places = ranks.map((rank) => rank ?? 99)
        expect([row.now.best ?? 99, row.now.worst ?? 99]).toEqual([Math.min(...places), Math.max(...places)])
        expect(row.chance === undefined).toBe(checks.length < 4 || past.length < 4)
      }
    }
    expect(seen).toBeGreaterThan(250)
  })

  it('over points are those of the raw rows, point by point and for everybody who stands there', async () => {
    const [{ id }] = (await asked("SELECT watch_id AS id FROM rank_watch WHERE keyword = 'tea room'")) as [
      { id: number },
    ]
    const raw = await rawOf(id)
    const view = await rankView(db, await scopeOf('2026-10-01..2026-10-28', '2026-09-01..2026-09-30'), id)
    const last = raw.filter(({ day }) => day <= '2026-10-28').at(-1)!
    const before = raw.filter(({ day }) => day <= '2026-09-30').at(-1)!
    expect([view.now!.day, view.before!.day]).toEqual([last.day, before.day])
    const rankOf = (check: Check, point: number, listing: string) => {
      const at = check.found.points[point]!.findIndex((number) => check.found.listings[number]!.id === listing)
      return at < 0 ? null : at + 1
    }
    expect(view.now!.points).toHaveLength(37)
    view.now!.points.forEach((point, index) => expect(point.rank).toBe(rankOf(last, index, last.sought)))
    view.before!.points.forEach((point, index) => expect(point.rank).toBe(rankOf(before, index, before.sought)))
    const count = (check: Check, listing: string) =>
      check.found.points.filter((_, index) => (rankOf(check, index, listing) ?? 99) <= 3).length
    expect([view.now!.first, view.before!.first]).toEqual([count(last, last.sought), count(before, before.sought)])
    const names = new Map(
      (last.found.listings as { id: string; name: string }[]).map((listing) => [listing.name, listing.id]),
    )
    for (const { name, first, before: past } of view.standings) {
      const listing = names.get(name)
      if (!listing) continue
      expect([first, past!.first], name).toEqual([count(last, listing), count(before, listing)])
    }
    expect(view.standings.reduce((sum, { first }) => sum + first, 0)).toBeGreaterThan(90)
    // what the demo tells: the tea rooms have fallen, by more than they usually move
    expect(view.now!.first).toBeLessThan(view.before!.first - (view.usual.first ?? 0))
    expect(view.now!.lead!.km).toBeLessThan(view.before!.lead!.km)
    expect(view.lines.map(({ day, here }) => [day, here])).toEqual(raw.map(({ day, here }) => [day, here]))
  })

  it('find the kiosk leading at its door, and gone 800 m away', async () => {
    const [{ id }] = (await asked("SELECT watch_id AS id FROM rank_watch WHERE keyword = 'coffee'")) as [{ id: number }]
    const { now } = await rankView(db, await scopeOf('2026-10-01..2026-10-28'), id)
    expect(now!.points.find(({ km }) => km < 0.01)!.rank).toBe(1)
    for (const { km, rank } of now!.points) if (km > 1.1) expect(rank === null || rank > 3, `${km}`).toBe(true)
    expect(now!.lead!.km).toBeGreaterThan(0.1)
    expect(now!.lead!.km).toBeLessThan(1)
  })
})

describe('a check', () => {
  it('asks for every point once, keeps what was found and counts it against the month', async () => {
    const before = await used()
    const id = await addWatch(db, { ...TEA, place, shape: 'square', rings: 4 })
    await askForCheck(db, id, 1)
    await runJobs()
    const watch = await watchById(db, id)
    expect(watch.last).toBe(todayOf(db))
    expect(await used()).toBe(before + 81)
    const [row] = await asked('SELECT * FROM rank_check WHERE watch_id = ?', [id])
    const found = JSON.parse(String(row!.found)) as { listings: { id: string }[]; points: number[][] }
    const [place0] = await asked('SELECT lat, lon FROM place WHERE place_id = ?', [place])
    const middle = { lat: Number(place0!.lat), lon: Number(place0!.lon) }
    const there = foundFrom({ keyword: 'tea room', kind: 'map', day: todayOf(db) }, middle, '2026-10-28')
    expect(found.points[40]!.map((number) => found.listings[number]!.id)).toEqual(there.map(({ id: each }) => each))
    // a check is of one day
    await expect(askForCheck(db, id, 1)).rejects.toThrow('checked today already')
    // it is there at once, in a period that ends with the last whole day
    expect((await rankView(db, await scopeOf('last-28-days'), id)).now!.day).toBe(todayOf(db))
    await removeWatch(db, id, true)
    await expect(watchById(db, id)).rejects.toThrow()
    await removeWatch(db, id, false)
    expect((await watchById(db, id)).last).toBe(todayOf(db))
  })

  it('of a source that does not answer counts nothing, and says what happened', async () => {
    const before = await used()
    const id = await addWatch(db, { ...TEA, place, keyword: 'scones' })
    standins.state.isDown = true
    await askForCheck(db, id, 1)
    for (let round = 0; round < 8; round++) {
      await pool().query("UPDATE job SET run_after = NOW() WHERE state = 'queued'")
      await runJobs()
    }
    const [job] = await asked("SELECT state, message FROM job WHERE kind = 'ranks.check' AND subject = ?", [id])
    expect(job!.state).toBe('failed')
    expect(job!.message).toMatch(/Plumbline answered 503/)
    expect(await asked('SELECT 1 FROM rank_check WHERE watch_id = ?', [id])).toEqual([])
    expect(await used()).toBe(before)
  })

  it('that was begun before a crash takes its points once', async () => {
    const before = await used()
    const id = await addWatch(db, { ...TEA, place, keyword: 'tea and cake' })
    await pool().query(
      "INSERT INTO rank_check (client_id, watch_id, day, points, sought) VALUES (1, ?, ?, 37, 'begun')",
      [id, todayOf(db)],
    )
    await askForCheck(db, id, 1)
    await runJobs()
    expect((await watchById(db, id)).last).toBe(todayOf(db))
    expect(await used()).toBe(before)
  })

  it('waits where the source asks for it, and takes its points once', async () => {
    const before = await used()
    const id = await addWatch(db, { ...TEA, place, keyword: 'tea garden' })
    let isBusy = true
    standins.state.onRequest = (path) => {
      standins.state.isDown = false
      if (path.endsWith('/results') && isBusy) standins.state.isDown = true
    }
    await askForCheck(db, id, 1)
    await runJobs()
    isBusy = false
    await pool().query("UPDATE job SET run_after = NOW() WHERE state = 'queued'")
    await runJobs()
    standins.state.onRequest = () => {}
    expect((await watchById(db, id)).last).toBe(todayOf(db))
    expect(await used()).toBe(before + 37)
  })

  it('is due by its rhythm, each once', async () => {
    await pool().query("UPDATE rank_watch SET rhythm = 'by-hand'")
    const id = await addWatch(db, { ...TEA, place, keyword: 'tea by the sea' })
    expect(await ranksDue()).toBe(1)
    await ranksDue()
    expect((await asked("SELECT 1 FROM job WHERE kind = 'ranks.check' AND subject = ?", [id])).length).toBe(1)
    await runJobs()
    expect(await ranksDue()).toBe(0)
    await pool().query('UPDATE rank_check SET day = day - INTERVAL 6 DAY WHERE watch_id = ?', [id])
    expect(await ranksDue()).toBe(0)
    await pool().query('UPDATE rank_check SET day = day - INTERVAL 1 DAY WHERE watch_id = ?', [id])
    expect(await ranksDue()).toBe(1)
    await runJobs()
    await changeRhythm(db, id, 'by-hand')
    await pool().query('UPDATE rank_check SET day = day - INTERVAL 60 DAY WHERE watch_id = ?', [id])
    expect(await ranksDue()).toBe(0)
  })
})

describe('the allowance', () => {
  it('is of the whole agency, and is never overdrawn, whoever asks at the same moment', async () => {
    const other = await clientDbForJob(2)
    const start = await used()
    await pool().query('UPDATE agency SET rank_checks = ?', [start + 100])
    const results = await Promise.allSettled(
      Array.from({ length: 8 }, (_, index) =>
        (index % 2 ? db : other).transaction((inside) => takePoints(inside, 37, todayOf(db))),
      ),
    )
    expect(results.filter(({ status }) => status === 'fulfilled')).toHaveLength(2)
    expect(await used()).toBe(start + 74)
    const { limit, used: now } = await rankAllowance(other)
    expect([limit, now]).toEqual([start + 100, start + 74])
    const id = await addWatch(db, { ...TEA, place, keyword: 'too much' })
    await expect(askForCheck(db, id, 1)).rejects.toThrow('A check takes 37 points, and 26 are left')
    // and one that is due all the same fails with that sentence, and takes nothing
    await ranksDue()
    await runJobs()
    const [job] = await asked("SELECT state, message FROM job WHERE kind = 'ranks.check' AND subject = ?", [id])
    expect([job!.state, String(job!.message)]).toEqual(['failed', expect.stringContaining('more than what is left')])
    expect(await used()).toBe(start + 74)
    expect((await rankAllowance(db)).runsOutOn).not.toBeNull()
    await pool().query('UPDATE agency SET rank_checks = 5000')
  })
})

describe('what cannot be looked for', () => {
  it.each([
    [{ keyword: '' }, 'Write what people search for'],
    [{ keyword: 'x'.repeat(81) }, 'under 80'],
    [{ kind: 'sea' }, 'on the map, among pages'],
    [{ rhythm: 'hourly' }, 'from the list'],
    [{ shape: 'square', rings: 0 }, 'one ring at the least'],
    [{ shape: 'square', rings: 8 }, '7 rings at the most'],
    [{ shape: 'square', rings: 2, spacing: 5 }, '100 to 10,000 metres'],
    [{ place: 'here' }, 'Choose a place'],
  ])('%j is said', (part, words) => {
    expect(() => rankWatchSchema.validateSync({ ...TEA, place, ...part }, { abortEarly: false })).toThrow()
    try {
      rankWatchSchema.validateSync({ ...TEA, place, ...part }, { abortEarly: false })
    } catch (error) {
      expect((error as { errors: string[] }).errors.join(' ')).toContain(words)
    }
  })

  it('is a place that is nowhere, has no listing, or no page', async () => {
    const add = async (record: object) =>
      Number(
        (
          (await pool().query('INSERT INTO place SET client_id = 1, categories = "[]", attributes = "[]", ?', [
            record,
          ])) as unknown as [{ insertId: number }]
        )[0].insertId,
      )
    const nowhere = await add({ name: 'Nowhere' })
    const bare = await add({ name: 'Bare', lat: 49.6, lon: -8 })
    await expect(addWatch(db, { ...TEA, place: nowhere })).rejects.toThrow('Set it on the map first')
    await expect(addWatch(db, { ...TEA, place: bare })).rejects.toThrow('no listing to look for')
    await expect(addWatch(db, { ...TEA, place: bare, kind: 'page' })).rejects.toThrow('no web address')
    await expect(addWatch(db, { ...TEA, place: 999_999 })).rejects.toThrow()
  })
})
