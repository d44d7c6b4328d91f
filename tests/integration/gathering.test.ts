import { beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { FACT_COLUMNS, PUBLIC_COLUMNS } from '../../core/metrics/storedFigures'
import { resolveScope } from '../../server/figures/resolveScope'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { addSet, changeSet, removeSet, setsOf } from '../../server/figures/questions/sets'
import { switchProfile } from '../../server/figures/questions/profileRows'
import { connectionOf, reached } from '../../server/gather/connectors/connections'
import { enqueueDue } from '../../server/gather/sync/enqueueDue'
import { claim, enqueue, failJob, postponeJob } from '../../server/platform/jobs/queue'
import { addProfile, lookUp, refuseBeyondAllowance } from '../../server/gather/profiles/addProfile'
import { findProfiles, keepSearch, lastSearch } from '../../server/gather/find/findProfiles'
import { overview } from '../../server/read/overview/overview'
import { profilesPage, profilesView } from '../../server/gather/profiles/profilesPage'
import { workings } from '../../server/read/overview/workings'
import { addClient, addProfile as insertProfile, runJobs, tableOf, useDatabase } from './support/database'
import { useStandins } from './support/standins'
import { SYNC } from '../../server/gather/sync/jobs'

const { pool } = useDatabase('gathering')
const standins = useStandins()
let db: ClientDb
const PERSON = 1

beforeAll(async () => {
  db = await addClient('gathering')
  await pool().query(
    "INSERT INTO person (person_id, agency_id, email, name, role, password_hash) VALUES (1, 1, 'a@b.example', 'A', 'owner', '')",
  )
})
beforeEach(async () => {
  standins.state.isDown = false
  await pool().query('DELETE FROM job')
  await pool().query('DELETE FROM profile')
  await pool().query('UPDATE agency SET active_profiles = NULL')
})
const add = (network: string, handle: string, rival = '') => addProfile(db, { network, handle, rival }, PERSON)

describe('adding a profile', () => {
  it('shows first what every network has under a handle', async () => {
    const found = await lookUp(db, '@Mossgate', '')
    expect(found.map(({ networkName, name, followers }) => [networkName, name, followers])).toEqual([
      ['Tintype', '@mossgate', 24_870],
      ['Guildhall', 'Mossgate Joinery', 288],
      ['Murmur', '@mossgate', 2205],
    ])
    expect(found[0]).toMatchObject({
      already: null,
      postsIn28Days: expect.any(Number),
      lastPost: expect.stringMatching(/^2026-10/),
    })
  })

  it('follows an address to its network only', async () => {
    expect((await lookUp(db, 'https://commons.example/thornapplepark', '')).map(({ name }) => name)).toEqual([
      'Thornapple Park',
    ])
    expect(await lookUp(db, 'nobody-is-called-this', '')).toEqual([])
  })

  it('finds by a name, on one network or on all, what has the very handle first', async () => {
    const named = async (what: string, network = '') =>
      (await lookUp(db, what, network)).map(({ networkName, handle }) => `${networkName} ${handle}`)
    expect(await named('Glass Fernery')).toEqual([
      'Commons glassfernery',
      'Tintype @glassfernery',
      'Zoetrope glassfernery',
    ])
    expect(await named('PARK thornapple')).toEqual(['Commons thornapplepark', 'Tintype @thornapplepark'])
    expect(await named('two words')).toEqual([])
    // without the sign of a handle it can be both
    const both = await named('mossgate')
    expect(both.slice(0, 3)).toEqual(['Tintype @mossgate', 'Guildhall mossgate', 'Murmur @mossgate'])
    expect(both).toContain('Commons mossgategardens')
    expect(both).toContain('Commons teaatmossgate')
    expect(new Set(both).size).toBe(both.length)
    expect((await named('mossgate', 'lantern')).every((one) => one.startsWith('Lantern'))).toBe(true)
    // what is added is found by its handle alone
    await add('commons', 'glassfernery', 'The Glass Fernery')
    expect(await lookUp(db, 'the glass fernery', 'commons')).toMatchObject([{ already: { isRival: true } }])
  })

  it.each([
    ['§§ 12', 'neither a name, nor a handle, nor the address'],
    ['ä!', 'neither a name, nor a handle, nor the address'],
    ['https://elsewhere.example/x', 'neither a name, nor a handle, nor the address'],
    ['', 'Write a name, a handle or an address'],
  ])('refuses %j with a sentence', async (what, sentence) => {
    await expect(lookUp(db, what, '')).rejects.toThrow(sentence)
  })

  it('says which network does not answer, and adds nothing', async () => {
    standins.state.isDown = true
    await expect(add('tintype', '@mossgate')).rejects.toMatchObject({
      status: 502,
      detail: expect.stringContaining('Tintype answered 503. Nothing was added'),
    })
    expect(await tableOf('profile', 'profile_id, 1, 2')).toEqual([])
  })

  it('fetches what anybody can see, for a rival as for an own profile without consent, and nothing else', async () => {
    const rival = await add('tintype', '@glassfernery', 'The Glass Fernery')
    const own = await add('commons', 'mossgategardens')
    await runJobs()
    const states = await profilesPage(db)
    expect(states.find(({ id }) => id === rival)).toMatchObject({
      isRival: true,
      rival: 'The Glass Fernery',
      syncedTo: '2026-10-28',
      oldest: '2026-09-29',
      consent: 'none',
    })
    expect(states.find(({ id }) => id === own)).toMatchObject({ isRival: false, syncedTo: '2026-10-28' })
    const [row] = (await tableOf(
      `profile_day WHERE profile_id = ${rival} AND day = '2026-10-28'`,
      FACT_COLUMNS.join(', '),
    )) as Record<string, number | null>[]
    expect(
      Object.entries(row!)
        .filter(([, value]) => value !== null)
        .map(([column]) => column)
        .sort(),
    ).toEqual([...PUBLIC_COLUMNS].sort())
    expect(
      await tableOf('post WHERE impressions IS NOT NULL OR saves IS NOT NULL', 'profile_id, remote_id, 1'),
    ).toEqual([])
    expect(await tableOf('profile_day_breakdown', 'profile_id, breakdown, part_id')).toEqual([])
  })

  it('keeps rivals out of the client’s own figures, and leaves private metrics of profiles without consent out, by name', async () => {
    await add('tintype', '@glassfernery', 'The Glass Fernery')
    const own = await add('commons', 'mossgategardens')
    await runJobs()
    const scope = await resolveScope(db, { who: [], sets: [], period: 'last-28-days', against: 'none' })
    expect(scope.profiles.map(({ profile_id: id }) => id)).toEqual([own])
    const reach = await workings(db, scope, 'reach')
    expect(reach.figure.value).toBeUndefined()
    expect(reach.withoutConsent).toEqual(['Mossgate Gardens, Commons'])
    const interactions = await workings(db, scope, 'interactions')
    expect(interactions.figure.coverage).toMatchObject({ present: 28, expected: 28, unreported: [] })
  })

  it('refuses one that is in the list, also when it is switched off', async () => {
    const id = await add('murmur', '@mossgate')
    await expect(add('murmur', 'mossgate')).rejects.toThrow('@mossgate on Murmur is in the list already.')
    await switchProfile(db, id, false)
    await expect(add('murmur', 'mossgate')).rejects.toThrow('switched off. Switch it on again')
  })

  it('keeps to the agency’s allowance, also when two people add at the same moment', async () => {
    await pool().query('UPDATE agency SET active_profiles = 2')
    await add('tintype', '@mossgate')
    const both = await Promise.allSettled([add('murmur', '@mossgate'), add('commons', 'mossgategardens')])
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected'])
    const refused = both.find((one) => one.status === 'rejected')!
    expect(refused.reason.detail).toBe(
      "All 2 profiles of the agency's allowance are switched on. Switch one off that is not needed now – its past is kept – and try again.",
    )
    expect((await profilesView(db)).allowance).toEqual({ limit: 2, used: 2 })
    await expect(db.transaction(refuseBeyondAllowance)).rejects.toThrow('allowance')
    const [first] = await profilesPage(db)
    await switchProfile(db, first!.id, false)
    await expect(db.transaction(refuseBeyondAllowance)).resolves.toBeUndefined()
  })
})

describe('syncs that are due', () => {
  it('come in the order in which their networks forget', async () => {
    const given = async (network: string, id: string, syncedTo: string | null, consent = 'given') => {
      const profile = await insertProfile(db, network, id)
      await pool().query('UPDATE profile SET consent = ?, synced_at = NOW() WHERE profile_id = ?', [consent, profile])
      if (syncedTo) await reached(db, (await connectionOf(db, profile))!.id, 'figures', syncedTo)
      return profile
    }
    const long = await given('lantern', '81', '2026-10-20')
    const short = await given('murmur', '82', '2026-10-20')
    const first = await given('cork', '83', null)
    const hours = await given('tintype', '87', '2026-10-20')
    const open = await given('commons', '84', '2026-10-20', 'none')
    await given('commons', '85', '2026-10-28')
    await given('commons', '86', '2026-10-20', 'withdrawn')
    await enqueueDue()
    // nothing yet: at once; of public figures 30 days are shown, of Tintype's hours 35, of Murmur's own 45, of
    // Lantern's 400
    expect(
      ((await tableOf('job', 'subject, job_id, 1')) as { subject: string; job_id: number }[])
        .sort((a, b) => a.job_id - b.job_id)
        .map(({ subject }) => Number(subject)),
    ).toEqual([first, open, hours, short, long])
    const taken: number[] = []
    for (let job = await claim(); job; job = await claim()) {
      taken.push(Number(job.subject))
      // whatever writes the figures of one client goes one after the other
      expect(await claim()).toBeUndefined()
      await failJob(job, 'done with')
    }
    expect(taken).toEqual([first, open, hours, short, long])
    await pool().query('DELETE FROM sync_cursor')
    await enqueueDue()
    const job = (await claim())!
    await postponeJob(job, 900, 'The network asks to wait.', { countsAsTry: false, isHeld: true })
    const before = await tableOf('job', 'job_id, state, run_after')
    const version = await tableOf('client_version', 'client_id, version, 1')
    await enqueueDue()
    await enqueueDue()
    // what a network has asked for is kept to, by the timer and by whoever asks, and the timer writes nothing meanwhile
    expect([
      await tableOf('job', 'job_id, state, run_after'),
      await tableOf('client_version', 'client_id, version, 1'),
    ]).toEqual([before, version])
    await enqueue(db, SYNC, job.subject, {})
    expect((await claim())?.job_id).not.toBe(job.job_id)
  })
})

describe('the first fetch after consent', () => {
  it('begins anew with everything that the network remembers, and says what came twice', async () => {
    const id = await add('tintype', '@mossgate')
    await runJobs()
    await pool().query("UPDATE profile SET consent = 'given' WHERE profile_id = ?", [id])
    await pool().query('UPDATE connection SET credentials = ? WHERE profile_id = ?', [
      standins.tokens('tintype', '17841400518844102'),
      id,
    ])
    await pool().query('DELETE FROM sync_cursor')
    await pool().query("INSERT INTO job (client_id, kind, subject, live_key) VALUES (?, 'sync', ?, ?)", [
      db.clientId,
      String(id),
      `${db.clientId}:sync:${id}`,
    ])
    await runJobs()
    const [state] = await profilesPage(db)
    // 100 days in pages of 30 that each begin with the last day of the one before: three days come twice
    expect(state).toMatchObject({
      oldest: '2026-07-21',
      syncedTo: '2026-10-28',
      job: { state: 'done', message: 'Figures up to 2026-10-28; 3 days came twice and count once' },
    })
    expect(await tableOf('profile_day', 'COUNT(*) AS days, 1, 2')).toEqual([{ days: 100, 1: 1, 2: 2 }])
    expect(
      (await tableOf('profile_day_breakdown WHERE breakdown = 3', 'COUNT(DISTINCT day) AS days, 1, 2'))[0],
    ).toMatchObject({ days: 100 })
  })

  it('shows the coverage of each metric that is given, and of no other', async () => {
    await add('commons', 'mossgategardens')
    await runJobs()
    const [state] = await profilesPage(db)
    expect(state!.missingOf.followers).toEqual([{ from: '2026-09-03', to: '2026-09-28' }])
    expect(state!.missingOf).not.toHaveProperty('reach')
    expect(state!.missingOf).not.toHaveProperty('saves')
  })
})

describe('sets', () => {
  it('hold a profile in many, are a scope of their own, and come back when they were taken away by mistake', async () => {
    const [a, b] = [await insertProfile(db, 'commons', '71'), await insertProfile(db, 'tintype', '72')]
    const first = await addSet(db, 'Both', [a, b])
    const second = await addSet(db, 'One', [b])
    expect((await setsOf(db)).map(({ name, profiles }) => [name, profiles])).toEqual([
      ['Both', [a, b]],
      ['One', [b]],
    ])
    const scope = await resolveScope(db, { who: [], sets: [second], period: 'last-7-days', against: 'none' })
    expect(scope.words.who).toBe('One (1 profile)')
    expect(scope.profiles.map(({ profile_id: id }) => id)).toEqual([b])
    const { profiles } = await overview(
      db,
      await resolveScope(db, { who: [], sets: [], period: 'last-7-days', against: 'none' }),
      { metric: 'posts', by: 'set' },
    )
    expect(profiles.map(({ name, networkName, who }) => [name, networkName, who])).toEqual([
      ['Both', '2 profiles', `${a},${b}`],
      ['One', '1 profile', String(b)],
    ])
    expect(await changeSet(db, first, 'Only one', [a])).toBe(true)
    expect(await removeSet(db, second, true)).toBe(true)
    expect((await setsOf(db)).map(({ name, profiles: ids }) => [name, ids])).toEqual([['Only one', [a]]])
    await expect(resolveScope(db, { who: [], sets: [second], period: 'last-7-days', against: 'none' })).rejects.toThrow(
      'names a set',
    )
    await removeSet(db, second, false)
    expect(await setsOf(db)).toHaveLength(2)
    expect(
      await changeSet(await clientDbForJob((await addClient(`sets ${Date.now()}`)).clientId), first, 'Foreign', []),
    ).toBe(false)
  })
})

describe('finding profiles', () => {
  it('tells what the page links to, what is there besides, and where the handle is free', async () => {
    await add('tintype', '@mossgate')
    const found = await findProfiles(db, 'www.mossgate.example', '')
    expect(found).toMatchObject({ address: 'https://www.mossgate.example/', handle: 'mossgate' })
    expect(found.linked.map(({ network, handle, listed }) => [network, handle, listed])).toEqual([
      ['commons', 'mossgategardens', 'no'],
      ['tintype', 'mossgate', 'own'],
      ['zoetrope', 'mossgate.clips', 'no'],
      ['murmur', 'mossgate', 'no'],
    ])
    expect(found.unlinked.map(({ network, name }) => [network, name])).toEqual([
      ['guildhall', 'Mossgate Joinery'],
      ['cork', 'Mossgate Gardens'],
    ])
    expect(found.free).toEqual(['Commons', 'Zoetrope', 'Lantern', 'Cork', 'Waymark'])
    expect(found.taken).toEqual([
      { networkName: 'Tintype', name: '@mossgate', isOwn: true },
      { networkName: 'Guildhall', name: 'Mossgate Joinery', isOwn: false },
      { networkName: 'Murmur', name: '@mossgate', isOwn: false },
    ])
    await keepSearch(db, found)
    expect((await lastSearch(db)).found).toEqual(found)
  })

  it('looks for another handle when one is wanted', async () => {
    const { handle, free, taken } = await findProfiles(db, 'https://orrerypress.example/', '@OrreryPress')
    expect(handle).toBe('orrerypress')
    expect(taken.map(({ networkName }) => networkName)).toEqual(['Commons', 'Tintype', 'Zoetrope', 'Lantern', 'Cork'])
    expect(free).toEqual(['Guildhall', 'Murmur', 'Waymark'])
  })

  it.each([
    ['https://nobody.example/', '', 'answered 404'],
    ['http://127.0.0.1/', '', 'private network'],
    ['www.mossgate.example', 'two words', 'letters, digits'],
  ])('refuses %s with a sentence', async (address, handle, sentence) => {
    await expect(findProfiles(db, address, handle)).rejects.toMatchObject({
      status: 400,
      detail: expect.stringContaining(sentence),
    })
  })
})
