import { median, quantile } from 'd3-array'
import { DateTime } from 'luxon'
import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { FIELD_SEEK, FIELD_WATCH } from '../../server/compare/field/jobs'
import { openSightingsWords, settleSighting, sightingsOf } from '../../server/compare/field/sightings'
import { sightingsBlock } from '../../server/compare/field/sightingsBlock'
import { watchField } from '../../server/compare/field/watchField'
import { resolveScope } from '../../server/figures/resolveScope'
import { whatIsOpen } from '../../server/clients/whatIsOpen'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { enqueue } from '../../server/platform/jobs/queue'
import { parseScope } from '../../shared/figures/scope'
import type { Block } from '../../shared/report/blocks'
import { runJobs, useDatabase } from './support/database'
import { addDemo } from './support/demo'
import { useStandins } from './support/standins'

const { pool } = useDatabase('sightings')
const standins = useStandins()
const CLIENTS = [1, 2, 3]
const dbs = new Map<number, ClientDb>()
/** The last complete day of the demo, and how far the profiles were fetched. */
const LAST = '2026-10-28'
const asked = async <T>(text: string, values: unknown[] = []) =>
  (await pool().query<RowDataPacket[]>(text, values))[0] as T[]
const shift = (day: string, days: number) => DateTime.fromISO(day, { zone: 'utc' }).plus({ days }).toISODate()!

interface Raw {
  profile: number
  rival: string
  id: string
  day: string
  text: string
  brought: number | null
}
const postsOf = (client: number) =>
  asked<Raw>(
    `SELECT p.profile_id AS profile, f.rival, p.remote_id AS id, DATE_FORMAT(p.day, '%Y-%m-%d') AS day, p.text,
            CAST(COALESCE(p.reactions, p.comments, p.shares) IS NULL AS INT) AS isNone,
            CAST(IF(COALESCE(p.reactions, p.comments, p.shares) IS NULL, NULL,
              COALESCE(p.reactions, 0) + COALESCE(p.comments, 0) + COALESCE(p.shares, 0)) AS DOUBLE) AS brought
     FROM post p JOIN profile f USING (client_id, profile_id)
     WHERE p.client_id = ? AND f.is_rival = 1 AND f.is_active = 1`,
    [client],
  )
const syncedOf = async (client: number) =>
  (
    await asked<{ rival: string; to: string }>(
      `SELECT f.rival, DATE_FORMAT(MIN(s.through), '%Y-%m-%d') AS \`to\`
       FROM profile f JOIN connection k USING (client_id, profile_id)
       JOIN sync_cursor s ON s.client_id = k.client_id AND s.connection_id = k.connection_id AND s.stream = 'figures'
       WHERE f.client_id = ? AND f.is_rival = 1 GROUP BY f.rival`,
      [client],
    )
  ).reduce((all, { rival, to }) => all.set(rival, to < LAST ? to : LAST), new Map<string, string>())

/** What there is to say of a client's rivals, by the plain rules. */
async function wantedOf(client: number): Promise<string[]> {
  const posts = await postsOf(client)
  const synced = await syncedOf(client)
  const said: string[] = []
  for (const one of posts) {
    if (one.brought === null || one.day < shift(LAST, -13) || one.day > LAST) continue
    const past = posts.flatMap(({ profile, day, brought }) =>
      profile === one.profile &&
      day < one.day &&
      day >= shift(one.day, -364) &&
      day <= shift(LAST, -7) &&
      brought !== null
        ? [brought]
        : [],
    )
    if (past.length < 20) continue
    const logs = past.map((value) => Math.log(1 + value))
    const [lower, upper] = [quantile(logs, 0.25)!, quantile(logs, 0.75)!]
    if (Math.log(1 + one.brought) > upper + 1.5 * (upper - lower) && one.brought >= 2 * median(past)!)
      said.push(`post ${one.rival} ${one.day} ${one.brought} ${median(past)!}`)
  }
  for (const [rival, to] of synced) {
    const own = posts.filter((post) => post.rival === rival && post.day <= to)
    const days = [...new Set(own.map(({ day }) => day))].sort()
    const since = days.at(-1)!
    const year = days.filter((day) => day >= shift(since, -364))
    const pauses = year
      .slice(1)
      .map((day, index) => DateTime.fromISO(day).diff(DateTime.fromISO(year[index]!), 'days').days - 1)
    const longest = Math.round(Math.max(...pauses))
    const day = shift(since, Math.max(7, Math.ceil(1.5 * longest)))
    if (year.length >= 20 && day <= to) said.push(`silence ${rival} ${day} ${longest} ${since}`)
    const tagsOf = (text: string) =>
      new Set((text.toLowerCase().match(/#[\p{L}\p{N}_]+/gu) ?? []).map((t) => t.slice(1)))
    const before = own.filter((post) => post.day < shift(to, -27) && post.day >= shift(to, -27 - 364))
    const late = own.filter((post) => post.day >= shift(to, -27)).sort((a, b) => a.day.localeCompare(b.day))
    const old = new Set(before.flatMap(({ text }) => [...tagsOf(text)]))
    const isKnown = before.length >= 20 && before.some((post) => post.day <= shift(to, -27 - 182))
    for (const tag of new Set(late.flatMap(({ text }) => [...tagsOf(text)]))) {
      const uses = late.filter(({ text }) => tagsOf(text).has(tag))
      if (isKnown && !old.has(tag) && uses.length >= 3)
        said.push(`hashtag ${rival} ${uses[2]!.day} ${tag} ${uses[0]!.day}`)
    }
  }
  return said.sort()
}
const keptOf = async (client: number) =>
  (
    await asked<{
      kind: string
      rival: string
      day: string
      from: string
      amount: number
      usual: number
      text: string
    }>(
      `SELECT s.kind, f.rival, DATE_FORMAT(s.day, '%Y-%m-%d') AS day, DATE_FORMAT(s.from_day, '%Y-%m-%d') AS \`from\`,
              s.amount, s.usual, s.text
       FROM sighting s JOIN profile f USING (client_id, profile_id) WHERE s.client_id = ? AND s.kind <> 'network'`,
      [client],
    )
  )
    .map(({ kind, rival, day, from, amount, usual, text }) =>
      kind === 'post'
        ? `post ${rival} ${day} ${amount} ${usual}`
        : kind === 'silence'
          ? `silence ${rival} ${day} ${amount} ${from}`
          : `hashtag ${rival} ${day} ${text} ${from}`,
    )
    .sort()

const scopeOf = (client: number, period = 'last-28-days') =>
  resolveScope(dbs.get(client)!, parseScope({ period, against: 'none' }))
const PERIOD = { from: shift(LAST, -27), to: LAST }

beforeAll(async () => {
  await addDemo()
  await pool().query("DELETE FROM job WHERE state = 'queued'")
  for (const client of CLIENTS) dbs.set(client, await clientDbForJob(client))
})
beforeEach(async () => {
  standins.state.isDown = false
  await pool().query('DELETE FROM sighting')
})

describe('what rivals did that is not as usual', () => {
  it('is found as the plain rules have it, in every client of the demo, and each kept once', async () => {
    const wanted: string[] = []
    for (const client of CLIENTS) {
      await enqueue(dbs.get(client)!, FIELD_WATCH, '', {})
      await runJobs()
      expect(await keptOf(client)).toEqual(await wantedOf(client))
      wanted.push(...(await wantedOf(client)))
      // the second look finds nothing new, and what was there stays
      const before = await asked('SELECT * FROM sighting WHERE client_id = ?', [client])
      expect(await watchField(dbs.get(client)!)).toBe(0)
      expect(await asked('SELECT * FROM sighting WHERE client_id = ?', [client])).toEqual(before)
    }
    // the demo has one of each
    expect(wanted.some((one) => one.startsWith('silence Blue Cormorant Boats'))).toBe(true)
    expect(wanted.some((one) => /^hashtag Paper Comet .* cometclub /.test(one))).toBe(true)
    expect(wanted.some((one) => one.startsWith('post '))).toBe(true)
  })
  it('says nobody silent whose posts could not be fetched', async () => {
    const db = dbs.get(2)!
    await pool().query(
      "UPDATE sync_cursor SET through = '2026-10-05' WHERE client_id = 2 AND stream = 'figures' AND connection_id IN " +
        '(SELECT connection_id FROM connection JOIN profile USING (client_id, profile_id) ' +
        "WHERE client_id = 2 AND rival = 'Blue Cormorant Boats')",
    )
    await watchField(db)
    expect((await keptOf(2)).filter((one) => one.startsWith('silence'))).toEqual([])
    await pool().query("UPDATE sync_cursor SET through = '2026-10-26' WHERE client_id = 2 AND through = '2026-10-05'")
    // one of its profiles was never fetched at all
    const NEVER =
      "connector = 'murmur' AND profile_id IN (SELECT profile_id FROM profile WHERE rival = 'Blue Cormorant Boats')"
    const [kept] = await asked<{ connection: number; through: string }>(
      `SELECT connection_id AS connection, through FROM sync_cursor JOIN connection USING (client_id, connection_id)
       WHERE stream = 'figures' AND ${NEVER}`,
    )
    await pool().query("DELETE FROM sync_cursor WHERE stream = 'figures' AND connection_id = ?", [kept!.connection])
    await watchField(db)
    expect((await keptOf(2)).filter((one) => one.startsWith('silence'))).toEqual([])
    await pool().query(
      "INSERT INTO sync_cursor (client_id, connection_id, stream, through) VALUES (2, ?, 'figures', ?)",
      [kept!.connection, kept!.through],
    )
    await watchField(db)
    expect((await keptOf(2)).filter((one) => one.startsWith('silence'))).toHaveLength(1)
  })
  it('takes no hashtag that is too long to be one, and goes on', async () => {
    await pool().query(
      `UPDATE post SET text = CONCAT('#', REPEAT('ä', 400)) WHERE client_id = 3 AND day > '2026-10-14' AND profile_id IN
         (SELECT profile_id FROM profile WHERE rival = 'Lodestone Monthly')`,
    )
    await watchField(dbs.get(3)!)
    expect((await keptOf(3)).filter((one) => one.includes('Lodestone') && one.startsWith('hashtag'))).toEqual([])
    expect((await keptOf(3)).some((one) => one.includes('cometclub'))).toBe(true)
  })
  it('a rival is found on another network under its handle, once, until it is in the list', async () => {
    const db = dbs.get(1)!
    await enqueue(db, FIELD_SEEK, '', {})
    await runJobs()
    const seen = async () => (await sightingsOf(db, true, PERIOD)).sightings
    expect(await seen()).toEqual([
      expect.objectContaining({
        kind: 'network',
        rival: 'The Glass Fernery',
        networkName: 'Commons',
        text: 'glassfernery',
        isSettled: false,
      }),
    ])
    await enqueue(db, FIELD_SEEK, '', {})
    await runJobs()
    expect(await seen()).toHaveLength(1)
    await pool().query(
      'INSERT INTO profile (client_id, network, handle, name, remote_id, is_rival, rival) ' +
        "VALUES (1, 'commons', 'x', 'x', '10220611208834172', 1, 'The Glass Fernery')",
    )
    expect(await seen()).toMatchObject([{ isSettled: true, settledBy: '' }])
    await pool().query("DELETE FROM profile WHERE remote_id = '10220611208834172'")
    // a network that asks to wait has its turn with the next look, and holds up nothing
    await pool().query('DELETE FROM sighting')
    standins.settings.requestsPerMinute = 0
    await enqueue(db, FIELD_SEEK, '', {})
    await runJobs()
    standins.settings.requestsPerMinute = 1000
    expect(await seen()).toEqual([])
    expect(await asked("SELECT 1 FROM job WHERE kind = 'field.seek' AND state <> 'done'")).toEqual([])
    // a network that does not answer fails the look, which is tried again, and nothing is kept of it
    await pool().query('DELETE FROM sighting')
    standins.state.isDown = true
    await enqueue(db, FIELD_SEEK, '', {})
    await runJobs()
    expect(await asked("SELECT state FROM job WHERE kind = 'field.seek' AND state = 'queued'")).toHaveLength(1)
    expect(await seen()).toEqual([])
    await pool().query("DELETE FROM job WHERE kind = 'field.seek' AND state = 'queued'")
  })
  it('stands on the first page until it is settled, in a block, and is a foreign client’s to nobody', async () => {
    const db = dbs.get(3)!
    await watchField(db)
    const { sightings, open, all } = await sightingsOf(db, false, PERIOD)
    expect([open, all]).toEqual([sightings.length, sightings.length])
    const hashtag = sightings.find(({ kind }) => kind === 'hashtag')!
    const { due } = await whatIsOpen(db, await scopeOf(3))
    expect(due.filter(({ kind }) => kind === 'field')).toHaveLength(1)
    for (const one of sightings) if (one !== hashtag) await settleSighting(db, one.id, true, 1)
    expect(await openSightingsWords(db, LAST)).toMatch(
      /^Paper Comet began to use #cometclub on \d+ Oct 2026, in three posts/,
    )
    await settleSighting(db, hashtag.id, true, 1)
    expect(await openSightingsWords(db, LAST)).toBeUndefined()
    expect((await sightingsOf(db, false, PERIOD)).sightings).toEqual([])
    expect((await sightingsOf(db, true, PERIOD)).sightings.find(({ id }) => id === hashtag.id)).toMatchObject({
      isSettled: true,
      settledBy: expect.stringMatching(/\w/),
    })
    await settleSighting(db, hashtag.id, false, 1)
    expect((await sightingsOf(db, false, PERIOD)).sightings).toMatchObject([{ id: hashtag.id, isSettled: false }])
    await expect(settleSighting(dbs.get(1)!, hashtag.id, true, 1)).rejects.toThrow('There is no such entry')
    const block = { id: 'a', kind: 'sightings' } as Block
    const filled = await sightingsBlock.fill({
      db,
      scope: await scopeOf(3),
      block,
      sight: { rivals: true },
    } as never)
    const table = sightingsBlock.tableOf!(filled, 'UTC')!
    expect(table.rows).toHaveLength(all)
    expect(table.columns).toHaveLength(table.rows[0]!.length)
    await expect(
      (async () => sightingsBlock.fill({ db, scope: await scopeOf(3), block, sight: { rivals: false } } as never))(),
    ).rejects.toThrow(/released/)
    // an entry lies in the days of its report
    expect((await sightingsOf(db, true, { from: '2026-08-01', to: '2026-08-28' })).all).toBe(0)
  })
})
