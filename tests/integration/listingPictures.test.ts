import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, describe, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import { dayAt } from '../../core/days/lastCompleteDay'
import { unit } from '../../demo/random'
import { resolveScope } from '../../server/figures/resolveScope'
import { profileById, profilesOf } from '../../server/figures/questions/profileRows'
import { SYNC } from '../../server/gather/sync/jobs'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { enqueue, newestJob } from '../../server/platform/jobs/queue'
import { placeInsights } from '../../server/read/places/insights'
import { listingPictureFile, listingPictures } from '../../server/read/places/listingPictures'
import { placesOf } from '../../server/read/places/places'
import { parseScope } from '../../shared/figures/scope'
import { runJobs, useDatabase } from './support/database'
import { addDemo } from './support/demo'
import { useStandins } from './support/standins'

const { pool } = useDatabase('listing_pictures')
const standins = useStandins()
const ZONE = 'Europe/London'
let db: ClientDb

beforeAll(async () => {
  process.env.ZAFFER_NOW = '2026-10-29T06:00:00Z'
  Object.assign(standins.state, { isDown: false, lastComplete: '2026-10-28' })
  await addDemo()
  db = await clientDbForJob(1)
})
async function syncNow(profile: number) {
  const { remote_id: remoteId } = (await profileById(db, profile))!
  await pool().query('UPDATE connection SET credentials = ? WHERE profile_id = ?', [
    standins.tokens('waymark', remoteId),
    profile,
  ])
  await enqueue(db, SYNC, profile, {})
  await runJobs()
  expect(await newestJob(db, 'sync', profile)).toMatchObject({ state: 'done' })
}
const rowsOf = async (profile: number) =>
  (
    await pool().query<RowDataPacket[]>(
      'SELECT remote_id AS id, added_at AS addedAt, removed_at AS removedAt, author, picture_url AS url, views ' +
        'FROM listing_picture WHERE profile_id = ?',
      [profile],
    )
  )[0] as { id: string; addedAt: Date; removedAt: Date | null; author: string; url: string | null; views: number }[]

describe('pictures of a listing', () => {
  it('are counted as their rows say, over many periods', async () => {
    const listings = (await profilesOf(db)).filter(({ network }) => network === 'waymark')
    let came = 0
    let went = 0
    for (const [index, listing] of listings.entries())
      for (let turn = 0; turn < 8; turn++) {
        const draw = (name: string) => unit('pictures', index, turn, name)
        const from = addDays('2026-10-18', -Math.floor(draw('from') * 600))
        const period = { from, to: addDays(from, Math.floor(draw('length') * 90)) }
        const rows = (await rowsOf(listing.profile_id)).map((row) => ({
          ...row,
          added: dayAt(row.addedAt.getTime(), ZONE),
          removed: row.removedAt && dayAt(row.removedAt.getTime(), ZONE),
        }))
        const isShown = ({ added, removed }: (typeof rows)[number]) =>
          added <= period.to && (removed === null || removed > period.to)
        const isCome = ({ added }: (typeof rows)[number]) => added >= period.from && added <= period.to
        const isGone = ({ added, removed }: (typeof rows)[number]) =>
          added <= period.to && removed !== null && removed >= period.from && removed <= period.to
        const found = (await listingPictures(db, listing, period))!
        expect(found).toMatchObject({
          shown: rows.filter(isShown).length,
          came: rows.filter(isCome).length,
          cameByOwner: rows.filter((row) => isCome(row) && row.author === 'owner').length,
          went: rows.filter(isGone).length,
        })
        const listed = rows.filter((row) => isShown(row) || isGone(row)).map(({ id }) => id)
        expect(found.pictures.length + found.more).toBe(listed.length)
        for (const { id } of found.pictures) expect(listed).toContain(id)
        came += found.came
        went += found.went
      }
    expect(came).toBeGreaterThan(20)
    expect(went).toBeGreaterThan(5)
  })

  it('come, go and are looked at with each sync; what a removed one showed is kept', async () => {
    const gate = (await placesOf(db)).find(({ name }) => name === 'Mossgate tea rooms')!
    const profile = gate.listing!.id
    const before = await rowsOf(profile)
    const shown = before.find(({ removedAt }) => removedAt === null)!
    await pool().query('DELETE FROM listing_picture_file WHERE profile_id = ? AND remote_id = ?', [profile, shown.id])
    await syncNow(profile)
    const after = await rowsOf(profile)
    const now = after.find(({ id }) => id === shown.id)!
    expect(Number(now.views)).toBeGreaterThan(Number(shown.views))
    expect((await listingPictureFile(db, profile, shown.id))?.bytes.toString('utf8')).toMatch(/^<svg/)
    const gone = after.find(({ removedAt }) => removedAt !== null)!
    expect(await listingPictureFile(db, profile, gone.id)).toBeDefined()
    const scope = await resolveScope(db, parseScope({ period: 'last-28-days' }))
    const { pictures } = await placeInsights(db, scope, gate.id)
    expect(pictures!.shown).toBe(
      after.filter(({ addedAt, removedAt }) => dayAt(addedAt.getTime(), ZONE) <= '2026-10-28' && removedAt === null)
        .length,
    )
    // of a network that has no listings nothing is told
    const other = (await profilesOf(db)).find(({ network }) => network !== 'waymark')!
    expect(await listingPictures(db, other, scope.period)).toBeUndefined()
  })

  it('that their network no longer has are not asked about again', async () => {
    const listing = (await profilesOf(db)).find(({ network }) => network === 'waymark')!
    await pool().query(
      'INSERT INTO listing_picture (client_id, profile_id, remote_id, added_at, day, picture_url, views) ' +
        "VALUES (1, ?, '1', '2026-10-20 10:00:00', '2026-10-20', 'pictures/1/1.svg', 3)",
      [listing.profile_id],
    )
    await syncNow(listing.profile_id)
    expect((await rowsOf(listing.profile_id)).find(({ id }) => id === '1')!.url).toBeNull()
  })
})
