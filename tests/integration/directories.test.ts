import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { STRANGERS_PHONE } from '../../demo/directories'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { changedEntries, changedWords } from '../../server/read/directories/changedEntries'
import { askForCorrections, sayOurs, settleChanges } from '../../server/read/directories/corrections'
import { directories, placeEntries } from '../../server/read/directories/directories'
import { askForEntries, requestsOf } from '../../server/read/directories/entryRequests'
import { askForPoll, entriesDue } from '../../server/read/directories/entriesDue'
import { entriesOf } from '../../server/read/directories/entryRows'
import { placeById } from '../../server/read/places/places'
import { correctionsSchema, entryRecordSchema, entryRequestsSchema } from '../../shared/read/directories'
import type { EntryField } from '../../core/directories/entryFields'
import { runJobs, useDatabase } from './support/database'
import { addDemo } from './support/demo'
import { useStandins } from './support/standins'

const { pool } = useDatabase('directories')
const standins = useStandins()
let db: ClientDb
const asked = async (text: string, values: unknown[] = []) =>
  (await pool().query<RowDataPacket[]>(text, values))[0] as Record<string, unknown>[]
const placeOf = async (name: string) =>
  Number((await asked('SELECT place_id AS id FROM place WHERE name = ?', [name]))[0]!.id)
const entryOf = async (directory: string, name: string) => {
  const place = await placeOf(name)
  return (await entriesOf(db, { place, directory }))[0]!
}
const cell = async (name: string, directory: string) =>
  (await directories(db)).rows
    .find(({ place }) => place.name === name)!
    .cells.find((each) => each.directory === directory)!
const told = async (name: string, directory: string, field: EntryField) =>
  (await placeEntries(db, await placeOf(name))).entries
    .find((entry) => entry.directory === directory)!
    .fields.find((each) => each.field === field)!
const standing = async (entry: number, field: string) =>
  (
    await asked(
      'SELECT state, reason FROM entry_correction WHERE entry_id = ? AND field = ? ORDER BY correction_id DESC LIMIT 1',
      [entry, field],
    )
  )[0]
/** Looks at every directory. */
async function look() {
  await askForPoll(db, 1)
  await runJobs()
}
const GATE = 'Mossgate, main gate'
const TEA = 'Mossgate tea rooms'

beforeAll(async () => {
  await addDemo()
  await pool().query("DELETE FROM job WHERE state = 'queued'")
  db = await clientDbForJob(1)
})
beforeEach(() => {
  standins.state.isDown = false
  standins.state.later = 0
})

describe('what directories say', () => {
  // by hand, from the records and from what each directory has otherwise; the weights are name, telephone and hours 3,
  // street, position, web and categories 2, postcode, town, country, attributes and description 1
  it.each([
    // 22 in all; the telephone is wrong
    [GATE, 'waymark', 'there', 19 / 22, 1],
    [TEA, 'waymark', 'there', 1, 1],
    // written in its own manner, and meant the same
    [GATE, 'townbook', 'there', 1, 1],
    // web and categories of 22 are wrong
    ['Mossgate plant shop', 'townbook', 'there', 18 / 22, 1],
    // hours and description are missing; the kiosk has no attributes: of 21
    ['Mossgate quay kiosk', 'townbook', 'there', 17 / 21, 17 / 21],
    // it carries no attributes, and has last year’s hours: 18 of 21
    [GATE, 'islepages', 'there', 18 / 21, 1],
    ['Mossgate quay kiosk', 'islepages', 'there', 18 / 21, 1],
    // no attributes, description and position: of 18; Walk written short
    [GATE, 'dial-and-door', 'there', 1, 1],
    ['Mossgate plant shop', 'dial-and-door', 'there', 16 / 18, 1],
    ['Mossgate glasshouse', 'dial-and-door', 'missing', undefined, undefined],
    [TEA, 'dial-and-door', 'doubled', 1, 1],
    // no attributes and country: of 20; 400 m away, and another category
    [GATE, 'pilot-index', 'there', 16 / 20, 1],
    ['Mossgate quay kiosk', 'pilot-index', 'missing', undefined, undefined],
  ] as const)('of %s in %s is %s, %d agree and %d is there', async (name, directory, is, agreement, completeness) => {
    const found = await cell(name, directory)
    expect(found.is).toBe(is)
    if (agreement === undefined) return void expect(found).not.toHaveProperty('agreement')
    expect(found.agreement).toBeCloseTo(agreement, 12)
    expect(found.completeness).toBeCloseTo(completeness, 12)
  })

  it('is summed up over all places, a missing entry as nothing', async () => {
    const view = await directories(db)
    for (const { directory, agreement, there, missing } of view.directories) {
      const cells = view.rows.flatMap(({ cells: all }) => all.filter((each) => each.directory === directory))
      expect(there + missing).toBe(5)
      expect(agreement).toBeCloseTo(cells.reduce((sum, each) => sum + (each.agreement ?? 0), 0) / 5, 12)
    }
    expect(view.directories.map(({ missing }) => missing)).toEqual([0, 0, 0, 1, 1])
    expect(view.directories.map(({ doubled }) => doubled)).toEqual([0, 0, 0, 1, 0])
  })

  it('says how a field differs', async () => {
    expect(await told(GATE, 'pilot-index', 'position')).toMatchObject({ is: 'differs', how: '403 m apart' })
    expect(await told(TEA, 'pilot-index', 'name')).toMatchObject({ theirs: 'Moss Gate Tearoom' })
    expect((await told(GATE, 'islepages', 'hours')).how).toBe('other hours first on 29 Oct 2026')
    expect(await told(GATE, 'townbook', 'phone')).toMatchObject({ is: 'same', theirs: '01632960010' })
  })
})

describe('a look at the directories', () => {
  it('finds nothing new where nothing has changed, however often', async () => {
    const before = await asked(
      'SELECT entry_id, record, gone_at FROM directory_entry WHERE client_id = 1 ORDER BY entry_id',
    )
    const changes = await asked('SELECT * FROM entry_change')
    await look()
    await look()
    expect(
      await asked('SELECT entry_id, record, gone_at FROM directory_entry WHERE client_id = 1 ORDER BY entry_id'),
    ).toEqual(before)
    expect(await asked('SELECT * FROM entry_change')).toEqual(changes)
  })

  it('is due every six hours, for every client with places', async () => {
    await pool().query("UPDATE directory_poll SET polled_at = '2026-10-29 00:30:00'")
    expect(await entriesDue()).toBe(0)
    await pool().query("UPDATE directory_poll SET polled_at = '2026-10-28 23:59:00' WHERE directory = 'townbook'")
    expect(await entriesDue()).toBe(2)
    await entriesDue()
    expect(await asked("SELECT subject FROM job WHERE kind = 'entries.poll' AND state = 'queued'")).toHaveLength(2)
    await runJobs()
    expect(await entriesDue()).toBe(0)
  })

  it('finds all entries of a place anew, and none of its neighbours', async () => {
    const before = await asked(
      'SELECT directory, remote_id, place_id FROM directory_entry WHERE client_id = 1 ORDER BY 1, 2',
    )
    await pool().query('DELETE FROM directory_entry WHERE client_id = 1')
    await look()
    expect(
      await asked('SELECT directory, remote_id, place_id FROM directory_entry WHERE client_id = 1 ORDER BY 1, 2'),
    ).toEqual(before)
    // what is seen for the first time has not changed
    expect(
      await asked('SELECT * FROM entry_change c JOIN directory_entry e USING (entry_id) WHERE e.client_id = 1'),
    ).toEqual([])
  })

  it('tells a stranger’s change, from what to what, by whom, on the first page too', async () => {
    const entry = await entryOf('waymark', GATE)
    await pool().query('UPDATE directory_entry SET record = ? WHERE entry_id = ?', [
      JSON.stringify({ ...entry.record, phone: '+441632960010' }),
      entry.id,
    ])
    await look()
    const [change, ...others] = await changedEntries(db)
    expect(others).toEqual([])
    expect(change).toMatchObject({
      field: 'phone',
      was: '+441632960010',
      became: STRANGERS_PHONE,
      changedBy: 'a visitor who is not known',
      directory: 'waymark',
      state: 'open',
    })
    expect(changedWords([change!])).toBe(
      `The telephone of ${GATE} was changed in Waymark, and nobody here did that: from +44 1632 960010 to +44 1632 960199.`,
    )
  })

  it('tells that an entry is gone, which nobody can put back from here', async () => {
    const [{ insertId }] = (await pool().query(
      `INSERT INTO directory_entry (client_id, place_id, directory, remote_id, record)
       SELECT client_id, place_id, directory, '777', record FROM directory_entry WHERE directory = 'townbook' LIMIT 1`,
    )) as unknown as [{ insertId: number }]
    await look()
    await look()
    const gone = (await changedEntries(db)).filter(({ field }) => field === 'entry')
    expect(gone).toHaveLength(1)
    expect(changedWords(gone)).toMatch(/^The entry of .+ in Townbook is gone\.$/)
    await expect(settleChanges(db, { changes: [gone[0]!.id], what: 'back' }, 1)).rejects.toThrow(/cannot be put back/)
    await settleChanges(db, { changes: [gone[0]!.id], what: 'keep' }, 1)
    await expect(askForCorrections(db, [{ entry: insertId, field: 'name' }], 1)).rejects.toThrow(
      /has that entry no more/,
    )
    await pool().query('DELETE FROM directory_entry WHERE entry_id = ?', [insertId])
  })

  it('of one that does not answer says so, and leaves what is known', async () => {
    const before = await asked('SELECT entry_id, record FROM directory_entry ORDER BY entry_id')
    standins.state.onRequest = (path) => void (standins.state.isDown = path.startsWith('/townbook'))
    await askForPoll(db, 1)
    for (let round = 0; round < 8; round++) {
      await pool().query("UPDATE job SET run_after = NOW() WHERE state = 'queued'")
      await runJobs()
    }
    standins.state.onRequest = () => {}
    const view = await directories(db)
    expect(view.directories.filter(({ problem }) => problem !== '').map(({ name }) => name)).toEqual(['Townbook'])
    expect(await asked('SELECT entry_id, record FROM directory_entry ORDER BY entry_id')).toEqual(before)
    // it is left alone for an hour
    await pool().query(
      "UPDATE directory_poll SET polled_at = '2026-10-28 12:00:00' WHERE client_id = 1 AND directory = 'townbook'",
    )
    expect(await entriesDue()).toBe(0)
    standins.state.isDown = false
    await look()
    expect((await directories(db)).directories.every(({ problem }) => problem === '')).toBe(true)
  })
})

describe('a change that nobody here has made', () => {
  it('is kept in the master record, and that can be taken back', async () => {
    const [change] = await changedEntries(db)
    const place = await placeOf(GATE)
    await settleChanges(db, { changes: [change!.id], what: 'keep' }, 1)
    expect((await placeById(db, place)).phone).toBe('+441632960199')
    expect((await cell(GATE, 'waymark')).agreement).toBe(1)
    expect(await changedEntries(db)).toEqual([])
    await expect(settleChanges(db, { changes: [change!.id], what: 'keep' }, 1)).rejects.toThrow(
      /settled that change already/,
    )
    await settleChanges(db, { changes: [change!.id], what: 'open' }, 1)
    expect((await placeById(db, place)).phone).toBe('+441632960010')
    expect(await changedEntries(db)).toHaveLength(1)
    await expect(settleChanges(db, { changes: [change!.id], what: 'open' }, 1)).rejects.toThrow(/not kept/)
  })

  it('is settled once, by whoever comes first', async () => {
    const [change] = await changedEntries(db)
    const settled = await Promise.allSettled(
      [1, 2].map((person) => settleChanges(db, { changes: [change!.id], what: 'keep' }, person)),
    )
    expect(settled.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected'])
    await settleChanges(db, { changes: [change!.id], what: 'open' }, 1)
  })

  it('is put back, once its network has the proof, and that is no stranger’s change', async () => {
    const [change] = await changedEntries(db)
    await settleChanges(db, { changes: [change!.id], what: 'back' }, 1)
    await runJobs()
    expect(await standing(change!.entry, 'phone')).toEqual({
      state: 'sent',
      reason: 'Waymark asks for proof: it has sent a code to the owner.',
    })
    expect(await cell(GATE, 'waymark')).toMatchObject({ underWay: 1, failed: 0 })
    standins.state.later = 60_000
    await look()
    expect(await standing(change!.entry, 'phone')).toEqual({ state: 'taken', reason: '' })
    expect((await cell(GATE, 'waymark')).agreement).toBe(1)
    expect(await changedEntries(db)).toEqual([])
    const { changes } = await placeEntries(db, await placeOf(GATE))
    expect(changes.filter(({ directory }) => directory === 'waymark').map(({ state }) => state)).toEqual([
      'ours',
      'back',
    ])
  })

  it('whose value the record cannot take stays open, and says why', async () => {
    const entry = await entryOf('townbook', TEA)
    const { insertId } = (
      await pool().query(
        "INSERT INTO entry_change (client_id, entry_id, field, was, became, state) VALUES (1, ?, 'hours', '', 'by arrangement', 'open')",
        [entry.id],
      )
    )[0] as { insertId: number }
    await expect(settleChanges(db, { changes: [insertId], what: 'keep' }, 1)).rejects.toThrow(
      /The master record cannot take “by arrangement”/,
    )
    expect(await changedEntries(db)).toHaveLength(1)
    await pool().query('DELETE FROM entry_change WHERE change_id = ?', [insertId])
  })
})

describe('a correction', () => {
  it('is refused with the reason, and counted as such until the entry is right', async () => {
    const entry = await entryOf('dial-and-door', GATE)
    await pool().query("UPDATE place SET phone = '+441632960011' WHERE name = ?", [GATE])
    await askForCorrections(db, [{ entry: entry.id, field: 'phone' }], 1)
    await runJobs()
    expect(await standing(entry.id, 'phone')).toEqual({
      state: 'refused',
      reason: 'Dial & Door asks for proof: call from that number first.',
    })
    expect(await cell(GATE, 'dial-and-door')).toMatchObject({ failed: 1, underWay: 0, differs: 1 })
    await pool().query("UPDATE place SET phone = '+441632960010' WHERE name = ?", [GATE])
    expect(await cell(GATE, 'dial-and-door')).toMatchObject({ failed: 0, differs: 0 })
  })

  it('of many at once is taken, and a later look finds it changed back', async () => {
    await pool().query("UPDATE entry_correction SET state = 'withdrawn' WHERE state = 'changed back'")
    const [pilot, isle] = [await entryOf('pilot-index', GATE), await entryOf('islepages', GATE)]
    const jobs = await askForCorrections(
      db,
      [
        { entry: pilot.id, field: 'position' },
        { entry: pilot.id, field: 'categories' },
        { entry: isle.id, field: 'hours' },
      ],
      1,
    )
    expect(jobs).toHaveLength(2)
    await runJobs()
    expect((await cell(GATE, 'pilot-index')).agreement).toBe(1)
    expect((await cell(GATE, 'islepages')).agreement).toBe(1)
    expect(await changedEntries(db)).toEqual([])
    standins.state.later = 3_600_000
    await look()
    expect((await standing(pilot.id, 'position'))!.state).toBe('changed back')
    expect((await standing(pilot.id, 'categories'))!.state).toBe('taken')
    const [back] = await changedEntries(db)
    expect(back).toMatchObject({ field: 'position', directory: 'pilot-index', state: 'open' })
    expect((await cell(GATE, 'pilot-index')).failed).toBe(1)
  })

  it('that is asked for again before it is sent takes the place of the first', async () => {
    const { id: entry } = await entryOf('townbook', 'Mossgate plant shop')
    await askForCorrections(db, [{ entry, field: 'web' }], 1)
    await askForCorrections(db, [{ entry, field: 'web' }], 1)
    await runJobs()
    expect(
      (await asked('SELECT state FROM entry_correction WHERE entry_id = ? ORDER BY correction_id', [entry])).map(
        ({ state }) => state,
      ),
    ).toEqual(['withdrawn', 'sent'])
    standins.state.later = 60_000
    await look()
    expect(await told('Mossgate plant shop', 'townbook', 'web')).toMatchObject({ is: 'same' })
  })

  it('whose answer is lost is sent again and is the same one', async () => {
    const { id: entry } = await entryOf('islepages', TEA)
    await askForCorrections(db, [{ entry, field: 'hours' }], 1)
    standins.state.onRequest = (path) => void (standins.state.losesAnswers = path.endsWith('/corrections'))
    await runJobs()
    standins.state.onRequest = () => {}
    standins.state.losesAnswers = false
    expect((await standing(entry, 'hours'))!.state).toBe('waiting')
    await pool().query("UPDATE job SET run_after = NOW() WHERE state = 'queued'")
    await runJobs()
    expect((await standing(entry, 'hours'))!.state).toBe('taken')
    expect(await changedEntries(db)).toHaveLength(1)
  })

  it('says what is wrong with it', async () => {
    const { id: entry } = await entryOf('islepages', TEA)
    const ask = (field: EntryField, of = entry) => askForCorrections(db, [{ entry: of, field }], 1)
    await expect(ask('attributes')).rejects.toThrow('Entries of Islepages have no attributes.')
    await expect(ask('name', 999_999)).rejects.toThrow(/no such entry|entry/i)
    await pool().query("UPDATE place SET description = '' WHERE name = ?", [TEA])
    await expect(ask('description')).rejects.toThrow(
      `The master record of ${TEA} has no description to send. Write it down first.`,
    )
    const items = Array.from({ length: 501 }, () => ({ entry, field: 'name' }))
    await expect(correctionsSchema.validate({ items })).rejects.toThrow('500 fields at the most')
    // one that is wrong leaves all of them undone
    const before = await asked('SELECT COUNT(*) AS count FROM entry_correction')
    await expect(
      askForCorrections(
        db,
        [
          { entry, field: 'name' },
          { entry, field: 'attributes' },
        ],
        1,
      ),
    ).rejects.toThrow()
    expect(await asked('SELECT COUNT(*) AS count FROM entry_correction')).toEqual(before)
  })
})

it('leaves out an entry that is none of ours, until it is one again', async () => {
  const doubled = (await entriesOf(db, { place: await placeOf(TEA), directory: 'dial-and-door' }))[1]!
  await sayOurs(db, doubled.id, false)
  expect((await cell(TEA, 'dial-and-door')).is).toBe('there')
  await look()
  expect((await cell(TEA, 'dial-and-door')).is).toBe('there')
  await sayOurs(db, doubled.id, true)
  expect((await cell(TEA, 'dial-and-door')).is).toBe('doubled')
})

it('leaves a listing that was taken from its place, without a word of it being gone', async () => {
  const place = await placeOf('Mossgate glasshouse')
  const [{ listing }] = (await asked('SELECT profile_id AS listing FROM place WHERE place_id = ?', [place])) as [
    { listing: number },
  ]
  const before = await changedEntries(db)
  await pool().query('UPDATE place SET profile_id = NULL WHERE place_id = ?', [place])
  await look()
  expect((await cell('Mossgate glasshouse', 'waymark')).is).toBe('missing')
  expect(await changedEntries(db)).toEqual(before)
  // given to another place, it stands beside that one's record
  await pool().query('UPDATE place SET profile_id = ? WHERE name = ?', [listing, TEA])
  await look()
  expect((await cell(TEA, 'waymark')).agreement).toBeLessThan(0.7)
  await pool().query(
    "UPDATE place SET profile_id = (SELECT profile_id FROM profile WHERE handle = 'mossgate-tea-rooms') WHERE name = ?",
    [TEA],
  )
  await pool().query('UPDATE place SET profile_id = ? WHERE place_id = ?', [listing, place])
  await look()
  expect((await cell('Mossgate glasshouse', 'waymark')).is).toBe('there')
})

describe('an entry that is missing', () => {
  const KIOSK = 'Mossgate quay kiosk'
  const GLASSHOUSE = 'Mossgate glasshouse'
  const missing = async (name: string) =>
    (await placeEntries(db, await placeOf(name))).missing.map(({ directory, request }) => [directory, request?.state])
  const ask = async (name: string, directory: string) =>
    await askForEntries(db, [{ place: await placeOf(name), directory }], 1)

  it('is asked for with what the record says and the directory carries, is looked at there, and is there once it was taken', async () => {
    await look()
    expect(await missing(KIOSK)).toEqual([['pilot-index', undefined]])
    const [gap] = (await placeEntries(db, await placeOf(KIOSK))).missing
    const record = await placeById(db, await placeOf(KIOSK))
    expect(gap!.sent).toContainEqual({ field: 'name', text: KIOSK })
    expect(gap!.sent).toContainEqual({ field: 'hours', text: record.hours })
    expect(gap!.sent.map(({ field }) => field)).not.toContain('attributes')
    await ask(KIOSK, 'pilot-index')
    await runJobs()
    expect(await missing(KIOSK)).toEqual([['pilot-index', 'sent']])
    expect(await cell(KIOSK, 'pilot-index')).toMatchObject({ is: 'missing', request: 'sent' })
    await expect(ask(KIOSK, 'pilot-index')).rejects.toThrow('was asked for an entry of Mossgate quay kiosk already')
    standins.state.later = 60_000
    await look()
    expect(await missing(KIOSK)).toEqual([])
    expect(await cell(KIOSK, 'pilot-index')).toMatchObject({ is: 'there', agreement: 1, completeness: 1 })
    expect(await asked('SELECT state FROM entry_request ORDER BY request_id DESC LIMIT 1')).toEqual([
      { state: 'taken' },
    ])
    // it is corrected as any other
    await pool().query("UPDATE place SET street = '2 Quay Street' WHERE name = ?", [KIOSK])
    const entry = await entryOf('pilot-index', KIOSK)
    await askForCorrections(db, [{ entry: entry.id, field: 'street' }], 1)
    await runJobs()
    expect((await told(KIOSK, 'pilot-index', 'street')).theirs).toBe('2 Quay Street')
    await expect(ask(KIOSK, 'pilot-index')).rejects.toThrow('has an entry of Mossgate quay kiosk already')
  })

  it('may be refused and asked for again; once where two ask, and once where an answer is lost', async () => {
    const [{ phone }] = (await asked('SELECT phone FROM place WHERE name = ?', [GLASSHOUSE])) as [{ phone: string }]
    await pool().query("UPDATE place SET phone = '' WHERE name = ?", [GLASSHOUSE])
    await ask(GLASSHOUSE, 'dial-and-door')
    await runJobs()
    const [refused] = (await placeEntries(db, await placeOf(GLASSHOUSE))).missing
    expect(refused!.request).toMatchObject({
      state: 'refused',
      reason: 'Dial & Door lists nobody without a telephone number.',
      askedBy: 'Ada Pellow',
    })
    expect(await cell(GLASSHOUSE, 'dial-and-door')).toMatchObject({ is: 'missing', request: 'refused' })
    await pool().query('UPDATE place SET phone = ? WHERE name = ?', [phone || '+44 1632 960123', GLASSHOUSE])
    const both = await Promise.allSettled([ask(GLASSHOUSE, 'dial-and-door'), ask(GLASSHOUSE, 'dial-and-door')])
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected'])
    standins.state.onRequest = (path) => void (standins.state.losesAnswers = path.endsWith('/entries/new'))
    await runJobs()
    Object.assign(standins.state, { losesAnswers: false, onRequest: () => undefined })
    await pool().query("UPDATE job SET run_after = NOW(3) - INTERVAL 1 SECOND WHERE state = 'queued'")
    await runJobs()
    await look()
    const entries = (await placeEntries(db, await placeOf(GLASSHOUSE))).entries
    expect(entries.filter(({ directory }) => directory === 'dial-and-door')).toHaveLength(1)
  })

  it('is not asked for on the network of the listings, of a place of others, or of one that was removed', async () => {
    await expect(ask(KIOSK, 'waymark')).rejects.toThrow('its owner opens one there')
    const other = await clientDbForJob(2)
    const place = await placeOf(KIOSK)
    await expect(askForEntries(other, [{ place, directory: 'townbook' }], 1)).rejects.toMatchObject({ status: 404 })
    await expect(entryRequestsSchema.validate({ items: [{ place, directory: 'elsewhere' }] })).rejects.toThrow(
      'Choose a directory from the list.',
    )
    await pool().query('DELETE FROM entry_request')
    await pool().query(
      "INSERT INTO entry_request (client_id, place_id, directory, state) VALUES (1, ?, 'pilot-index', 'waiting')",
      [place],
    )
    await pool().query('UPDATE place SET removed_at = NOW() WHERE place_id = ?', [place])
    expect(await requestsOf(db, { state: 'waiting' })).toEqual([])
    await pool().query('UPDATE place SET removed_at = NULL WHERE place_id = ?', [place])
    expect(await requestsOf(db, { state: 'waiting' })).toHaveLength(1)
  })
})

it('leaves what another installation has brought and is not known here where it is', async () => {
  const before = await directories(db)
  const { id } = await entryOf('townbook', TEA)
  await pool().query(
    `INSERT INTO directory_entry (client_id, place_id, directory, remote_id, record)
     SELECT client_id, place_id, 'elsewhere', '1', record FROM directory_entry WHERE entry_id = ?`,
    [id],
  )
  await pool().query("INSERT INTO entry_change (client_id, entry_id, field, state) VALUES (1, ?, 'colour', 'open')", [
    id,
  ])
  await pool().query(
    "INSERT INTO entry_correction (client_id, entry_id, field, value, state) VALUES (1, ?, 'name', 'x', 'lost')",
    [id],
  )
  expect(await directories(db)).toEqual(before)
  expect((await placeEntries(db, await placeOf(TEA))).entries.some(({ directory }) => directory === 'elsewhere')).toBe(
    false,
  )
})

it('takes from a directory only what a record can be', () => {
  const record = {
    name: 'x',
    categories: [],
    street: '',
    town: '',
    postcode: '',
    country: '',
    lat: null,
    lon: null,
    phone: '',
    web: '',
    hours: '',
    attributes: [],
    description: '',
  }
  expect(entryRecordSchema.isValidSync(record, { strict: true })).toBe(true)
  for (const wrong of [
    { lat: 91 },
    { name: '' },
    { phone: null },
    { categories: 'tea' },
    { description: 'x'.repeat(1001) },
  ])
    expect(entryRecordSchema.isValidSync({ ...record, ...wrong }, { strict: true })).toBe(false)
})
