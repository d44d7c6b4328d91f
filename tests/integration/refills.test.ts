import { afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { addPlanned, placePlanned, removePlanned } from '../../server/plan/posts/plannedPosts'
import { movePost } from '../../server/plan/posts/plannedStates'
import { setPlanSettings } from '../../server/plan/posts/planSettings'
import { planOf, plannedPost } from '../../server/plan/posts/planView'
import { fillSlots } from '../../server/plan/refills/fillSlots'
import { refillDue } from '../../server/plan/refills/refillDue'
import { addRefill, changeRefill, putIntoRefill, refills, removeRefill } from '../../server/plan/refills/refills'
import { plannedSchema } from '../../shared/plan/plannedPosts'
import { refillSchema } from '../../shared/plan/refills'
import { addClient, addProfile, useDatabase } from './support/database'

const { pool } = useDatabase('refills')
const ADA = { id: 1, name: 'Ada' }
const JORY = { id: 2, name: 'Jory' }
const NOW = '2026-10-29T06:00:00Z'
const LIST = { name: 'Guides', slots: [{ weekday: 1, minutes: 540 }], daysApart: 10 }
const input = (over: object = {}) => refillSchema.validateSync({ ...LIST, ...over })
let db: ClientDb
let profile = 0
const write = (text: string, over: object = {}) =>
  addPlanned(db, plannedSchema.validateSync({ text, postings: [{ profile }], ...over }), JORY)
/** What stands in the calendar: when, what, how far it is. */
const planned = async () =>
  (await planOf(db, '2026-10-26', '2026-12-20')).posts.map(({ day, text, state }) => `${day} ${text} ${state}`)

beforeAll(async () => {
  db = await addClient('refills')
  profile = await addProfile(db, 'murmur', '901')
})
beforeEach(() => (process.env.ZAFFER_NOW = NOW))
afterEach(async () => {
  process.env.ZAFFER_NOW = NOW
  await pool().query('UPDATE planned_post SET removed_at = NOW()')
  await pool().query('UPDATE plan_refill SET removed_at = NOW()')
  await setPlanSettings(db, { needsApproval: true, lateMinutes: 60 })
})

describe('slots that are refilled', () => {
  it('have each post in its turn, once, as the days go by, and end with the list', async () => {
    const id = await addRefill(db, input({ endsOn: '2026-11-30' }), JORY)
    await putIntoRefill(db, id, await write('One'), true)
    // alone it comes every second week only, and stays in the slot that it has when another comes
    expect(await planned()).toEqual(['2026-11-02 One draft'])
    await putIntoRefill(db, id, await write('Two'), true)
    expect(await planned()).toEqual(['2026-11-02 One draft', '2026-11-09 Two draft'])
    expect((await refills(db))[0]).toMatchObject({
      name: 'Guides',
      endsOn: '2026-11-30',
      posts: [
        { text: 'One', usedAt: '2026-11-02T09:00' },
        { text: 'Two', usedAt: '2026-11-09T09:00' },
      ],
      coming: [
        { at: '2026-11-02T09:00', text: 'One' },
        { at: '2026-11-09T09:00', text: 'Two' },
      ],
    })
    for (const day of ['2026-11-05', '2026-11-12', '2026-11-19', '2026-11-26']) {
      process.env.ZAFFER_NOW = `${day}T06:00:00Z`
      await refillDue()
      expect(await refillDue()).toBe(0)
    }
    expect(await planned()).toEqual([
      '2026-11-02 One draft',
      '2026-11-09 Two draft',
      '2026-11-16 One draft',
      '2026-11-23 Two draft',
      '2026-11-30 One draft',
    ])
  })
  it('are not filled again when somebody moves or removes the post, nor by two at once', async () => {
    const id = await addRefill(db, input({ daysApart: 1 }), JORY)
    const source = await write('Mine')
    await Promise.all([
      putIntoRefill(db, id, source, true),
      putIntoRefill(db, id, source, true),
      fillSlots(db, id),
      fillSlots(db, id),
    ])
    expect(await planned()).toEqual(['2026-11-02 Mine draft', '2026-11-09 Mine draft'])
    const [first, second] = (await planOf(db, '2026-10-26', '2026-12-20')).posts
    await placePlanned(db, first!.id, '2026-11-03T10:00')
    await removePlanned(db, [second!.id], true)
    expect(await fillSlots(db, id)).toBe(0)
    expect(await planned()).toEqual(['2026-11-03 Mine draft'])
    // what is planned there already leaves no room
    await putIntoRefill(
      db,
      await addRefill(db, input({ name: 'Other', slots: [{ weekday: 2, minutes: 610 }] }), JORY),
      source,
      true,
    )
    expect(await planned()).toEqual(['2026-11-03 Mine draft'])
    expect((await refills(db)).find(({ name }) => name === 'Other')!.coming).toEqual([
      { at: '2026-11-10T10:10', text: '' },
    ])
  })
  it('have what goes out by itself as it was approved, and nothing that nobody has approved', async () => {
    const id = await addRefill(db, input({ goesOut: true, daysApart: 30 }), JORY)
    const approved = await write('Approved')
    await movePost(db, approved, { to: 'waiting', version: 1, remark: '' }, JORY)
    await movePost(db, approved, { to: 'approved', version: 1, remark: '' }, ADA)
    await putIntoRefill(db, id, approved, true)
    await putIntoRefill(db, id, await write('Not yet'), true)
    expect(await planned()).toEqual(['2026-11-02 Approved scheduled', '2026-11-09 Not yet waiting'])
    const [first, second] = (await planOf(db, '2026-10-26', '2026-12-20')).posts
    expect(await plannedPost(db, first!.id, JORY)).toMatchObject({ approvedName: 'Ada', isApproved: true })
    expect((await plannedPost(db, second!.id, JORY)).moves).not.toContain('approved')
    // what a network would not take stays a draft, and says why
    await changeRefill(db, id, input({ goesOut: true, daysApart: 1, slots: [{ weekday: 3, minutes: 0 }] }), JORY)
    await setPlanSettings(db, { needsApproval: false, lateMinutes: 60 })
    const long = await addRefill(db, input({ name: 'Long', goesOut: true, slots: [{ weekday: 7, minutes: 0 }] }), JORY)
    await putIntoRefill(db, long, await write('x'.repeat(9000)), true)
    const stuck = (await planOf(db, '2026-11-01', '2026-11-01')).posts[0]!
    expect(stuck.state).toBe('draft')
    expect((await plannedPost(db, stuck.id, JORY)).remarks[0]).toMatchObject({
      who: 'Long',
      text: expect.stringMatching(/^It stays a draft\. .+/),
    })
  })
  it('draw each variation of a post once before any comes again', async () => {
    const id = await addRefill(db, input({ daysApart: 1 }), JORY)
    const text = 'Come and see'
    const source = await write(text, { variations: [{ phrase: 'Come', others: ['Walk in', 'Stop by'] }] })
    await putIntoRefill(db, id, source, true)
    for (const day of ['2026-11-05', '2026-11-12', '2026-11-19', '2026-11-26']) {
      process.env.ZAFFER_NOW = `${day}T06:00:00Z`
      await refillDue()
    }
    const rows = (await planOf(db, '2026-10-26', '2026-12-20')).posts
    const series = await Promise.all(rows.map(async (row) => (await plannedPost(db, row.id, JORY)).series))
    expect(series.map((each) => each!.turn)).toEqual([1, 2, 3, 4, 5, 6])
    expect(new Set(series.map((each) => each!.key)).size).toBe(1)
  })
  it('stay as they are when a list is switched off or removed', async () => {
    const id = await addRefill(db, input({ isOn: false }), JORY)
    const source = await write('Later')
    await putIntoRefill(db, id, source, true)
    expect(await planned()).toEqual([])
    await changeRefill(db, id, input(), JORY)
    expect(await planned()).toEqual(['2026-11-02 Later draft'])
    await removeRefill(db, id, true)
    expect(await refills(db)).toEqual([])
    await expect(changeRefill(db, id, input(), JORY)).rejects.toMatchObject({ status: 404 })
    await expect(putIntoRefill(db, id, source, true)).rejects.toMatchObject({ status: 404 })
    await removeRefill(db, id, false)
    expect((await refills(db))[0]!.posts).toMatchObject([{ id: source }])
    await putIntoRefill(db, id, source, false)
    expect((await refills(db))[0]!.posts).toEqual([])
    expect(() => input({ slots: [] })).toThrow('Say at least one time of the week.')
  })
  it('are filled for every list, though one cannot be', async () => {
    const [broken, other] = [await write('Broken'), await write('Other')]
    const first = await addRefill(db, input(), JORY)
    const second = await addRefill(db, input({ slots: [{ weekday: 5, minutes: 540 }] }), JORY)
    await db.insertRows(
      'plan_refill_post',
      ['refill_id', 'planned_id', 'place'],
      [
        [first, broken, 1],
        [second, other, 1],
      ],
    )
    await pool().query("UPDATE planned_post SET content = '{' WHERE planned_id = ?", [broken])
    await expect(refillDue()).rejects.toThrow('1 of 2 lists were not filled')
    await pool().query('DELETE FROM planned_post WHERE planned_id = ?', [broken])
    expect(await planned()).toEqual(['2026-10-30 Other draft'])
  })
})
