import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { LISTING_METRICS, manyPlacesSchema, placeSchema, type ManyPlacesInput } from '../../shared/read/places'
import { parseScope } from '../../shared/figures/scope'
import { resolveScope } from '../../server/figures/resolveScope'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { changeMany } from '../../server/read/places/changeMany'
import { placesIn } from '../../server/read/places/insights'
import { keepPlaceGroup, placeGroups, placesOfGroup, removePlaceGroup } from '../../server/read/places/placeGroups'
import { placesBlock } from '../../server/read/places/placesBlock'
import { placesPage } from '../../server/read/places/placesPage'
import {
  addPlace,
  bringBackPlace,
  placesAllowance,
  placesOf,
  removePlace,
  switchPlace,
} from '../../server/read/places/places'
import { placesFile } from '../../server/read/places/placesFile'
import { useDatabase } from './support/database'
import { addDemo } from './support/demo'

const { pool } = useDatabase('placegroups')
let db: ClientDb
let other: ClientDb
const asked = async <T>(text: string, values: unknown[] = []) =>
  (await pool().query<RowDataPacket[]>(text, values))[0] as T[]
const scopeOf = () => resolveScope(db, parseScope({ period: '2026-09', against: 'before' }))
const idsOf = async (...names: string[]) =>
  (await placesOf(db)).filter(({ name }) => names.some((part) => name.includes(part))).map(({ id }) => id)
const changes = (list: object[], isTaken: boolean): ManyPlacesInput =>
  manyPlacesSchema.validateSync({ changes: list, isTaken })

beforeAll(async () => {
  await addDemo()
  db = await clientDbForJob(1)
  other = await clientDbForJob(2)
})
beforeEach(() => pool().query('UPDATE agency SET active_places = NULL'))

describe('a group of places', () => {
  it('has together what the raw rows of its listings add up to, and no other place', async () => {
    const places = await idsOf('tea rooms', 'glasshouse')
    const group = await keepPlaceGroup(db, undefined, { name: 'Indoors', places: [...places, places[0]!] })
    expect(await placeGroups(db)).toEqual([{ id: group, name: 'Indoors', places: [...places].sort((a, b) => a - b) }])
    const page = await placesPage(db, await scopeOf(), group)
    expect(page.places.map(({ id }) => id).sort()).toEqual([...places].sort())
    expect(page.all).toHaveLength(5)
    const sums = async (period: [string, string]) =>
      (
        await asked<Record<string, string>>(
          `SELECT SUM(searches) AS searches, SUM(listing_views) AS listing_views,
                  SUM(COALESCE(site_clicks, 0) + COALESCE(directions, 0) + COALESCE(calls, 0) + COALESCE(messages, 0)
                    + COALESCE(bookings, 0)) AS listing_actions
           FROM profile_day JOIN place USING (client_id, profile_id)
           WHERE place_id IN (?) AND day BETWEEN ? AND ?`,
          [places, ...period],
        )
      )[0]!
    const [now, before] = [await sums(['2026-09-01', '2026-09-30']), await sums(['2026-08-01', '2026-08-31'])]
    const { together } = page
    expect(together!.places).toBe(2)
    for (const metric of LISTING_METRICS) {
      expect(together!.values[metric]).toBe(Number(now[metric]))
      expect(together!.changes[metric]).toMatchObject({ from: Number(before[metric]), to: Number(now[metric]) })
    }
    expect(together!.perViews!.value).toBeCloseTo((1000 * Number(now.listing_actions)) / Number(now.listing_views), 6)
    expect(together!.days).toEqual({ known: 60, of: 60 })

    const filled = await placesBlock.fill({
      db,
      scope: await scopeOf(),
      block: { id: 'a', kind: 'places', group },
    } as never)
    expect(filled.view.places).toHaveLength(2)
    expect(placesBlock.tableOf!(filled, 'UTC')!.rows).toHaveLength(2)

    // one that is switched off is no part of what they have together
    await switchPlace(db, places[0]!, false)
    expect((await placesPage(db, await scopeOf(), group)).together).toBeUndefined()
    await switchPlace(db, places[0]!, true)
    // a place that is removed is no member, and is one again when it comes back
    await removePlace(db, places[1]!)
    expect((await placesOfGroup(db, group)).size).toBe(1)
    await bringBackPlace(db, places[1]!)
    expect((await placesOfGroup(db, group)).size).toBe(2)
    expect((await placesIn(db, await scopeOf())).together!.places).toBe(5)

    expect(await keepPlaceGroup(db, group, { name: 'Under glass', places: [places[1]!] })).toBe(group)
    expect(await placeGroups(db)).toEqual([{ id: group, name: 'Under glass', places: [places[1]] }])
    expect(await removePlaceGroup(db, group, true)).toBe(true)
    await expect(placesPage(db, await scopeOf(), group)).rejects.toThrow('There is no such group of places')
    await expect(keepPlaceGroup(db, group, { name: 'x', places })).rejects.toThrow('There is no such group of places')
    expect(await removePlaceGroup(db, group, false)).toBe(true)
    expect(await placeGroups(db)).toHaveLength(1)
  })
  it('takes no place of another client, and is nobody else’s', async () => {
    const [foreign] = await placesOf(other)
    await expect(keepPlaceGroup(db, undefined, { name: 'x', places: [foreign!.id] })).rejects.toThrow(
      'Choose places of this client.',
    )
    const [group] = await placeGroups(db)
    await expect(keepPlaceGroup(other, group!.id, { name: 'x', places: [foreign!.id] })).rejects.toThrow(
      'no such group',
    )
    expect(await removePlaceGroup(other, group!.id, true)).toBe(false)
    expect(await placeGroups(other)).toEqual([])
  })
})

describe('several places at once', () => {
  it('are looked at before anything is written, refused one by one, and put back by what they were', async () => {
    const places = await idsOf('Mossgate')
    const before = await placesOf(db)
    const change = { places, field: 'hours', way: 'set', value: 'Mo-Su 10:00-16:00' }
    const said = await changeMany(db, changes([change], false))
    expect(said.changed.length + said.same).toBe(5)
    expect(said.refused).toEqual([])
    for (const { id, name, changes: made, hasListing } of said.changed) {
      const place = before.find((each) => each.id === id)!
      expect([name, hasListing]).toEqual([place.name, true])
      expect(made).toEqual([{ field: 'hours', from: place.hours, to: 'Mo-Su 10:00-16:00' }])
    }
    expect(await placesOf(db)).toEqual(before)
    await changeMany(db, changes([change], true))
    expect((await placesOf(db)).every(({ hours }) => hours === 'Mo-Su 10:00-16:00')).toBe(true)
    expect(await changeMany(db, changes([change], true))).toEqual({ changed: [], same: 5, refused: [] })
    await changeMany(
      db,
      changes(
        said.changed.flatMap(({ id, changes: made }) =>
          made.map(({ field, from }) => ({ places: [id], field, way: 'set', value: from })),
        ),
        true,
      ),
    )
    expect(await placesOf(db)).toEqual(before)
  })
  it('refuse what would be no record, and leave those as they were while others change', async () => {
    const [second, first] = await idsOf('tea rooms', 'glasshouse')
    const said = await changeMany(
      db,
      changes(
        [
          { places: [first], field: 'phone', way: 'set', value: '12' },
          { places: [second], field: 'attributes', way: 'add', value: 'parking' },
        ],
        true,
      ),
    )
    expect(said.refused).toEqual([
      {
        id: first,
        name: expect.stringContaining('tea rooms'),
        reason: 'Write the number with its country, such as +44 1632 960014.',
      },
    ])
    expect(said.changed.map(({ id }) => id)).toEqual([second])
    expect((await placesOf(db)).find(({ id }) => id === second)!.attributes).toContain('parking')
    await changeMany(db, changes([{ places: [second], field: 'attributes', way: 'remove', value: 'parking' }], true))
    const [foreign] = await placesOf(other)
    await expect(
      changeMany(db, changes([{ places: [first, foreign!.id], field: 'web', way: 'set', value: '' }], true)),
    ).rejects.toThrow('There is no such place')
    for (const bad of [
      { places: [], field: 'web', way: 'set', value: '' },
      { places: [1], field: 'name', way: 'set', value: 'x' },
      { places: [1], field: 'web', way: 'drop', value: 'x' },
      { places: [1], field: 'web', way: 'set', value: 'x'.repeat(2001) },
    ])
      expect(() => changes([bad], true)).toThrow()
  })
})

describe('the allowance of places', () => {
  it('is kept by adding, switching on, bringing back and files, and no past is lost by switching off', async () => {
    const { used } = await placesAllowance(db)
    expect(used).toBe((await placesOf(db)).length + (await placesOf(other)).length)
    await pool().query('UPDATE agency SET active_places = ?', [used])
    const say = /^All \d+ places of the agency's allowance are switched on\./
    const add = () => db.transaction((inside) => addPlace(inside, placeSchema.validateSync({ name: 'One more' })))
    await expect(add()).rejects.toThrow(say)
    await expect(placesFile(db, 'name\nAnother\n', true)).rejects.toThrow(say)
    const [first] = await idsOf('tea rooms')
    await switchPlace(db, first!, false)
    const one = await add()
    await expect(switchPlace(db, first!, true)).rejects.toThrow(say)
    await removePlace(db, one)
    await switchPlace(db, first!, true)
    await expect(db.transaction((inside) => bringBackPlace(inside, one))).rejects.toThrow(say)
    // what is on already takes no other place
    await switchPlace(db, first!, true)
    expect((await placesAllowance(other)).used).toBe(used)
  })
  it('is not exceeded by two at once', async () => {
    const { used } = await placesAllowance(db)
    await pool().query('UPDATE agency SET active_places = ?', [used + 1])
    const add = (client: ClientDb, name: string) =>
      client.transaction((inside) => addPlace(inside, placeSchema.validateSync({ name })))
    const ended = await Promise.allSettled([add(db, 'A'), add(other, 'B'), add(db, 'C')])
    expect(ended.filter(({ status }) => status === 'fulfilled')).toHaveLength(1)
    expect((await placesAllowance(db)).used).toBe(used + 1)
  })
})
