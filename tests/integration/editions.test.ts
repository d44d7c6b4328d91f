import { createHash, randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import { daysEnding, eachDay } from '../../core/periods/period'
import { recompute } from '../../core/figures/working'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { enqueue, jobById } from '../../server/platform/jobs/queue'
import { composeReport } from '../../server/report/blocks/composeReport'
import {
  editionById,
  editionPdf,
  editionsOf,
  forOutsiders,
  keepPdf,
  openShare,
  revokeShare,
  shareEdition,
  sharesOf,
} from '../../server/report/editions/editions'
import { addReport, removeReport, reportById, reportsOf, saveReport } from '../../server/report/reports/reports'
import { runNextJob } from '../../server/jobs'
import type { Block } from '../../shared/report/blocks'
import { addClient, addDaysOf, addProfile, tableOf, useDatabase } from './support/database'
import { EDITION_ISSUE, EDITION_PRINT } from '../../server/report/editions/jobs'

const { pool } = useDatabase('editions')
const blocks: Block[] = [
  {
    id: 'a',
    kind: 'figures',
    title: 'At a glance',
    metrics: ['reach', 'impressions', 'engagement_by_reach'],
    option: '',
    who: 'all',
    text: '',
    comment: 'Calm.',
  },
  { id: 'b', kind: 'chart', title: '', metrics: ['impressions'], option: '', who: 'all', text: '', comment: '' },
  {
    id: 'c',
    kind: 'table',
    title: 'By profile',
    metrics: ['followers', 'reach'],
    option: '',
    who: 'all',
    text: '',
    comment: '',
  },
  { id: 'e', kind: 'why', title: '', metrics: ['impressions'], option: '', who: 'all', text: '', comment: '' },
  { id: 'f', kind: 'unusual', title: '', metrics: ['impressions'], option: '', who: 'all', text: '', comment: '' },
  {
    id: 'd',
    kind: 'text',
    title: '',
    metrics: [],
    option: '',
    who: 'all',
    text: 'Dear reader,\n\n<b>not bold</b>',
    comment: '',
  },
]
let db: ClientDb
let profile: number
let report: number

beforeAll(async () => {
  db = await addClient('editions', 50_000)
  profile = await addProfile(db, 'tintype', '1')
  await addDaysOf(
    db,
    eachDay(daysEnding('2026-10-28', 60)).map((day, index) => ({
      profile,
      day,
      impressions: 100 + index,
      reactions: 5,
      comments: 1,
      shares: 0,
      saves: 0,
      followers: 900,
      reach_1d: 50,
      reach_7d: 200,
      reach_28d: 700,
    })),
  )
  report = await addReport(db, 'Monthly', blocks)
})

/** Issues, and leaves the printing for another time. */
async function issue(key = randomUUID(), id = report) {
  const job = await enqueue(db, EDITION_ISSUE, `${id}:${key}`, { reportId: id, requestKey: key, person: null })
  await runNextJob()
  await pool().query("DELETE FROM job WHERE kind = 'edition.print'")
  return (await jobById(db, job))!
}
const editionOf = (job: { result: unknown }) => editionById(db, (job.result as { edition: number }).edition)

describe('an edition', () => {
  it('holds the figures of its period with their workings, numbered, with a hash that fits', async () => {
    const edition = await editionOf(await issue())
    expect(edition).toMatchObject({ number: 1, isIntact: true, title: 'Monthly', periodWords: '1 to 28 October 2026' })
    const [figures, chart, table, why, unusual, text] = edition.content.blocks
    const reach = figures?.kind === 'figures' ? figures.figures[0]!.figure : undefined
    expect(reach).toMatchObject({ value: 700, exactness: 'exact' })
    expect(recompute(reach!.working!.value!)).toBe(700)
    expect(chart?.kind === 'chart' && chart.line.current.length).toBe(28)
    expect(table?.kind === 'table' && table.rows[0]!.figures.followers!.figure.value).toBe(900)
    const split = why?.kind === 'why' ? why.why.explanations[0]! : undefined
    expect(split!.parts.reduce((sum, { change }) => sum + change, 0)).toBe(split!.to - split!.from)
    expect(unusual).toMatchObject({ kind: 'unusual', metric: 'impressions', days: [] })
    expect(text).toMatchObject({ text: 'Dear reader,\n\n<b>not bold</b>' })
  })

  it('never changes, while the live report does', async () => {
    const edition = await editionOf(await issue())
    const frozen = JSON.stringify(edition.content)
    await pool().query('UPDATE profile_day SET impressions = impressions * 10 WHERE client_id = ?', [db.clientId])
    const live = await composeReport(db, await reportById(db, report))
    const impressions = (content: typeof live) =>
      content.blocks[0]?.kind === 'figures' ? content.blocks[0].figures[1]!.figure.value : undefined
    expect(impressions(live)).toBe(10 * impressions(edition.content)!)
    expect(JSON.stringify((await editionById(db, edition.id)).content)).toBe(frozen)
    await pool().query('UPDATE profile_day SET impressions = impressions / 10 WHERE client_id = ?', [db.clientId])
  })

  it('says so when somebody has changed it after all', async () => {
    const edition = await editionOf(await issue())
    await pool().query("UPDATE edition SET content = REPLACE(content, 'Calm.', 'Fine.') WHERE edition_id = ?", [
      edition.id,
    ])
    expect((await editionById(db, edition.id)).isIntact).toBe(false)
  })

  it('is made once for one wish, and numbered without gaps for many at once', async () => {
    const other = await addReport(db, 'Other', blocks)
    const key = randomUUID()
    const [first, second] = [await issue(key, other), await issue(key, other)]
    expect((second.result as { edition: number }).edition).toBe((first.result as { edition: number }).edition)
    for (let index = 0; index < 4; index++)
      await enqueue(db, EDITION_ISSUE, `${other}:${index}`, { reportId: other, requestKey: randomUUID(), person: null })
    await Promise.all([runNextJob(), runNextJob(), runNextJob(), runNextJob()])
    const numbers = (await editionsOf(db))
      .filter(({ reportId }) => reportId === other)
      .map(({ number }) => number)
      .sort((a, b) => a - b)
    expect(numbers).toEqual([1, 2, 3, 4, 5])
    await pool().query("DELETE FROM job WHERE kind = 'edition.print'")
  })

  it('is not made of a report whose period has no meaning', async () => {
    const broken = await addReport(db, 'Broken', blocks)
    await pool().query("UPDATE report SET period = '2031' WHERE report_id = ?", [broken])
    const job = await issue(randomUUID(), broken)
    expect(job).toMatchObject({ state: 'failed', message: expect.stringContaining('no complete day yet') })
    expect((await editionsOf(db)).filter(({ reportId }) => reportId === broken)).toEqual([])
  })
})

describe('the PDF of an edition', () => {
  it('is printed once: whatever comes later does not replace it, and its hash is kept', async () => {
    const edition = await editionOf(await issue())
    expect(edition).toMatchObject({ hasPdf: false, pdfSha256: null })
    await keepPdf(db, edition.id, Buffer.from('%PDF first'))
    await keepPdf(db, edition.id, Buffer.from('%PDF second'))
    expect((await editionPdf(db, edition.id))!.toString()).toBe('%PDF first')
    expect(await editionById(db, edition.id)).toMatchObject({
      hasPdf: true,
      pdfSha256: createHash('sha256').update('%PDF first').digest('hex'),
    })
    // printing it again, as after a crash, prints nothing: no browser is started and no ticket made
    const tickets = await tableOf('share_link', 'share_id, 1, 2')
    const job = await enqueue(db, EDITION_PRINT, edition.id, {})
    await runNextJob()
    expect(await jobById(db, job)).toMatchObject({ state: 'done', message: 'PDF ready' })
    expect(await tableOf('share_link', 'share_id, 1, 2')).toEqual(tickets)
    expect((await editionPdf(db, edition.id))!.toString()).toBe('%PDF first')
  })
})

describe('a shared link', () => {
  it('opens that edition only, until it ends or is withdrawn, and is kept as a hash', async () => {
    const edition = await editionOf(await issue())
    const token = await shareEdition(db, edition.id, new Date(Date.now() + 60_000), 'reader')
    expect((await openShare(token)).edition.id).toBe(edition.id)
    expect(JSON.stringify(await tableOf('share_link'))).not.toContain(token)
    const over = await shareEdition(db, edition.id, new Date(Date.now() - 2000), 'reader')
    await expect(openShare(over)).rejects.toThrow('does not work any more')
    await expect(openShare(`${token}x`)).rejects.toThrow('does not work any more')
    const share = (await sharesOf(db, edition.id)).find(({ isRevoked, endsAt }) => !isRevoked && endsAt > new Date())!
    await revokeShare(db, edition.id, share.id)
    await expect(openShare(token)).rejects.toThrow('does not work any more')
  })
})

describe('an edition for outsiders', () => {
  it('is what it prints, without the names of those who worked on it', async () => {
    const edition = await editionOf(await issue())
    const content = {
      ...edition.content,
      notes: [{ id: 41, from: '2026-10-01', to: '2026-10-01', title: 'Calm.', body: '', writtenBy: 'Jory Tamblyn' }],
    }
    const shown = forOutsiders({ ...edition, issuedBy: 'Ada Pellow', content })
    expect(JSON.stringify(shown)).not.toMatch(/Ada Pellow|Jory Tamblyn/)
    expect(shown.content.notes).toEqual([
      { id: 1, from: '2026-10-01', to: '2026-10-01', title: 'Calm.', body: '', writtenBy: null },
    ])
    expect(shown).not.toHaveProperty('id')
  })
})

describe('a report', () => {
  it('is not written over by somebody who opened it earlier', async () => {
    const { id: _id, editions: _editions, changedAt: _changedAt, ...opened } = await reportById(db, report)
    expect(await saveReport(db, report, { ...opened, title: 'Mine' })).toBe(opened.version + 1)
    await expect(saveReport(db, report, { ...opened, title: 'Theirs' })).rejects.toThrow(
      'Somebody else has changed this report',
    )
    expect((await reportById(db, report)).title).toBe('Mine')
  })

  it('goes off the list and comes back, and its editions stay', async () => {
    const before = (await editionsOf(db)).length
    await removeReport(db, report, true)
    expect((await reportsOf(db)).some(({ id }) => id === report)).toBe(false)
    expect((await editionsOf(db)).length).toBe(before)
    await removeReport(db, report, false)
    expect((await reportById(db, report)).id).toBe(report)
  })
})
