import { buffer } from 'node:stream/consumers'
import { toXlsx } from '../../server/platform/tables/toXlsx'
import { toCsv } from '../../server/platform/tables/toCsv'
import { DateTime } from 'luxon'
import type { RowDataPacket } from 'mysql2/promise'
import { afterEach, beforeAll, describe, expect, it } from 'vitest'
import { zonedTime } from '../../core/plan/zonedInstant'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { enqueueByTheClock } from '../../server/jobs'
import { planDue, planWords } from '../../server/plan/posts/planDue'
import { takeFile } from '../../server/plan/posts/planFiles'
import {
  approvalLink,
  endApprovalLinks,
  readersOf,
  approvalView,
  openFeed,
  readerSays,
  renewFeed,
} from '../../server/plan/posts/planLinks'
import {
  addPlanned,
  changePlanned,
  copyPlanned,
  movePlanned,
  placePlanned,
  removePlanned,
  repeatPlanned,
  setTimes,
} from '../../server/plan/posts/plannedPosts'
import { movePost } from '../../server/plan/posts/plannedStates'
import { setPlanSettings } from '../../server/plan/posts/planSettings'
import { planTable, takeSheet } from '../../server/plan/posts/planSheet'
import { planTargets } from '../../server/plan/posts/planTargets'
import { plannedIn, planOf, plannedPost } from '../../server/plan/posts/planView'
import { decide } from '../../server/plan/publishing/decide'
import { placeMany, setWeeklySlots, weeklySlots } from '../../server/plan/posts/weeklySlots'
import { publishDue } from '../../server/plan/publishing/publishDue'
import type { MoveTo, PlanState } from '../../core/plan/postStates'
import { MOST_FILE_BYTES, plannedSchema } from '../../shared/plan/plannedPosts'
import { placeManySchema, weeklySlotsSchema } from '../../shared/plan/weeklySlots'
import { resolveScope } from '../../server/figures/resolveScope'
import { timesOf } from '../../server/read/times/times'
import { parseScope } from '../../shared/figures/scope'
import { timesSchema } from '../../shared/read/times'
import { addClient, addDaysOf, addProfile, runJobs, useDatabase } from './support/database'
import { useStandins } from './support/standins'

const { pool } = useDatabase('plan')
const { state, tokens, posted } = useStandins()
const ADA = { id: 1, name: 'Ada' }
const JORY = { id: 2, name: 'Jory' }
/** A real profile of the invented world on Murmur, and one on Tintype. */
const WORDS = { network: 'murmur', id: '' }
const PICTURE = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)
let db: ClientDb
let words = 0
let photos = 0

const NOW = '2026-10-29T06:00:00Z'
const setClock = (at: string) => (process.env.ZAFFER_NOW = at)
const write = (over: object = {}, who = JORY) =>
  addPlanned(
    db,
    plannedSchema.validateSync({
      text: `A post ${Math.random()}`,
      at: '2026-10-29T09:00',
      postings: [{ profile: words }],
      ...over,
    }),
    who,
  )
const seen = (id: number, who = ADA) => plannedPost(db, id, who)
const move = async (id: number, to: MoveTo, who: { id: number | null; name: string } = ADA, remark = '') =>
  movePost(db, id, { to, version: (await seen(id)).version, remark }, who)
/** Written by one, approved by the other, scheduled. */
async function scheduled(over: object = {}): Promise<number> {
  const id = await write(over)
  await move(id, 'waiting', JORY)
  await move(id, 'approved', ADA)
  await move(id, 'scheduled', JORY)
  return id
}
const given = (text: string) => posted.all().filter((post) => post.text === text)
/** Makes what waits for a while due at once. */
const hurry = () => pool().query("UPDATE job SET run_after = NOW(3) - INTERVAL 1 SECOND WHERE state = 'queued'")
async function publish(): Promise<void> {
  await publishDue()
  await hurry()
  await runJobs()
}

beforeAll(async () => {
  const { PROFILES } = await import('../../demo/profiles')
  const remote = (network: string) => PROFILES.find((each) => each.network === network && !each.rival)!.remoteId
  WORDS.id = remote('murmur')
  db = await addClient('plan')
  words = await addProfile(db, 'murmur', WORDS.id, tokens('murmur', WORDS.id))
  photos = await addProfile(db, 'tintype', remote('tintype'), tokens('tintype', remote('tintype')))
  await pool().query('UPDATE connection SET may_publish = 1')
})
afterEach(async () => {
  setClock(NOW)
  Object.assign(state, { isDown: false, losesAnswers: false, refusesAccess: false, onRequest: () => undefined })
  await pool().query('UPDATE planned_post SET removed_at = NOW()')
  await pool().query('DELETE FROM job')
})

describe('a planned post', () => {
  it('goes from the draft to what was published, approved by somebody else', async () => {
    const id = await write({ text: 'From the draft' })
    expect((await seen(id, JORY)).moves).toEqual(['waiting', 'idea'])
    await expect(move(id, 'scheduled', JORY)).rejects.toThrow('It has to be approved first')
    await move(id, 'waiting', JORY)
    await expect(move(id, 'approved', JORY)).rejects.toThrow('Somebody else has to approve')
    await move(id, 'draft', ADA, 'Say when it opens.')
    await move(id, 'waiting', JORY)
    await move(id, 'approved', ADA)
    expect(await seen(id)).toMatchObject({ state: 'approved', approvedName: 'Ada', isApproved: true })
    await move(id, 'scheduled', JORY)
    expect(await publishDue()).toBe(0)
    setClock('2026-10-29T09:00:30Z')
    await publish()
    const after = await seen(id)
    expect(after.state).toBe('published')
    expect(given('From the draft').map(({ remoteId }) => remoteId)).toEqual([after.postings[0]!.remoteId])
    expect(after.remarks.map(({ who, step, text }) => [who, step, text])).toEqual([
      ['Jory', 'waiting', ''],
      ['Ada', 'draft', 'Say when it opens.'],
      ['Jory', 'waiting', ''],
      ['Ada', 'approved', ''],
      ['Jory', 'scheduled', ''],
    ])
    await expect(changePlanned(db, id, plannedSchema.validateSync({ text: 'Late' }), 1, ADA)).rejects.toThrow(
      'This post is out',
    )
  })

  it('is approved again when what it says has changed, and not when its time has', async () => {
    const id = await scheduled({ text: 'Before' })
    await placePlanned(db, id, '2026-10-29T12:15')
    expect(await seen(id)).toMatchObject({ state: 'scheduled', at: '2026-10-29T12:15' })
    const input = plannedSchema.validateSync({ text: 'After', at: '2026-10-29T12:15', postings: [{ profile: words }] })
    expect(await changePlanned(db, id, input, 1, ADA)).toEqual({ version: 2, state: 'waiting' })
    expect(await seen(id, ADA)).toMatchObject({ isApproved: false, moves: ['draft'] })
    expect((await seen(id, JORY)).moves).toEqual(['approved', 'draft'])
    // who has not seen the change does not approve it, and does not write over it
    await expect(movePost(db, id, { to: 'approved', version: 1, remark: '' }, JORY)).rejects.toThrow(
      'changed meanwhile',
    )
    await expect(changePlanned(db, id, input, 1, JORY)).rejects.toThrow('Ada has changed this post meanwhile')
  })

  it('is scheduled without approval where its client wants none', async () => {
    await setPlanSettings(db, { needsApproval: false, lateMinutes: 60 })
    const id = await write()
    await move(id, 'scheduled', JORY)
    const input = plannedSchema.validateSync({
      text: 'x'.repeat(301),
      at: '2026-10-29T09:00',
      postings: [{ profile: words }],
    })
    await expect(changePlanned(db, id, input, 1, JORY)).rejects.toThrow('This is 1 letter too long.')
    expect((await seen(id)).content.text).not.toBe(input.text)
    await setPlanSettings(db, { needsApproval: true, lateMinutes: 60 })
  })

  it('is not scheduled where a network would not take it, with the sentence of each', async () => {
    const id = await write({ text: '', at: '2026-10-28T09:00', postings: [{ profile: words }, { profile: photos }] })
    await move(id, 'waiting', JORY)
    await move(id, 'approved', ADA)
    await expect(move(id, 'scheduled')).rejects.toThrow(
      'That time is over. Murmur needs a text, a picture or a video. Tintype needs a text, a picture or a video. ' +
        'Tintype needs a picture or a video.',
    )
    await scheduled({ at: '2026-10-29T18:00' })
    const near = await write({ at: '2026-10-29T18:00' })
    expect((await seen(near)).problems).toEqual([
      {
        profile: words,
        found: [
          { field: 'time', sentence: expect.stringContaining('Murmur wants 1 minute between two posts') as string },
        ],
      },
    ])
  })

  it('refuses times that are none, profiles and pictures of others', async () => {
    await expect(write({ at: '2026-03-29T01:30' })).rejects.toThrow('The clocks leap over 01:30')
    await expect(write({ postings: [{ profile: 999 }] })).rejects.toThrow('One of the profiles is not there any more')
    await expect(write({ media: [{ file: 999 }] })).rejects.toThrow('One of the pictures is not there any more')
  })
})

describe('each change of state as each role', () => {
  const TARGETS: readonly MoveTo[] = ['idea', 'draft', 'waiting', 'approved', 'scheduled']
  /**
   * What a post may become, by what it is: for whoever has written it, for another person of the agency, and for a
   * reader outside, who decides on what waits and on nothing else; then the same where nothing has to be approved.
   */
  const MAY: Readonly<Record<PlanState, { writer: string; other: string; reader: string; free: string }>> = {
    idea: { writer: 'draft', other: 'draft', reader: '', free: 'draft' },
    draft: { writer: 'idea waiting', other: 'idea waiting', reader: '', free: 'idea waiting scheduled' },
    waiting: { writer: 'draft', other: 'draft approved', reader: 'draft approved', free: 'draft approved' },
    approved: { writer: 'draft scheduled', other: 'draft scheduled', reader: '', free: 'draft scheduled' },
    scheduled: { writer: 'draft approved', other: 'draft approved', reader: '', free: 'draft' },
    publishing: { writer: '', other: '', reader: '', free: '' },
    published: { writer: '', other: '', reader: '', free: '' },
    late: { writer: 'draft scheduled', other: 'draft scheduled', reader: '', free: 'draft scheduled' },
    failed: { writer: 'draft scheduled', other: 'draft scheduled', reader: '', free: 'draft scheduled' },
  }
  it.each(Object.entries(MAY))('from %s', async (from, may) => {
    const id = await write()
    const { token } = await approvalLink(db, id, { reader: 'Wren', days: 7 })
    const stand = () =>
      pool().query('UPDATE planned_post SET state = ?, approved_version = version WHERE planned_id = ?', [from, id])
    const stateNow = async () =>
      (await pool().query<RowDataPacket[]>('SELECT state FROM planned_post WHERE planned_id = ?', [id]))[0][0]!.state
    /** Where it can be moved; what is refused leaves it as it is. */
    const moved = async (how: (to: MoveTo) => Promise<unknown>) => {
      const found: string[] = []
      for (const to of TARGETS) {
        await stand()
        const isMoved = await how(to).then(
          () => true,
          () => false,
        )
        expect(await stateNow(), to).toBe(isMoved ? to : from)
        if (isMoved) found.push(to)
      }
      return found.join(' ')
    }
    const as = (who: { id: number | null; name: string }) => (to: MoveTo) =>
      movePost(db, id, { to, version: 1, remark: '' }, who)
    expect(await moved(as(JORY)), 'as its writer').toBe(may.writer)
    expect(await moved(as(ADA)), 'as another').toBe(may.other)
    const says = async (to: MoveTo) => {
      if (to !== 'approved' && to !== 'draft') throw new Error('a reader cannot say that')
      await readerSays(token, { isApproved: to === 'approved', version: 1, remark: '' })
    }
    expect(await moved(says), 'as a reader outside').toBe(may.reader)
    await setPlanSettings(db, { needsApproval: false, lateMinutes: 60 })
    expect(await moved(as(ADA)), 'where nothing has to be approved').toBe(may.free)
    await setPlanSettings(db, { needsApproval: true, lateMinutes: 60 })
  })
})

describe('publishing', () => {
  it('gives what stands for the linked page, where the network takes links and the post shows nothing else', async () => {
    const { id: file } = await takeFile(db, 'page.png', PICTURE)
    const link = 'https://www.mossgate.example/'
    const preview = { address: link, title: 'The lake path', description: 'By lantern', picture: file }
    const linked = (text: string, over: object = {}) => ({ text, link, preview, ...over })
    await scheduled(linked('A page'))
    await scheduled(linked('A page without', { preview: { ...preview, picture: null }, at: '2026-10-29T09:02' }))
    await scheduled(linked('A picture', { media: [{ file, alt: 'x' }], at: '2026-10-29T09:04' }))
    setClock('2026-10-29T09:05:00Z')
    await publish()
    const [page, without, picture] = ['A page', 'A page without', 'A picture'].map(
      (text) => posted.all().find((each) => each.text.replace(` ${link}`, '') === text)!,
    )
    expect(page!.preview).toEqual({ title: 'The lake path', description: 'By lantern', hasPicture: true })
    expect(without!.preview).toEqual({ title: 'The lake path', description: 'By lantern', hasPicture: false })
    expect(picture!.preview).toBeUndefined()
    expect(picture!.picture).toBeDefined()
  })

  it('is asked for approval again only where what it says is changed, also of what is older than a field', async () => {
    const id = await write({ text: 'Older' })
    await pool().query("UPDATE planned_post SET content = JSON_REMOVE(content, '$.preview') WHERE planned_id = ?", [id])
    const input = plannedSchema.validateSync({ text: 'Older', at: '2026-10-29T10:00', postings: [{ profile: words }] })
    expect(await changePlanned(db, id, input, 1, ADA)).toMatchObject({ version: 1 })
    expect(
      await changePlanned(
        db,
        id,
        { ...input, preview: { address: '', title: 'x', description: '', picture: null } },
        1,
        ADA,
      ),
    ).toMatchObject({ version: 2 })
  })

  it('gives a post once, though every answer is lost and it is tried again', async () => {
    const id = await scheduled({ text: 'Lost answers' })
    setClock('2026-10-29T09:00:30Z')
    state.losesAnswers = true
    for (let tries = 0; tries < 4; tries++) await publish()
    expect((await seen(id)).state).toBe('publishing')
    expect(given('Lost answers').length).toBe(1)
    state.losesAnswers = false
    await publish()
    expect((await seen(id)).state).toBe('published')
    expect(given('Lost answers').length).toBe(1)
  })

  it('gives a post once, wherever its process is killed', async () => {
    for (let killed = 0; killed < 20; killed++) {
      const text = `Killed ${killed}`
      const minute = String(killed).padStart(2, '0')
      const id = await scheduled({ text, at: `2026-10-29T10:${minute}` })
      setClock(`2026-10-29T10:${minute}:30Z`)
      await publishDue()
      await hurry()
      // the process is gone at a request, before or after the network has done what was asked: its lease is lost
      let requests = 0
      state.losesAnswers = killed % 3 !== 0
      const gone =
        killed === 0
          ? "lease = 'gone', lease_until = NOW(3) - INTERVAL 1 SECOND"
          : // as a process that has died leaves it, without one of its own for the next try
            "state = 'queued', lease = NULL"
      state.onRequest = () => {
        if (requests++ === killed % 2) void pool().query(`UPDATE job SET ${gone} WHERE kind = 'publish'`)
      }
      await runJobs()
      Object.assign(state, { losesAnswers: false, onRequest: () => undefined })
      for (let again = 0; again < 3 && (await seen(id)).state !== 'published'; again++) await publish()
      expect((await seen(id)).state, text).toBe('published')
      expect(given(text).length, text).toBe(1)
      setClock(NOW)
    }
  }, 600_000)

  it('gives a post once, though two look at the same moment', async () => {
    const id = await scheduled({ text: 'Two workers' })
    setClock('2026-10-29T09:00:30Z')
    await Promise.all([publishDue(), publishDue(), enqueueByTheClock()])
    await hurry()
    await Promise.all([runJobs(), runJobs(), runJobs()])
    expect((await seen(id)).state).toBe('published')
    expect(given('Two workers').length).toBe(1)
  })

  it('ends with the network’s sentence where it is refused, and is tried again when it was changed', async () => {
    await scheduled({ text: 'The same words', at: '2026-10-29T07:00' })
    const id = await scheduled({ text: 'The same words', at: '2026-10-29T07:05' })
    setClock('2026-10-29T07:06:00Z')
    await publish()
    const failed = await seen(id)
    expect(failed.state).toBe('failed')
    expect(failed.postings[0]!.refusal).toBe('Murmur takes the same words only once a day.')
    expect(planWords(await planDue(db))).toBe('1 post has failed.')
    await decide(db, id, words, { decision: 'again', address: '' }, 'Ada')
    await publish()
    expect((await seen(id)).state).toBe('failed')
    const input = plannedSchema.validateSync({
      text: 'Other words',
      at: '2026-10-29T07:10',
      postings: [{ profile: words }],
    })
    expect(await changePlanned(db, id, input, 1, JORY)).toEqual({ version: 2, state: 'draft' })
    await move(id, 'waiting', JORY)
    await move(id, 'approved', ADA)
    await move(id, 'scheduled', ADA)
    setClock('2026-10-29T07:11:00Z')
    await publish()
    expect((await seen(id)).state).toBe('published')
  })

  it('keeps where it is out, though it is changed for the others', async () => {
    const { id: file } = await takeFile(db, 'dot.png', PICTURE)
    const id = await scheduled({
      media: [{ file, alt: '' }],
      text: 'For two',
      postings: [{ profile: words }, { profile: photos, isByHand: true }],
    })
    setClock('2026-10-29T09:01:00Z')
    await publish()
    expect((await seen(id)).postings.map(({ state: came }) => came).sort()).toEqual(['published', 'to do'])
    await pool().query("UPDATE planned_posting SET state = 'failed' WHERE planned_id = ? AND profile_id = ?", [
      id,
      photos,
    ])
    await pool().query("UPDATE planned_post SET state = 'failed' WHERE planned_id = ?", [id])
    const input = plannedSchema.validateSync({
      text: 'For one',
      at: '2026-10-29T10:00',
      postings: [{ profile: photos }],
    })
    await changePlanned(db, id, input, 1, JORY)
    expect((await seen(id)).postings.map(({ profile }) => profile)).toEqual([words, photos])
  })

  it('waits for a decision when the network was down for an hour, and then goes out once', async () => {
    const id = await scheduled({ text: 'An hour down' })
    state.isDown = true
    for (const at of ['09:00:30', '09:20:00', '09:59:00', '10:01:00']) {
      setClock(`2026-10-29T${at}Z`)
      await publish()
    }
    expect((await seen(id)).state).toBe('late')
    state.isDown = false
    await publish()
    expect(given('An hour down')).toEqual([])
    await decide(db, id, words, { decision: 'again', address: '' }, 'Ada')
    await publish()
    expect((await seen(id)).state).toBe('published')
    expect(given('An hour down').length).toBe(1)
  })

  it('does not fire late what came to its time while nothing ran', async () => {
    const [late, justSo] = [await scheduled({ at: '2026-10-29T08:00' }), await scheduled({ at: '2026-10-29T08:31' })]
    setClock('2026-10-29T09:30:00Z')
    await publish()
    expect([(await seen(late)).state, (await seen(justSo)).state]).toEqual(['late', 'published'])
    // the clock goes back: what is out stays out, what waits goes on waiting
    setClock('2026-10-29T07:00:00Z')
    await publish()
    expect([(await seen(late)).state, (await seen(justSo)).state]).toEqual(['late', 'published'])
  })

  it('gives nothing that was called back or removed', async () => {
    const [back, removed] = [
      await scheduled({ text: 'Back' }),
      await scheduled({ text: 'Removed', at: '2026-10-29T09:05' }),
    ]
    setClock('2026-10-29T09:06:00Z')
    await publishDue()
    await move(back, 'draft')
    await removePlanned(db, [removed], true)
    await hurry()
    await runJobs()
    expect([...given('Back'), ...given('Removed')]).toEqual([])
    expect((await seen(back)).state).toBe('draft')
  })

  it('takes down what is out already, at the time at which it was', async () => {
    const id = await write({
      text: 'Elsewhere',
      at: '2026-10-20T10:00',
      postings: [{ profile: words, isByHand: true }],
    })
    const address = 'https://murmur.example/posts/7'
    await decide(db, id, words, { decision: 'published', address }, 'Ada')
    expect(await seen(id)).toMatchObject({ state: 'published', at: '2026-10-20T10:00', postings: [{ address }] })
    expect((await seen(id)).postings[0]!.publishedAt).toEqual(new Date('2026-10-20T09:00Z'))
    const later = await write({ text: 'Early', at: '2026-11-20T10:00', postings: [{ profile: words, isByHand: true }] })
    await decide(db, later, words, { decision: 'published', address: '' }, 'Ada')
    expect((await seen(later)).postings[0]!.publishedAt).toEqual(new Date(NOW))
  })
  it('leaves to a person what is published by hand, until they say where it is', async () => {
    const id = await scheduled({ postings: [{ profile: words, isByHand: true }] })
    setClock('2026-10-29T09:01:00Z')
    await publish()
    expect((await seen(id)).postings[0]!.state).toBe('to do')
    expect(planWords(await planDue(db))).toBe('1 post is to be published by hand.')
    // whichever week is looked at
    expect((await planOf(db, '2026-12-01', '2026-12-07')).needing.map((each) => each.id)).toEqual([id])
    await expect(decide(db, id, words, { decision: 'again', address: '' }, 'Ada')).rejects.toThrow('published by hand')
    await decide(db, id, words, { decision: 'published', address: 'https://murmur.example/p/1' }, 'Ada')
    expect(await seen(id)).toMatchObject({ state: 'published', postings: [{ address: 'https://murmur.example/p/1' }] })
    expect(planWords(await planDue(db))).toBeUndefined()
  })

  it('fails with what to do where the owner allows only reading', async () => {
    const id = await scheduled()
    await pool().query('UPDATE connection SET credentials = NULL WHERE profile_id = ?', [words])
    setClock('2026-10-29T09:01:00Z')
    await publish()
    const { state: came, postings } = await seen(id)
    expect([came, postings[0]!.refusal]).toEqual(['failed', expect.stringContaining('send the consent link')])
    await pool().query('UPDATE connection SET credentials = ? WHERE profile_id = ?', [
      tokens('murmur', WORDS.id),
      words,
    ])
  })

  it('shows a picture with its words where it goes out', async () => {
    const { id: file } = await takeFile(db, 'dot.png', PICTURE)
    expect((await takeFile(db, 'the same.png', PICTURE)).id).toBe(file)
    const largest = Buffer.concat([PICTURE, Buffer.alloc(MOST_FILE_BYTES - PICTURE.length)])
    expect((await takeFile(db, 'large.png', largest)).bytes).toBe(MOST_FILE_BYTES)
    await expect(takeFile(db, 'page.png', Buffer.from('<svg onload=alert(1)>'))).rejects.toThrow('no picture')
    const id = await scheduled({
      text: 'With a picture',
      media: [{ file, alt: 'A dot' }],
      postings: [{ profile: photos }],
    })
    setClock('2026-10-29T09:01:00Z')
    await publish()
    expect((await seen(id)).state).toBe('published')
    expect(given('With a picture')).toMatchObject([{ format: 'photo', picture: { type: 'image/png', alt: 'A dot' } }])
    expect(posted.pictureOf(given('With a picture')[0]!.remoteId)).toEqual(PICTURE)
  })
})

describe('many posts', () => {
  it('repeat by a rule on the clocks, each with the variation whose turn it is', async () => {
    const id = await write({
      text: 'Open tonight',
      at: '2026-10-22T18:00',
      variations: [{ phrase: 'tonight', others: ['this evening', 'till late'] }],
    })
    const ids = await repeatPlanned(db, id, 'FREQ=WEEKLY;COUNT=3', JORY)
    const times = await Promise.all([id, ...ids].map(async (each) => (await seen(each)).at))
    expect(times).toEqual(['2026-10-22T18:00', '2026-10-29T18:00', '2026-11-05T18:00'])
    expect((await seen(ids[1]!)).series).toMatchObject({ turn: 3, of: 3 })
    await expect(repeatPlanned(db, id, 'FREQ=DAILY;COUNT=2', JORY)).rejects.toThrow('part of a series already')
    await pool().query(
      "UPDATE planned_post SET state = 'approved', approved_version = version WHERE series_key IS NOT NULL",
    )
    // what is shown to the reader outside is what goes out
    const shown: string[] = []
    for (const each of [id, ...ids]) {
      if (each === id) await placePlanned(db, id, '2026-10-29T12:00')
      shown.push(
        (await approvalView((await approvalLink(db, each, { reader: 'Reader', days: 1 })).token)).postings[0]!.text,
      )
      await move(each, 'scheduled')
    }
    expect(new Set(shown).size).toBe(3)
    for (const at of ['2026-10-29T12:01:00Z', '2026-10-29T18:01:00Z', '2026-11-05T18:01:00Z']) {
      setClock(at)
      await publish()
    }
    const went = posted.all().filter(({ text }) => text.startsWith('Open '))
    expect(went.map(({ text }) => text)).toEqual(shown)
  })

  it('are moved together or not at all, over a change of the clocks, and back', async () => {
    const ids = [await write({ at: '2026-10-24T18:00' }), await write({ at: '2026-10-24T01:30' })]
    const before = await movePlanned(db, ids, { days: 1, time: '' })
    expect(before.map(({ at }) => at)).toEqual(['2026-10-24T18:00', '2026-10-24T01:30'])
    const [row] = (await planOf(db, '2026-10-25', '2026-10-25')).posts.filter(({ id }) => id === ids[0])
    expect([row!.minutes, new Date(row!.at!).toISOString()]).toEqual([1080, '2026-10-25T18:00:00.000Z'])
    const without = await write({ at: '' })
    await expect(movePlanned(db, [ids[0]!, without], { days: 1, time: '' })).rejects.toThrow('no time yet')
    expect((await seen(ids[0]!)).at).toBe('2026-10-25T18:00')
    await movePlanned(db, ids, { days: 0, time: '09:15' })
    expect((await seen(ids[1]!)).at).toBe('2026-10-25T09:15')
    expect(await removePlanned(db, ids, true)).toBe(2)
    expect(await removePlanned(db, ids, false)).toBe(2)
    const copy = await copyPlanned(db, ids[0]!, ADA)
    expect(await seen(copy)).toMatchObject({ state: 'draft', at: '', writtenName: 'Ada' })
    expect((await planOf(db, '2026-10-25', '2026-10-25')).unplaced.map(({ id }) => id)).toContain(copy)
  })
})

describe('weekly slots', () => {
  const SLOTS = [
    { weekday: 4, minutes: 1110 },
    { weekday: 1, minutes: 540 },
  ]
  afterEach(() => setWeeklySlots(db, []))

  it('say which is free next, beside all that is planned', async () => {
    expect(await weeklySlots(db)).toEqual({ slots: [], free: [] })
    await setWeeklySlots(db, SLOTS)
    expect(await weeklySlots(db)).toEqual({
      slots: [SLOTS[1], SLOTS[0]],
      free: ['2026-10-29T18:30', '2026-11-02T09:00', '2026-11-05T18:30', '2026-11-09T09:00', '2026-11-12T18:30'],
    })
    await write({ at: '2026-10-29T19:00' })
    const removed = await write({ at: '2026-11-02T09:00' })
    expect((await weeklySlots(db)).free[0]).toBe('2026-11-05T18:30')
    await removePlanned(db, [removed], true)
    expect((await weeklySlots(db)).free[0]).toBe('2026-11-02T09:00')
    for (const bad of [
      [SLOTS[0], SLOTS[0]],
      [{ weekday: 8, minutes: 0 }],
      [{ weekday: 1, minutes: 1440 }],
      [{ weekday: 1, minutes: 1.5 }],
      [{ weekday: 1, minutes: Number.NaN }],
      Array.from({ length: 51 }, (_, index) => ({ weekday: 1, minutes: index })),
    ])
      expect(() => weeklySlotsSchema.validateSync({ slots: bad })).toThrow()
  })
  it('take many drafts at once, in their order, after a look, and give them back', async () => {
    await setWeeklySlots(db, SLOTS)
    const first = await write({ text: 'First', at: '' })
    const second = await write({ text: 'Second', at: '2026-12-01T12:00' })
    const third = await write({ text: 'Third', at: '', isIdea: true })
    const ask = (over: object) =>
      placeMany(db, placeManySchema.validateSync({ ids: [third, first, second], by: 'own', ...over }))
    const timesOf = async () => [first, second, third].map(async (id) => (await seen(id)).at)
    const looked = await ask({})
    expect(looked).toEqual({
      placed: [
        { id: third, text: 'Third', before: '', at: '2026-10-29T18:30' },
        { id: first, text: 'First', before: '', at: '2026-11-02T09:00' },
        { id: second, text: 'Second', before: '2026-12-01T12:00', at: '2026-11-05T18:30' },
      ],
      left: [],
    })
    expect(await Promise.all(await timesOf())).toEqual(['', '2026-12-01T12:00', ''])
    expect(await ask({ isTaken: true })).toEqual(looked)
    expect(await Promise.all(await timesOf())).toEqual(['2026-11-02T09:00', '2026-11-05T18:30', '2026-10-29T18:30'])
    await setTimes(
      db,
      looked.placed.map(({ id, before }) => ({ id, at: before })),
    )
    expect(await Promise.all(await timesOf())).toEqual(['', '2026-12-01T12:00', ''])
    // from Thursday 18:30 to Monday 09:00 it is 86 and a half hours
    expect((await ask({ apart: 90 })).placed.map(({ at }) => at)).toEqual([
      '2026-10-29T18:30',
      '2026-11-05T18:30',
      '2026-11-12T18:30',
    ])
    await setWeeklySlots(db, [])
    await expect(ask({})).rejects.toThrow('There is no weekly slot yet.')
  })
  it('are not taken by two at once, nor for what is out', async () => {
    await setWeeklySlots(db, SLOTS)
    const ids = await Promise.all(Array.from({ length: 6 }, () => write({ at: '' })))
    await Promise.all(
      ids.map((id) => placeMany(db, placeManySchema.validateSync({ ids: [id], by: 'own', isTaken: true }))),
    )
    const times = await Promise.all(ids.map(async (id) => (await seen(id)).at))
    expect(new Set(times).size).toBe(6)
    const id = await scheduled()
    setClock('2026-10-29T09:00:30Z')
    await publish()
    await expect(
      placeMany(db, placeManySchema.validateSync({ ids: [ids[0], id], by: 'own', isTaken: true })),
    ).rejects.toThrow('This post is out')
    await expect(setTimes(db, [{ id, at: '' }])).rejects.toThrow('This post is out')
    const scheduledYet = await scheduled({ at: '2026-10-29T18:00' })
    await expect(setTimes(db, [{ id: scheduledYet, at: '' }])).rejects.toThrow()
    expect((await seen(scheduledYet)).at).toBe('2026-10-29T18:00')
  })
  it('can be those that are suggested', async () => {
    const id = await write({ at: '' })
    const scope = await resolveScope(db, parseScope({}))
    const { suggestions } = await timesOf(db, scope, timesSchema.getDefault(), Date.parse(NOW))
    const ask = () => placeMany(db, placeManySchema.validateSync({ ids: [id], by: 'suggested', apart: 0 }))
    if (suggestions.length === 0)
      await expect(ask()).rejects.toThrow('No slot stands out for this client, so that none is suggested.')
    else {
      const { at } = (await ask()).placed[0]!
      const slot = 24 * (DateTime.fromISO(at).weekday - 1) + Number(at.slice(11, 13))
      expect(suggestions.map((each) => each.slot)).toContain(slot)
    }
  })
})

describe('a file of posts', () => {
  const head = 'Day,Time,Profiles,Text,Note\n'
  const take = (text: string, isTaken = false) => takeSheet(db, Buffer.from(text), isTaken, JORY)
  beforeAll(() => pool().query("UPDATE profile SET name = '@words' WHERE profile_id = ?", [words]))
  it('says of each row what it becomes or why not, and writes nothing before that was seen', async () => {
    const name = (await planTargets(db)).map((target) => `${target.name} on ${target.networkName}`)
    const text =
      head +
      [
        `30 Oct 2026,18:00,${name[0]},"Said,\ntwice",x`,
        `30 Oct 2026,18:00,${name[0]},"Said,\ntwice",x`,
        `03/04/2027,18:00,${name[0]},Which day`,
        `2026-10-25,18:00,${name[0]},Over`,
        `2027-03-28,01:30,${name[0]},Leapt over`,
        `2026-10-30,25:00,${name[0]},No time`,
        `2026-10-30,6 pm,Nobody on Murmur,Whose`,
        `2026-10-31,6 pm,${name.join('; ')},Two profiles`,
        `an example,18:00,${name[0]},Example`,
        // times as a workbook keeps them
        `2026-11-02,0.75,${name[0]},Part of a day`,
        `2026-11-02,1899-12-30 19:30:00,${name[0]},Of its first day`,
        `,18:00,${name[0]},Only a time`,
        `,,,An idea`,
      ].join('\n')
    const { rows, unread, ids } = await take(text)
    expect(unread).toEqual(['Note'])
    expect(ids).toEqual([])
    expect(rows.map(({ row, problem }) => [row, problem?.slice(0, 34)])).toEqual([
      [2, undefined],
      [3, 'The same post stands in a row abov'],
      [4, '“03/04/2027” can be two days. Writ'],
      [5, 'That time is over.'],
      [6, 'The clocks leap over 01:30 on 2027'],
      [7, '“25:00” is no time of the day. Wri'],
      [8, 'There is no profile “Nobody on Mur'],
      [9, undefined],
      [10, 'This is the example of the templat'],
      [11, undefined],
      [12, undefined],
      [13, 'There is a time, but no day.'],
      [14, undefined],
    ])
    expect(rows[7]!.warnings).toEqual(['Tintype needs a picture or a video.'])
    expect((await planOf(db, '2026-10-30', '2026-10-31')).posts).toEqual([])
    const written = (await take(text, true)).ids
    const { posts } = await planOf(db, '2026-10-30', '2026-10-31')
    expect(posts.map(({ state: came, day, minutes, postings }) => [came, day, minutes, postings.length])).toEqual([
      ['draft', '2026-10-30', 1080, 1],
      ['draft', '2026-10-31', 1080, 2],
    ])
    const times = (await planOf(db, '2026-11-02', '2026-11-02')).posts.map(({ minutes }) => minutes)
    expect(times).toEqual([18 * 60, 19 * 60 + 30])
    expect(posts[0]!.text).toBe('Said,\ntwice')
    // what is taken away can be brought back
    const table = await planTable(db, await plannedIn(db, '2026-10-30', '2026-10-31'))
    expect(await removePlanned(db, written, true)).toBe(5)
    const back = await take(toCsv(table), true)
    expect(back.rows.map(({ problem }) => problem)).toEqual([undefined, undefined])
    expect((await planOf(db, '2026-10-30', '2026-10-31')).posts.map(({ at, text: says }) => [at, says])).toEqual(
      posts.map(({ at, text: says }) => [at, says]),
    )
    // and so is a workbook
    await removePlanned(db, back.ids, true)
    const workbook = await takeSheet(db, await buffer(toXlsx([table])), false, JORY)
    expect(workbook.rows.map(({ problem, text: says }) => [problem, says])).toEqual(
      posts.map(({ text: says }) => [undefined, says]),
    )
  })
  it.each([
    ['', 'There is no column “Day”'],
    ['Day,Text\n', 'There is no column “Profiles”'],
    [head, 'There is no row'],
    [`Day,Day,Profiles,Text\n`, 'Two columns'],
    [`${head}${'x,,,y\n'.repeat(201)}`, '200 posts at the most'],
    ['PK\u0003\u0004 no workbook', 'damaged'],
    ['\0', 'no text in UTF-8'],
  ])('that is none is refused with a sentence: %j', async (text, sentence) => {
    await expect(take(text)).rejects.toThrow(sentence)
  })
})

describe('what times suggest', () => {
  it('keeps away from what is scheduled, and from nothing that is only a draft', async () => {
    await addDaysOf(db, [{ profile: words, day: '2026-10-28', followers: 10 }])
    const taken = async () =>
      (await timesOf(db, await resolveScope(db, parseScope({})), timesSchema.getDefault(), Date.parse(NOW))).taken
    expect(await taken()).toBe(0)
    await write({ at: '2026-10-30T19:00' })
    expect(await taken()).toBe(0)
    await scheduled({ at: '2026-10-30T20:00' })
    await scheduled({ at: '2026-11-20T20:00' })
    expect(await taken()).toBe(1)
  })
})

describe('somebody outside', () => {
  it('approves by a link what waits, as they have seen it', async () => {
    const id = await write({ text: 'For the reader' })
    const { token } = await approvalLink(db, id, { reader: 'Wren', days: 7 })
    await expect(readerSays(token, { isApproved: true, version: 1, remark: '' })).rejects.toThrow('does not wait')
    await move(id, 'waiting', JORY)
    expect(await approvalView(token)).toMatchObject({
      reader: 'Wren',
      postings: [{ networkName: 'Murmur', text: 'For the reader' }],
    })
    await readerSays(token, { isApproved: false, version: 1, remark: 'Not on a Sunday.' })
    expect((await seen(id)).state).toBe('draft')
    await move(id, 'waiting', JORY)
    await readerSays(token, { isApproved: true, version: 1, remark: '' })
    expect(await seen(id)).toMatchObject({ state: 'approved', approvedName: 'Wren' })
    const other = await approvalLink(db, id, { reader: 'Rook', days: 7 })
    expect(await readersOf(db, id)).toEqual(['Wren', 'Rook'])
    await endApprovalLinks(db, id)
    expect(await readersOf(db, id)).toEqual([])
    await expect(approvalView(other.token)).rejects.toThrow('does not work any more')
    await pool().query('UPDATE plan_link SET revoked_at = NULL, ends_at = NOW() - INTERVAL 1 DAY')
    await expect(approvalView(token)).rejects.toThrow('does not work any more')
  })

  it('reads the calendar by an address that can be made anew', async () => {
    const [agency] = (await pool().query('SELECT agency_id FROM client WHERE client_id = ?', [db.clientId]))[0] as {
      agency_id: number
    }[]
    const [{ insertId }] = (await pool().query(
      "INSERT INTO person (agency_id, name, email, role, password_hash) VALUES (?, 'Owner', 'owner@plan.example', 'owner', 'x')",
      [agency!.agency_id],
    )) as unknown as [{ insertId: number }]
    const first = await renewFeed(db, insertId)
    expect((await openFeed(first)).slug).toBe('plan')
    const second = await renewFeed(db, insertId)
    await expect(openFeed(first)).rejects.toThrow('does not work any more')
    expect((await openFeed(second)).slug).toBe('plan')
    await pool().query("UPDATE person SET role = 'viewer' WHERE person_id = ?", [insertId])
    await expect(openFeed(second)).rejects.toThrow('does not work any more')
  })
})

it('tells the clocks of the client', () => {
  expect(zonedTime(Date.parse('2026-10-29T09:00Z'), 'Europe/London')).toBe('2026-10-29T09:00')
})
