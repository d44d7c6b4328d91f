import { DateTime } from 'luxon'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { addDays } from '../../core/days/day'
import { bitsOf } from '../../core/datasets/columnBits'
import { PROFILE_DAY } from '../../core/datasets/datasets'
import { FACT_COLUMNS } from '../../core/metrics/storedFigures'
import { NETWORKS } from '../../core/networks/networks'
import { lengthOf } from '../../core/periods/period'
import { world } from '../../demo/world'
import { PROFILES } from '../../demo/profiles'
import { seal, unseal } from '../../server/platform/people/secrets'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { repairPostDays } from '../../server/gather/sync/repairPostDays'
import { restatementsOf, switchProfile } from '../../server/figures/questions/profileRows'
import { enqueue, newestJob } from '../../server/platform/jobs/queue'
import { runNextJob } from '../../server/jobs'
import { askForConsent, beginConsent, endConsent, openConsent } from '../../server/gather/profiles/consent'
import { resolveScope } from '../../server/figures/resolveScope'
import { profilesPage } from '../../server/gather/profiles/profilesPage'
import { addClient, addProfile, runJobs, tableOf, useDatabase } from './support/database'
import { useStandins } from './support/standins'
import { SYNC } from '../../server/gather/sync/jobs'

const { pool } = useDatabase('sync')
const { state, settings, tokens } = useStandins()
const tea = PROFILES[2]!
let db: ClientDb
let profile: number
let clients = 0

beforeEach(async () => {
  Object.assign(state, { lastComplete: '2026-10-28', isDown: false, refusesAccess: false, onRequest: () => {} })
  settings.requestsPerMinute = 1000
  process.env.ZAFFER_NOW = '2026-10-29T06:00:00Z'
  db = await addClient(`sync-${++clients}`)
  profile = await addProfile(db, 'commons', tea.remoteId, tokens('commons', tea.remoteId))
})
const syncNow = async () => {
  await enqueue(db, SYNC, profile, {})
  await runJobs()
  return (await newestJob(db, 'sync', profile))!
}
const days = () =>
  tableOf(
    `profile_day WHERE client_id = ${db.clientId}`,
    'day, impressions, reach_7d, followers, import_id',
  ) as Promise<{ day: string; impressions: number; import_id: number | null }[]>

describe('the first fetch', () => {
  it('takes in all that the network remembers, oldest first, and leaves the gap a gap', async () => {
    expect(await syncNow()).toMatchObject({ state: 'done', progress: 200, total: 200 })
    const rows = await days()
    expect(rows[0]!.day).toBe(addDays('2026-10-28', -199))
    expect(rows.length).toBe(198)
    expect(rows.some(({ day }) => day === '2026-10-11' || day === '2026-10-12')).toBe(false)
    const { profileDay } = world('2026-10-28')
    expect(rows.at(-1)!.impressions).toBe(profileDay(tea, '2026-10-28', '2026-10-28')!.impressions)
    const [page] = await profilesPage(db)
    expect(page).toMatchObject({
      syncedTo: '2026-10-28',
      trouble: null,
      missing: [{ from: '2026-10-11', to: '2026-10-12' }],
      oldest: rows[0]!.day,
    })
    expect(lengthOf(page!.strip)).toBe(56)
  })

  it('keeps the posts, each once', async () => {
    await syncNow()
    const posts = await tableOf(`post WHERE client_id = ${db.clientId}`, 'remote_id, day, impressions')
    expect(posts.length).toBeGreaterThan(60)
    await syncNow()
    expect(await tableOf(`post WHERE client_id = ${db.clientId}`, 'remote_id, day, impressions')).toEqual(posts)
  })

  it('give a post the day that it was at the client, whatever its network says, also to posts from before', async () => {
    await pool().query("UPDATE client SET time_zone = 'Pacific/Auckland' WHERE client_id = ?", [db.clientId])
    db = await clientDbForJob(db.clientId)
    await syncNow()
    const posts = (await tableOf(`post WHERE client_id = ${db.clientId}`, 'remote_id, day, published_at')) as {
      remote_id: string
      day: string
      published_at: Date
    }[]
    // luxon as a second opinion on the zone
    const there = (at: Date) => DateTime.fromJSDate(at, { zone: 'Pacific/Auckland' }).toISODate()
    expect(posts.map(({ day }) => day)).toEqual(posts.map(({ published_at: at }) => there(at)))
    expect(posts.filter(({ day, published_at: at }) => day !== at.toISOString().slice(0, 10)).length).toBeGreaterThan(
      10,
    )
    await pool().query('UPDATE post SET day = DATE(published_at) WHERE client_id = ?', [db.clientId])
    expect(await repairPostDays(pool())).toBeGreaterThan(10)
    expect(await tableOf(`post WHERE client_id = ${db.clientId}`, 'remote_id, day, published_at')).toEqual(posts)
    expect(await repairPostDays(pool())).toBe(0)
  })
})

describe('every network', () => {
  it.each(NETWORKS.map(({ id, name, reports, historyDays }) => ({ id, name, reports, historyDays })))(
    '$name gives what it says it gives, for as long as it remembers',
    async ({ id, reports, historyDays }) => {
      const someone = PROFILES.find(({ network, connected }) => network === id && connected)!
      if (id === 'commons') await pool().query('DELETE FROM profile WHERE profile_id = ?', [profile])
      profile = await addProfile(db, id, someone.remoteId, tokens(id, someone.remoteId))
      expect(await syncNow()).toMatchObject({ state: 'done' })
      const rows = (await tableOf(`profile_day WHERE profile_id = ${profile}`)) as Record<string, unknown>[]
      expect(rows.length).toBeGreaterThan(historyDays - 7)
      expect(rows.length).toBeLessThanOrEqual(historyDays)
      const last = rows.at(-1)!
      for (const column of FACT_COLUMNS) expect(last[column] === null, column).toBe(!reports.includes(column))
    },
  )
})

describe('the days after', () => {
  it('replace restated figures and keep the change', async () => {
    await syncNow()
    const before = (await days()).at(-1)!
    Object.assign(state, { lastComplete: '2026-11-03' })
    process.env.ZAFFER_NOW = '2026-11-04T06:00:00Z'
    await syncNow()
    const after = (await days()).find(({ day }) => day === '2026-10-28')!
    expect(after.impressions).toBeGreaterThan(before.impressions)
    const restated = await tableOf(
      `restatement WHERE client_id = ${db.clientId} AND day = '2026-10-28'`,
      'day, metric, old_value, new_value',
    )
    expect(restated).toContainEqual({
      day: '2026-10-28',
      metric: 'impressions',
      old_value: before.impressions,
      new_value: after.impressions,
    })
    expect((await profilesPage(db))[0]!.restatements).toBeGreaterThan(0)
    expect(await restatementsOf(db, profile, 1)).toEqual([
      expect.objectContaining({ day: '2026-10-28', seenAt: expect.any(Date) }),
    ])
  })

  it('ask only for what is new and for the last week', async () => {
    await syncNow()
    const asked: string[] = []
    state.onRequest = (path) => asked.push(path)
    await syncNow()
    expect(asked.filter((path) => path.endsWith('/days')).length).toBe(1)
  })

  it('ask for the next page while one is written, and for no more than that', async () => {
    await syncNow()
    await pool().query("UPDATE sync_cursor SET through = '2026-05-01' WHERE client_id = ?", [db.clientId])
    await pool().query('DELETE FROM profile_day WHERE client_id = ?', [db.clientId])
    const asked: string[] = []
    state.onRequest = (path) => path.endsWith('/days') && asked.push(path)
    // who holds the profile holds up what is written of it
    const held = await pool().getConnection()
    await held.query('START TRANSACTION')
    await held.query('SELECT profile_id FROM profile WHERE profile_id = ? FOR UPDATE', [profile])
    const done = syncNow()
    await vi.waitFor(() => expect(asked.length).toBe(2), 10_000)
    expect(await days()).toEqual([])
    expect(asked.length).toBe(2)
    await held.query('COMMIT')
    held.release()
    expect(await done).toMatchObject({ state: 'done' })
    expect(asked.length).toBeGreaterThan(2)
    expect((await days()).length).toBeGreaterThan(180)
  })

  it('keep the pictures that came before the network answered no more', async () => {
    let pictures = 0
    state.onRequest = (path) => {
      if (path.includes('/pictures/') && ++pictures === 5) state.isDown = true
    }
    expect(await syncNow()).toMatchObject({ state: 'done' })
    const kept = () => tableOf(`post_picture WHERE client_id = ${db.clientId}`, 'remote_id, type, profile_id')
    expect((await kept()).length).toBe(4)
    Object.assign(state, { isDown: false, onRequest: () => {} })
    await syncNow()
    expect((await kept()).length).toBeGreaterThan(4)
  })

  it('let an imported figure stand', async () => {
    await syncNow()
    await pool().query("INSERT INTO import (client_id, file_name, state) VALUES (?, 'x', 'applied')", [db.clientId])
    await pool().query(
      'UPDATE profile_day SET impressions = 7, saves = NULL, reactions = 8, imported = ?, import_id = (SELECT ' +
        "MAX(import_id) FROM import) WHERE client_id = ? AND day = '2026-10-27'",
      [bitsOf(PROFILE_DAY, ['impressions']), db.clientId],
    )
    await syncNow()
    expect((await days()).find(({ day }) => day === '2026-10-27')!.impressions).toBe(7)
    // a figure of the same day that no file has brought is the network's all the same
    const [row] = (await tableOf(`profile_day WHERE client_id = ${db.clientId} AND day = '2026-10-27'`)) as {
      reactions: number
    }[]
    expect(row!.reactions).toBe(world('2026-10-28').profileDay(tea, '2026-10-27', '2026-10-28')!.reactions)
  })
})

describe('a profile that is switched off', () => {
  it('is neither fetched nor part of a figure, keeps its past, and comes back', async () => {
    await syncNow()
    const before = await days()
    expect(await switchProfile(db, profile, false)).toBe(true)
    expect((await resolveScope(db, { who: [], sets: [], period: 'last-28-days', against: 'before' })).profiles).toEqual(
      [],
    )
    expect(await syncNow()).toMatchObject({ state: 'failed', message: 'The profile is switched off.' })
    expect(await days()).toEqual(before)
    await switchProfile(db, profile, true)
    expect(
      (await resolveScope(db, { who: [], sets: [], period: 'last-28-days', against: 'before' })).connected.length,
    ).toBe(1)
    expect(await syncNow()).toMatchObject({ state: 'done' })
  })
})

describe('a sync that breaks off', () => {
  it('between figures and posts, or between posts and breakdowns, goes on with each where it was', async () => {
    for (const stage of ['posts', 'breakdowns']) {
      state.onRequest = (path) => (state.isDown = path.endsWith(`/${stage}`))
      expect(await syncNow()).toMatchObject({
        state: 'queued',
        message: expect.stringContaining('Tried again by itself'),
      })
      expect(
        await tableOf(
          `${stage === 'posts' ? 'post' : 'profile_day_breakdown'} WHERE client_id = ${db.clientId}`,
          'profile_id, 1, 2',
        ),
      ).toEqual([])
    }
    state.onRequest = () => (state.isDown = false)
    await pool().query('UPDATE job SET run_after = NOW()')
    await runJobs()
    const first = async (table: string) =>
      (await tableOf(`${table} WHERE client_id = ${db.clientId}`, 'MIN(day) AS day, COUNT(DISTINCT day) AS days, 1'))[0]
    const oldest = (await first('profile_day')) as { day: string; days: number }
    expect(await first('profile_day_breakdown')).toMatchObject({ day: oldest.day, days: oldest.days })
    expect(((await first('post')) as { day: string }).day < '2026-04-25').toBe(true)
  })
})

describe('trouble', () => {
  it('of too many requests waits as long as the network says, and is no failure', async () => {
    settings.requestsPerMinute = 2
    const job = await syncNow()
    expect(job).toMatchObject({
      state: 'queued',
      message: expect.stringMatching(/^The network asks to wait \d+ seconds\.$/),
    })
    const kept = (await days()).length
    expect(kept).toBeGreaterThanOrEqual(58)
    settings.requestsPerMinute = 1000
    await pool().query('UPDATE job SET run_after = NOW() WHERE job_id = ?', [job.id])
    await runJobs()
    expect((await days()).length).toBe(198)
  })

  it('of an outage is said on the profile and mends itself', async () => {
    state.isDown = true
    expect(await syncNow()).toMatchObject({ state: 'queued', message: 'Commons answered 503. Tried again by itself.' })
    expect((await profilesPage(db))[0]!.trouble).toBe('Commons answered 503. It is tried again by itself.')
    state.isDown = false
    await pool().query('UPDATE job SET run_after = NOW() WHERE client_id = ?', [db.clientId])
    await runJobs()
    expect((await profilesPage(db))[0]!).toMatchObject({ trouble: null, syncedTo: '2026-10-28' })
  })

  it('of a consent that no longer holds names what to do', async () => {
    await pool().query('UPDATE connection SET credentials = ? WHERE profile_id = ?', [
      tokens('tintype', tea.remoteId),
      profile,
    ])
    expect(await syncNow()).toMatchObject({
      state: 'failed',
      message: 'Commons no longer accepts the consent. Send the owner a new consent link.',
    })
    expect((await profilesPage(db))[0]!).toMatchObject({ consent: 'withdrawn' })
  })

  it('of an access token that the network no longer takes is mended with a fresh one, once', async () => {
    const { refresh } = JSON.parse(unseal(tokens('commons', tea.remoteId))) as { refresh: string }
    await pool().query('UPDATE connection SET credentials = ? WHERE profile_id = ?', [
      seal(JSON.stringify({ access: 'taken back', refresh, until: Date.now() + 3_000_000 })),
      profile,
    ])
    const asked: string[] = []
    state.onRequest = (path) => asked.push(path)
    expect(await syncNow()).toMatchObject({ state: 'done' })
    expect(asked.filter((path) => path.endsWith('/token')).length).toBe(1)
    expect((await profilesPage(db))[0]!).toMatchObject({ consent: 'given', syncedTo: '2026-10-28' })
  })

  it('of a network that lets nobody in is trouble, and no end of the consent', async () => {
    state.refusesAccess = true
    expect(await syncNow()).toMatchObject({
      state: 'queued',
      message: 'Commons did not let us in. Tried again by itself.',
    })
    expect((await profilesPage(db))[0]!).toMatchObject({ consent: 'given' })
    state.refusesAccess = false
    await pool().query('UPDATE job SET run_after = NOW() WHERE client_id = ?', [db.clientId])
    await runJobs()
    expect((await profilesPage(db))[0]!).toMatchObject({ trouble: null, syncedTo: '2026-10-28' })
  })

  it('of tokens that have run out is mended with a fresh one', async () => {
    await pool().query('UPDATE connection SET credentials = ? WHERE profile_id = ?', [
      tokens('commons', tea.remoteId, Date.now() - 1000),
      profile,
    ])
    expect(await syncNow()).toMatchObject({ state: 'done' })
  })

  it('of a process that died is taken over once its lease is over, and goes on where it was', async () => {
    let pages = 0
    state.onRequest = (path) => {
      if (path.endsWith('/days') && ++pages === 3) state.isDown = true
    }
    await enqueue(db, SYNC, profile, {})
    await runNextJob()
    const kept = (await days()).length
    expect(kept).toBeGreaterThan(50)
    await pool().query(
      "UPDATE job SET state = 'running', lease = 'somebody who died', lease_until = NOW() - INTERVAL 1 SECOND WHERE client_id = ?",
      [db.clientId],
    )
    state.isDown = false
    const asked: string[] = []
    state.onRequest = (path) => asked.push(path)
    await runJobs()
    expect((await days()).length).toBe(198)
    expect(asked.filter((path) => path.endsWith('/days')).length).toBeLessThan(7)
  })
})

describe('consent', () => {
  const redirect = 'http://127.0.0.1:4310/consent/answer'
  /** What the owner does on the network's own page. */
  async function decide(address: string, answer: 'yes' | 'no'): Promise<URL> {
    const url = new URL(address)
    const page = await fetch(url).then((response) => response.text())
    expect(page).toContain('Tea at Mossgate')
    const form = new URLSearchParams([
      ...['state', 'redirect_uri', 'code_challenge', 'login_hint'].map((name) => [name, url.searchParams.get(name)!]),
      ['answer', answer],
    ])
    const response = await fetch(`${process.env.ZAFFER_NETWORKS_ADDRESS!.replace('{network}', 'commons')}/consent`, {
      method: 'POST',
      body: form,
      redirect: 'manual',
    })
    return new URL(response.headers.get('location')!)
  }
  beforeEach(async () => {
    await pool().query("UPDATE profile SET consent = 'none' WHERE profile_id = ?", [profile])
    await pool().query('UPDATE connection SET credentials = NULL WHERE profile_id = ?', [profile])
  })

  it('is given by a link, once, and begins the first fetch', async () => {
    const link = await askForConsent(db, profile)
    expect((await openConsent(link)).profile.name).toBe(`Profile ${tea.remoteId}`)
    const answer = await decide(await beginConsent(link, redirect), 'yes')
    expect((await endConsent(answer, redirect)).profile_id).toBe(profile)
    await runJobs()
    expect((await days()).length).toBe(198)
    await expect(openConsent(link)).rejects.toThrow('does not work any more')
    await expect(endConsent(answer, redirect)).rejects.toThrow('does not work any more')
  })

  it('can be refused, and asked for again', async () => {
    const link = await askForConsent(db, profile)
    await expect(endConsent(await decide(await beginConsent(link, redirect), 'no'), redirect)).rejects.toThrow(
      'was refused',
    )
    expect((await profilesPage(db))[0]!.consent).toBe('none')
    await endConsent(await decide(await beginConsent(link, redirect), 'yes'), redirect)
    expect((await profilesPage(db))[0]!.consent).toBe('given')
  })

  it('is not taken from somebody who has only seen the answer', async () => {
    const link = await askForConsent(db, profile)
    const answer = await decide(await beginConsent(link, redirect), 'yes')
    await beginConsent(link, redirect)
    await expect(endConsent(answer, redirect)).rejects.toThrow('does not work any more')
  })
})
