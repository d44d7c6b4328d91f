import { beforeAll, describe, expect, it } from 'vitest'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { clientDbForJob } from '../../server/platform/database/clientDb'
import { enqueue, jobById } from '../../server/platform/jobs/queue'
import { composeReport } from '../../server/report/blocks/composeReport'
import { editionById, editionsOf, forOutsiders, supersede } from '../../server/report/editions/editions'
import { missingIn } from '../../server/report/issuing/missing'
import { previewOf } from '../../server/report/issuing/preview'
import { addReport, copyReport, reportById, saveReport } from '../../server/report/reports/reports'
import { narrowed } from '../../server/figures/narrowed'
import { resolveScope } from '../../server/figures/resolveScope'
import { addTarget, changeTarget, targetRows, targetsOf } from '../../server/read/targets/targets'
import { oddDays, unusual } from '../../server/read/unusual/unusual'
import { why } from '../../server/read/why/why'
import type { Block } from '../../shared/report/blocks'
import { runJobs, useDatabase } from './support/database'
import { addDemo } from './support/demo'
import { EDITION_ISSUE } from '../../server/report/editions/jobs'

const { pool } = useDatabase('for_people')
let db: ClientDb

beforeAll(async () => {
  await addDemo()
  db = await clientDbForJob(1)
})

const scope = (part: object = {}) =>
  resolveScope(db, { who: [], sets: [], period: '2026-10-01..2026-10-28', against: 'before', ...part })
const block = (kind: Block['kind'], part: Partial<Block> = {}): Block => ({
  id: kind,
  kind,
  title: '',
  metrics: [],
  option: '',
  who: 'all',
  text: '',
  comment: '',
  ...part,
})

describe('a network as a choice of whom', () => {
  it('is all of the client’s profiles there, said by name, wherever it is chosen', async () => {
    const of = (await scope()).allProfiles
      .filter(({ network }) => network === 'tintype')
      .map(({ profile_id: id }) => id)
    const one = await scope({ networks: ['tintype'] })
    expect([one.words.who, one.profiles.map(({ profile_id: id }) => id)]).toEqual([
      `Tintype, ${of.length} profiles`,
      of,
    ])
    expect((await scope({ networks: ['tintype', 'zoetrope'] })).words.who).toMatch(
      /^Tintype and Zoetrope, \d profiles$/,
    )
    const all = await scope()
    expect(narrowed(all, 'tintype').words.who).toBe(one.words.who)
    expect(narrowed(all, 'tintype').profiles).toEqual(one.profiles)
    await expect(scope({ networks: ['murmur', 'guildhall', 'lantern', 'cork', 'waymark', 'commons'] })).rejects.toThrow(
      /has no profile on|switched on/,
    )
  })

  it('stands in a target, also after it was changed', async () => {
    const target = { metric: 'posts', who: 'tintype,zoetrope', wanted: 10, from: '2026-10-01', by: '2026-11-01' }
    const id = await addTarget(db, target, 1)
    expect((await targetRows(db)).find((row) => row.id === id)!.who).toBe('tintype,zoetrope')
    expect((await targetsOf(db)).targets.find((view) => view.id === id)!.whoWords).toMatch(/^Tintype and Zoetrope/)
    await changeTarget(db, id, { ...target, who: 's1,tintype,2' })
    expect((await targetRows(db)).find((row) => row.id === id)!.who).toBe('s1,tintype,2')
    await changeTarget(db, id, { ...target, who: 'all' })
    expect((await targetRows(db)).find((row) => row.id === id)!.who).toBe('all')
  })
})

describe('an edition before it is issued', () => {
  it('is looked at with what is missing in it, and is what is issued', async () => {
    const report = await addReport(db, 'Looked at', [
      block('figures', { metrics: ['impressions'] }),
      block('text'),
      block('posts', { rows: 3, format: 'photo', option: 'fewest_interactions' }),
      block('page'),
    ])
    const preview = await previewOf(db, report)
    expect(preview.number).toBe(1)
    expect(preview.missing).toEqual([
      expect.stringMatching(
        /^Block 1: days are missing in 1 of 1 figures, most in impressions: \d+ of \d+ profile-days are there\.$/,
      ),
      'Block 2: the text is empty.',
    ])
    const listed = preview.content.blocks[2]!
    expect(listed.kind === 'posts' && listed.posts.map(({ format }) => format)).toEqual(['photo', 'photo', 'photo'])
    const interactions = listed.kind === 'posts' ? listed.posts.map((post) => post.interactions!) : []
    expect(interactions).toEqual([...interactions].sort((a, b) => a - b))
    await enqueue(db, EDITION_ISSUE, `${report}:a`, {
      reportId: report,
      requestKey: crypto.randomUUID(),
      person: 1,
      sha256: preview.sha256,
    })
    await pool().query("UPDATE job SET run_after = NOW() + INTERVAL 1 DAY WHERE kind = 'edition.print'")
    await runJobs()
    const [edition] = await editionsOf(db)
    expect(edition).toMatchObject({ title: 'Looked at', sha256: preview.sha256 })
    // what has changed since it was looked at is not issued
    const { version, ...rest } = await reportById(db, report)
    await saveReport(db, report, { ...rest, title: 'Changed since', version } as never)
    const job = await enqueue(db, EDITION_ISSUE, `${report}:b`, {
      reportId: report,
      requestKey: crypto.randomUUID(),
      person: 1,
      sha256: preview.sha256,
    })
    await runJobs()
    expect(await jobById(db, job)).toMatchObject({
      state: 'failed',
      message: expect.stringContaining('have changed since you looked'),
    })
    expect((await editionsOf(db)).filter(({ reportId }) => reportId === report)).toHaveLength(1)
  })

  it('says what is missing of every kind', async () => {
    const content = await composeReport(db, {
      title: 'x',
      period: '2026-10-28..2026-10-28',
      against: 'none',
      blocks: [block('found'), block('why', { metrics: ['impressions'] }), block('text', { text: 'there' })],
    })
    expect(missingIn(content)).toEqual([
      'Block 1: the client’s profiles were not looked for yet.',
      'Block 2: Choose a comparison to see why it changed.',
    ])
  })

  it('can be superseded by a later one, which both say, and outsiders too', async () => {
    const report = await copyReport(db, 1)
    expect((await reportById(db, report)).title).toMatch(/, copied$/)
    for (const key of ['c', 'd'])
      await enqueue(db, EDITION_ISSUE, `${report}:${key}`, {
        reportId: report,
        requestKey: crypto.randomUUID(),
        person: 1,
      })
    await runJobs()
    const [later, earlier] = (await editionsOf(db)).filter(({ reportId }) => reportId === report)
    await supersede(db, earlier!.id, later!.id)
    const [first, second] = [await editionById(db, earlier!.id), await editionById(db, later!.id)]
    expect(first.supersededBy).toMatchObject({ id: later!.id, number: 2 })
    expect(second).toMatchObject({ supersededBy: null, supersedes: [{ id: earlier!.id, number: 1 }] })
    expect([first.isIntact, first.sha256]).toEqual([true, earlier!.sha256])
    expect(forOutsiders(first).supersededBy).toEqual({ number: 2, title: second.title, issuedAt: second.issuedAt })
    expect((await editionsOf(db)).find(({ id }) => id === earlier!.id)!.isSuperseded).toBe(1)
    await expect(supersede(db, later!.id, earlier!.id)).rejects.toThrow('Only a later edition')
    await expect(supersede(db, earlier!.id, 999_999)).rejects.toThrow('edition')
    await supersede(db, earlier!.id, null)
    expect((await editionById(db, earlier!.id)).supersededBy).toBeNull()
  })
})

describe('which posts did it', () => {
  it('are those of both periods, beside the median of their profile’s other posts, as the raw rows have them', async () => {
    const { posts } = await why(db, await scope(), 'interactions')
    const [rows] = (await pool().query(`
      SELECT post.remote_id AS id, profile_id AS profile, DATE_FORMAT(CONVERT_TZ(published_at, '+00:00', '+01:00'),
               '%Y-%m-%d') AS day, COALESCE(reactions, 0) + COALESCE(comments, 0) + COALESCE(shares, 0) + COALESCE(saves,
               0) AS value
      FROM   post JOIN profile USING (client_id, profile_id) WHERE client_id = 1 AND is_rival = 0 AND is_active = 1
      AND COALESCE(reactions, comments, shares, saves) IS NOT NULL`)) as unknown as [
      { id: string; profile: number; day: string; value: number }[],
    ]
    const inside = (from: string, to: string) =>
      rows.map((row) => ({ ...row, value: Number(row.value) })).filter(({ day }) => day >= from && day <= to)
    // within summer time: October to the 24th decides which is the best, whatever the last days bring
    const now = inside('2026-10-01', '2026-10-28').sort((a, b) => b.value - a.value)
    expect(posts!.now.best[0]).toMatchObject({ id: now[0]!.id, value: now[0]!.value })
    expect(posts!.now.best.map(({ value }) => value)).toEqual(now.slice(0, 3).map(({ value }) => value))
    expect(posts!.now.weakest.map(({ value }) => value)).toEqual(
      now
        .slice(-3)
        .reverse()
        .map(({ value }) => value),
    )
    const best = posts!.now.best[0]!
    const others = inside('2026-07-31', '2026-10-28')
      .filter(({ profile, id }) => profile === best.profile && id !== best.id)
      .map(({ value }) => value)
      .sort((a, b) => a - b)
    const middle =
      others.length % 2
        ? others[(others.length - 1) / 2]!
        : (others[others.length / 2 - 1]! + others[others.length / 2]!) / 2
    expect(best.usual).toBe(middle)
    expect(best.times).toBeCloseTo(best.value / middle, 9)
    const { from, to } = (await scope()).comparison!.period
    expect([from, to, posts!.then.count]).toEqual([from, to, inside(from, to).length])
    // what posts do not bring has none
    expect((await why(db, await scope(), 'followers_net')).posts).toBeUndefined()
  })
})

describe('odd days over every metric', () => {
  it('are the unusual days of each, put together, none of them lost and none on a small base', async () => {
    const asked = await scope({ period: '2026-08-01..2026-10-28' })
    const causes = await oddDays(db, asked)
    const found = causes.flatMap(({ findings }) => findings)
    for (const metric of ['impressions', 'interactions', 'comments']) {
      const alone = (await unusual(db, asked, metric)).filter(({ isSmall }) => !isSmall)
      expect(found.filter((finding) => finding.metric === metric)).toHaveLength(alone.length)
    }
    expect(found.some(({ isSmall }) => isSmall)).toBe(false)
    for (const cause of causes)
      expect(cause.findings.every(({ from, to }) => from >= cause.from && to <= cause.to)).toBe(true)
    expect(causes.some(({ findings }) => findings.length > 1)).toBe(true)
  })
})
