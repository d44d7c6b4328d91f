import { beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { PROFILES } from '../../demo/profiles'
import { fieldOf } from '../../server/compare/field/field'
import { fieldBlock } from '../../server/compare/field/fieldBlock'
import { fieldLines } from '../../server/compare/field/fieldLines'
import { sightingsOf } from '../../server/compare/field/sightings'
import { watchField } from '../../server/compare/field/watchField'
import { whatIsOpen } from '../../server/clients/whatIsOpen'
import { resolveScope } from '../../server/figures/resolveScope'
import { nameRival, profileById, profilesOf } from '../../server/figures/questions/profileRows'
import { suggestRivals } from '../../server/gather/find/suggestRivals'
import { profilesPage } from '../../server/gather/profiles/profilesPage'
import { addProfile } from '../../server/gather/profiles/addProfile'
import { enqueueDue } from '../../server/gather/sync/enqueueDue'
import { SYNC } from '../../server/gather/sync/jobs'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { enqueue, newestJob } from '../../server/platform/jobs/queue'
import { fieldSchema } from '../../shared/compare/field'
import { fieldLinesSchema } from '../../shared/compare/fieldLines'
import { sightingWords } from '../../shared/compare/sightingWords'
import { parseScope } from '../../shared/figures/scope'
import { stateOf } from '../../shared/gather/profileState'
import { runJobs, useDatabase } from './support/database'
import { addDemo } from './support/demo'
import { useStandins } from './support/standins'

const { pool } = useDatabase('identity')
const standins = useStandins()
const renamed = new Map<string, string>()
const gone = new Set<string>()
/** Whom the demo renames in its last days. */
const lodestone = PROFILES.find(({ formerHandle }) => formerHandle !== undefined)!
const PERIOD = { from: '2026-07-01', to: '2026-12-31' }
let db: ClientDb
let gardens: ClientDb

beforeAll(async () => {
  await addDemo()
  db = await clientDbForJob(3)
  gardens = await clientDbForJob(1)
})
beforeEach(async () => {
  Object.assign(standins.settings, { renamed, gone })
  Object.assign(standins.state, { isDown: false, lastComplete: '2026-10-28' })
  process.env.ZAFFER_NOW = '2026-10-29T06:00:00Z'
  renamed.clear()
  gone.clear()
  await pool().query('DELETE FROM job')
  await pool().query('DELETE FROM sighting')
})
const idOf = async (client: ClientDb, remoteId: string) =>
  (await profilesOf(client)).find(({ remote_id: id }) => id === remoteId)!.profile_id
async function syncNow(client: ClientDb, profile: number) {
  await enqueue(client, SYNC, profile, {})
  await runJobs()
  return (await newestJob(client, 'sync', profile))!
}
const daysOf = async (profile: number) =>
  Number(
    (
      (await pool().query('SELECT COUNT(*) AS many FROM profile_day WHERE profile_id = ?', [profile]))[0] as [
        { many: number },
      ]
    )[0].many,
  )
const fieldNow = async (client: ClientDb) => {
  const scope = await resolveScope(client, parseScope({}))
  return { scope, field: await fieldOf(client, scope, fieldSchema.cast({})) }
}

describe('a profile that was renamed', () => {
  it('is followed on by its id, says what it was called, and is entered once', async () => {
    const id = await idOf(db, lodestone.remoteId)
    expect((await profileById(db, id))!.handle).toBe('@lodestonemag')
    const before = await daysOf(id)
    expect(await syncNow(db, id)).toMatchObject({ state: 'done' })
    expect(await daysOf(id)).toBeGreaterThan(before)
    expect(await profileById(db, id)).toMatchObject({
      handle: '@lodestonemonthly',
      name: '@lodestonemonthly',
      former_handle: '@lodestonemag',
      renamed_on: '2026-10-29',
      gone_on: null,
    })
    await watchField(db)
    await watchField(db)
    const said = (await sightingsOf(db, true, PERIOD)).sightings.filter(({ kind }) => kind === 'renamed')
    expect(said.map((one) => `${one.rival} ${sightingWords(one, 'en-GB')}`)).toEqual([
      'Lodestone Monthly is @lodestonemonthly on Tintype now: @lodestonemag was renamed, and is followed on under the new handle.',
    ])
    // another name is entered beside it; the same handle again is not
    renamed.set(lodestone.remoteId, '@lodestone')
    await syncNow(db, id)
    await syncNow(db, id)
    expect(await profileById(db, id)).toMatchObject({ handle: '@lodestone', former_handle: '@lodestonemonthly' })
    await watchField(db)
    expect(
      (await sightingsOf(db, true, PERIOD)).sightings.filter(({ kind }) => kind === 'renamed').map(({ text }) => text),
    ).toEqual(['@lodestonemonthly\n@lodestone', '@lodestonemag\n@lodestonemonthly'])
  })
  it('is the client’s own as well, and nobody calls that what a rival did', async () => {
    const own = PROFILES[1]!
    const id = await idOf(gardens, own.remoteId)
    renamed.set(own.remoteId, '@mossgategardens')
    await syncNow(gardens, id)
    const page = (await profilesPage(gardens)).find((profile) => profile.id === id)!
    expect(page).toMatchObject({ handle: '@mossgategardens', former: '@mossgate', renamedOn: '2026-10-29' })
    await watchField(gardens)
    expect((await sightingsOf(gardens, true, PERIOD)).sightings.filter(({ kind }) => kind === 'renamed')).toEqual([])
  })
  it('stays as it is while its network tells nothing that can be read', async () => {
    const id = await idOf(db, lodestone.remoteId)
    const before = await profileById(db, id)
    renamed.set(lodestone.remoteId, '')
    await syncNow(db, id)
    expect(await profileById(db, id)).toMatchObject({ handle: before!.handle, gone_on: null })
    expect((await profileById(db, id))!.sync_error).toContain('a profile that cannot be read')
    await pool().query('UPDATE profile SET sync_error = NULL')
  })
})

describe('a profile that its network no longer has', () => {
  it('is kept to its last day, is said everywhere, and is asked for by itself until it is there again', async () => {
    const remote = PROFILES.find(({ handle, network }) => handle === 'papercomet' && network === 'cork')!.remoteId
    const id = await idOf(db, remote)
    await syncNow(db, id)
    const before = await daysOf(id)
    gone.add(remote)
    expect(await syncNow(db, id)).toMatchObject({
      state: 'done',
      message: expect.stringContaining('Cork no longer has this profile'),
    })
    expect(await daysOf(id)).toBe(before)
    const row = (await profileById(db, id))!
    expect(row).toMatchObject({ gone_on: '2026-10-29', first_fetch: 0 })
    const page = (await profilesPage(db)).find((profile) => profile.id === id)!
    expect(stateOf({ ...page, job: null })).toBe(
      'Cork no longer has this profile. What it had up to then is kept; it is asked for again by itself.',
    )
    for (const { profile_id: other } of await profilesOf(db)) await enqueue(db, SYNC, other, {})
    await runJobs()
    const { scope, field } = await fieldNow(db)
    const member = field.members.find(({ name }) => name === 'Paper Comet')!
    expect(member.gone).toEqual([{ handle: 'papercomet', networkName: 'Cork', on: '2026-10-29' }])
    expect(member.followers).toBeGreaterThan(0)
    expect(fieldBlock.missingIn!({ kind: 'field', field } as never)).toContain(
      'Paper Comet: papercomet is no longer on Cork, as was seen on 29 Oct 2026; its figures end there.',
    )
    expect((await whatIsOpen(db, scope)).troubles.some(({ profile }) => profile === id)).toBe(true)
    const linesNow = async () =>
      (await fieldLines(db, scope, fieldLinesSchema.cast({ line: 'followers' }))).members.find(
        ({ name }) => name === 'Paper Comet',
      )!
    const lines = await linesNow()
    // in the period after it is no part of the organisation any more, whose other profile goes on
    await pool().query("UPDATE profile SET gone_on = '2026-10-01' WHERE profile_id = ?", [id])
    const after = (await fieldNow(db)).field.members.find(({ name }) => name === 'Paper Comet')!
    expect(after).toMatchObject({ profiles: 1, networks: ['Commons'] })
    expect(after.gone).toBeUndefined()
    // its past is not lost by that
    expect(await linesNow()).toEqual(lines)
    expect(after.growth!.weeks).toBe(member.growth!.weeks)
    await pool().query("UPDATE profile SET gone_on = '2026-10-29' WHERE profile_id = ?", [id])
    await watchField(db)
    await watchField(db)
    const seen = (await sightingsOf(db, true, PERIOD)).sightings
    expect(seen.filter(({ kind }) => kind === 'gone')).toMatchObject([
      { rival: 'Paper Comet', day: '2026-10-29', text: 'papercomet' },
    ])
    // what its other profile does is looked at all the same
    expect(seen.some(({ kind, rival }) => kind === 'hashtag' && rival === 'Paper Comet')).toBe(true)

    const isDue = async () => {
      await pool().query('DELETE FROM job')
      await enqueueDue()
      return (await newestJob(db, 'sync', id)) !== null && (await newestJob(db, 'sync', id)) !== undefined
    }
    expect(await isDue()).toBe(false)
    const goneSince = (day: string, hours: number) =>
      pool().query('UPDATE profile SET gone_on = ?, synced_at = NOW() - INTERVAL ? HOUR WHERE profile_id = ?', [
        day,
        hours,
        id,
      ])
    // networks err: in the first day it is asked for every hour
    await goneSince('2026-10-29', 2)
    expect(await isDue()).toBe(true)
    await goneSince('2026-10-20', 2)
    expect(await isDue()).toBe(false)
    await goneSince('2026-10-20', 21)
    expect(await isDue()).toBe(true)
    await pool().query('DELETE FROM job')
    gone.clear()
    await syncNow(db, id)
    expect(await profileById(db, id)).toMatchObject({ gone_on: null, sync_error: null, handle: 'papercomet' })
    expect((await fieldNow(db)).field.members.find(({ name }) => name === 'Paper Comet')!.gone).toBeUndefined()
  })
})

describe('rivals that have merged', () => {
  it('are one by the same name, with all that both had, and two again when that is undone', async () => {
    for (const { profile_id: id } of await profilesOf(db)) await enqueue(db, SYNC, id, {})
    await runJobs()
    const before = (await fieldNow(db)).field
    const of = (name: string) => before.members.find((member) => member.name === name)!
    const [comet, sextant] = [of('Paper Comet'), of('Little Sextant')]
    const moved = (await profilesOf(db)).filter(({ rival }) => rival === 'Paper Comet')
    for (const { profile_id: id } of moved) expect(await nameRival(db, id, 'Little Sextant')).toBe(true)
    const merged = (await fieldNow(db)).field
    expect(merged.members.map(({ name }) => name)).not.toContain('Paper Comet')
    const one = merged.members.find(({ name }) => name === 'Little Sextant')!
    expect(one.profiles).toBe(comet.profiles + sextant.profiles)
    expect(one.followers).toBe(comet.followers! + sextant.followers!)
    const sumOf = (field: typeof before, members: number[]) =>
      field.tables
        .find(({ metric }) => metric === 'interactions')!
        .rows.filter(({ member }) => members.includes(member))
        .reduce((sum, { value }) => sum + value!, 0)
    expect(sumOf(merged, [one.id])).toBe(sumOf(before, [comet.id, sextant.id]))
    for (const { profile_id: id } of moved) await nameRival(db, id, 'Paper Comet')
    expect((await fieldNow(db)).field.members).toEqual(before.members)
    // own profiles and those of another client belong to no rival
    expect(
      await nameRival(db, await idOf(db, PROFILES.find((each) => each.client === 'orrery-press')!.remoteId), 'X'),
    ).toBe(false)
    expect(await nameRival(gardens, moved[0]!.profile_id, 'X')).toBe(false)
  })
})

describe('rivals that are suggested', () => {
  it('are those whom the audience also follows, by organisation, without those in the list', async () => {
    const first = await suggestRivals(gardens)
    expect(first.asked).toContain('Mossgate Gardens on Commons')
    expect(first.asked.every((name) => /on (?:Commons|Tintype|Guildhall)$/.test(name))).toBe(true)
    const listed = await profilesOf(gardens)
    const own = listed.filter(({ is_rival: rival, is_active: active }) => !rival && active)
    expect(first.asked.length + first.untold).toBe(own.length)
    expect(first.beyond).toBe(0)
    const all = first.organisations.flatMap(({ profiles }) => profiles)
    for (const { network, remoteId, of } of all) {
      expect(listed.some((row) => row.network === network && row.remote_id === remoteId)).toBe(false)
      expect([...of].sort((a, b) => b.share - a.share)).toEqual(of)
    }
    const bloom = first.organisations.find(({ name }) => name === 'Isles in Bloom')!
    expect(bloom.profiles.map(({ networkName }) => networkName).sort()).toEqual(['Commons', 'Tintype'])
    // one is called by its name on Commons and by its handle on Tintype
    const lodestones = first.organisations.filter(({ profiles }) =>
      profiles.some(({ handle }) => handle.replace('@', '') === 'lodestonemonthly'),
    )
    expect(lodestones.map(({ name, profiles }) => [name, profiles.length])).toEqual([['Lodestone Monthly', 2]])
    // every share is what the network itself tells
    const told = (await (
      await fetch(
        `${process.env.ZAFFER_NETWORKS_ADDRESS!.replace('{network}', 'commons')}/public/profiles/${PROFILES[0]!.remoteId}/also-followed`,
      )
    ).json()) as { data: { name: string; share: number }[] }
    const onCommons = bloom.profiles.find(({ network }) => network === 'commons')!
    expect(onCommons.of).toContainEqual({
      profile: 'Mossgate Gardens on Commons',
      share: told.data.find(({ name }) => name === 'Isles in Bloom')!.share,
    })
    // once added it is suggested no more
    await addProfile(gardens, { network: 'commons', handle: onCommons.handle, rival: 'Isles in Bloom' }, 1)
    const after = (await suggestRivals(gardens)).organisations.find(({ name }) => name === 'Isles in Bloom')!
    expect(after.profiles.map(({ network }) => network)).toEqual(['tintype'])
  })
  it('are told with a sentence when a network does not answer', async () => {
    standins.state.isDown = true
    await expect(suggestRivals(gardens)).rejects.toThrow(/Try again in a moment/)
  })
})
