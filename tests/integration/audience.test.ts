import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, describe, expect, it } from 'vitest'
import { FACETS } from '../../core/breakdowns/audienceBreakdowns'
import { addDays } from '../../core/days/day'
import { unit } from '../../demo/random'
import { resolveScope } from '../../server/figures/resolveScope'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { audienceLines, audienceOf, intendedOf, keepIntended } from '../../server/read/audience/audience'
import { fill } from '../../server/report/blocks/composeReport'
import { tableOf } from '../../server/report/blocks/tableOf'
import { intendedSchema } from '../../shared/read/audience'
import { asKept } from '../../shared/report/blocks'
import { wilson } from '../../core/statistics/wilson'
import { pollBlock } from '../../server/read/audience/pollBlock'
import { addPoll, changePoll, pollsOf, removePoll } from '../../server/read/audience/polls'
import { pollSchema } from '../../shared/read/polls'
import { useDatabase } from './support/database'
import { addDemo } from './support/demo'

const { pool } = useDatabase('audience')
let db: ClientDb

beforeAll(async () => {
  await addDemo()
  db = await clientDbForJob(1)
})

interface Raw {
  profile: number
  day: string
  part: string
  people: number
}
/** What the rows say of a facet of a base, of profiles, in the week up to a day: each profile's newest count. */
async function newest(code: number, profiles: readonly number[], to: string): Promise<Raw[]> {
  const [rows] = await pool().query<RowDataPacket[]>(
    `SELECT b.profile_id AS profile, DATE_FORMAT(b.day, '%Y-%m-%d') AS day, n.part, b.value AS people
     FROM profile_day_breakdown b JOIN breakdown_part n ON n.client_id = b.client_id AND n.part_id = b.part_id
     WHERE b.client_id = 1 AND b.breakdown = ? AND b.profile_id IN (?) AND b.day BETWEEN ? AND ?`,
    [code, profiles, addDays(to, -6), to],
  )
  const raw = rows as Raw[]
  return raw.filter(({ profile, day }) => !raw.some((other) => other.profile === profile && other.day > day))
}
const scopeOf = (who: number[], period: string) => resolveScope(db, { who, sets: [], period, against: 'none' })

it('has the people of the raw rows, facet by facet, over sixty scopes', async () => {
  const all = await scopeOf([], '2026-09')
  let compared = 0
  for (let round = 0; round < 60; round++) {
    const random = (name: string, below: number) => Math.floor(unit(`audience ${name} ${round}`) * below)
    const who = all.profiles.map(({ profile_id: id }) => id).filter((_, index) => random(`who ${index}`, 2) === 0)
    const to = addDays('2026-10-18', -random('to', 120))
    const scope = await scopeOf(who, `${addDays(to, -random('length', 60))}..${to}`)
    const ids = scope.profiles.map(({ profile_id: id }) => id)
    for (const { facet, totals, parts } of (await audienceOf(db, scope)).shown) {
      const { codes } = FACETS.find(({ id }) => id === facet)!
      for (const base of ['followers', 'reached', 'responded'] as const) {
        const rows = await newest(codes[base], ids, to)
        const sum = (list: readonly Raw[]) => list.reduce((people, row) => people + row.people, 0)
        expect(totals[base]?.known ?? 0, `${facet} ${base} ${to}`).toBeCloseTo(sum(rows), 6)
        expect(totals[base]?.withheld ?? 0).toBeCloseTo(sum(rows.filter(({ part }) => part === 'withheld')), 6)
        expect(totals[base]?.profiles ?? 0).toBe(new Set(rows.map(({ profile }) => profile)).size)
        const isWide = rows.some(({ part }) => /13-24|25-44|45-64/.test(part))
        expect(totals[base]?.isEstimated ?? false).toBe(isWide)
        if (isWide) continue
        for (const { part, counts } of parts) {
          expect(counts[base] ?? 0).toBe(sum(rows.filter((row) => row.part === part)))
          compared++
        }
      }
      for (const { counts, index } of parts) {
        if (!index) continue
        const share = (base: 'followers' | 'responded') => counts[base]! / totals[base]!.known
        expect(index.value).toBeCloseTo((100 * share('responded')) / share('followers'), 6)
        expect(index.low < index.value && index.value < index.high).toBe(true)
      }
    }
  }
  expect(compared).toBeGreaterThan(1000)
})

it('brings brackets of a network’s own to the usual ones, by even years, and says so', async () => {
  const all = await scopeOf([], '2026-09-20..2026-10-18')
  const lantern = all.profiles.find(({ network }) => network === 'lantern')!.profile_id
  const [view] = (await audienceOf(db, await scopeOf([lantern], '2026-10-12..2026-10-18'), 'age_gender')).shown
  const rows = await newest(19, [lantern], '2026-10-18')
  const people = (part: string) => rows.find((row) => row.part === part)?.people ?? 0
  const told = (part: string) => view!.parts.find((row) => row.part === part)?.counts.followers ?? 0
  expect(view!.totals.followers!.isEstimated).toBe(true)
  expect([told('f|13-17'), told('f|18-24'), told('m|25-34'), told('m|65+')]).toEqual([
    (people('f|13-24') * 5) / 12,
    (people('f|13-24') * 7) / 12,
    people('m|25-44') / 2,
    people('m|65+'),
  ])
})

it('says who is not in it and why: without consent, too few, or not told by the network', async () => {
  const scope = await scopeOf([], '2026-10-12..2026-10-18')
  const reasons = (await audienceOf(db, scope, 'country')).shown[0]!.gaps
  expect(reasons.find(({ names }) => names.includes('@mossgate.nursery'))?.reason).toContain('owner’s consent')
  expect(reasons.find(({ reason }) => reason.includes('Guildhall'))?.names).toEqual(['Mossgate Gardens'])
  const long = await scopeOf([scope.profiles[0]!.profile_id], '2025-10-01..2025-10-07')
  expect((await audienceOf(db, long, 'country')).shown[0]!.gaps[0]!.reason).toContain('7 Oct 2025')
})

it('follows a part over the counts of a period', async () => {
  const scope = await scopeOf([2], '2026-09-01..2026-10-18')
  const lines = await audienceLines(db, scope, 'country', 'IE')
  expect(lines.map(({ base }) => base)).toEqual(['followers', 'reached', 'responded'])
  const { points } = lines[0]!
  expect(points).toHaveLength(7)
  const rows = await newest(11, [2], points[3]!.day)
  const sum = rows.reduce((people, row) => people + row.people, 0)
  expect(points[3]).toMatchObject({ of: sum, share: rows.find(({ part }) => part === 'IE')!.people / sum })
})

it('sets the intended audience beside each base, and forgets it when nothing is wanted', async () => {
  const scope = await scopeOf([2], '2026-10-12..2026-10-18')
  expect((await audienceOf(db, scope)).intended).toBeUndefined()
  await keepIntended(db, intendedSchema.validateSync({ genders: ['f'], ages: ['25-34', '35-44'], countries: ['GB'] }))
  const { intended } = await audienceOf(db, scope)
  const rows = await newest(19, [2], '2026-10-18')
  const countries = await newest(11, [2], '2026-10-18')
  const share = (list: readonly Raw[], parts: readonly string[]) =>
    list.reduce((people, row) => (parts.includes(row.part) ? people + row.people : people), 0) /
    list.reduce((people, row) => people + row.people, 0)
  // withheld, or of a wanted age and a gender that is not known
  const open = (list: readonly Raw[]) => share(list, ['withheld', 'u|25-34', 'u|35-44'])
  const [age, country] = [share(rows, ['f|25-34', 'f|35-44']), share(countries, ['GB'])]
  const overlap = intended!.overlaps.followers!
  // those of whom it is withheld may be wanted, and are guessed to be like the others
  const chance = (age / (1 - open(rows))) * (country / (1 - open(countries)))
  const [low, high] = [Math.max(0, age + country - 1), Math.min(age + open(rows), country + open(countries))] as const
  expect(overlap.low).toBeCloseTo(low, 9)
  expect(overlap.high).toBeCloseTo(high, 9)
  expect(overlap.estimate).toBeCloseTo(Math.min(high, Math.max(low, chance)), 9)
  await keepIntended(db, intendedSchema.validateSync({}))
  expect(await intendedOf(db)).toBeUndefined()
  expect(() => intendedSchema.validateSync({ countries: ['Atlantis'] })).toThrow('two letters')
  expect(() => intendedSchema.validateSync({ ages: ['25-26'] })).toThrow('Choose ages')
})

it('is a block with a table that has its people, shares and index', async () => {
  const filled = await fill(
    db,
    await scopeOf([2], '2026-10-12..2026-10-18'),
    asKept({ id: 'a', kind: 'audience', option: 'country' }),
  )
  expect(filled).toMatchObject({ kind: 'audience', heading: 'Audience: countries' })
  const table = tableOf(filled, 'Europe/London')!
  expect(table.rows.every((row) => row.length === table.columns.length)).toBe(true)
  const rows = await newest(11, [2], '2026-10-18')
  expect(table.rows[0]!.slice(0, 2)).toEqual(['United Kingdom', rows.find(({ part }) => part === 'GB')!.people])
})

describe('polls', () => {
  const poll = (part: object = {}) =>
    pollSchema.validateSync({
      question: 'Tea or coffee?',
      asked: 'At the gate.',
      from: '2026-10-01',
      to: '2026-10-02',
      answers: [
        { text: 'Tea', count: 70 },
        { text: 'Coffee', count: 30 },
      ],
      ...part,
    })

  it('are kept with what follows from them, changed, taken away and brought back', async () => {
    const id = await addPoll(db, poll(), 1)
    const [kept] = await pollsOf(db, id)
    expect(kept).toMatchObject({ people: 100, chosen: 'themselves', isMultiple: false, isLeadSure: true })
    expect(kept!.answers[0]).toMatchObject({ text: 'Tea', share: 0.7 })
    // of two answers the quantile is that of 98.75 %: 2.2414
    expect(kept!.answers[0]!.low).toBeCloseTo(wilson(70, 100, 2.241402727604947).low, 9)
    await changePoll(db, id, poll({ isMultiple: true, people: 120 }))
    expect((await pollsOf(db, id))[0]).toMatchObject({ people: 120, isMultiple: true })
    expect((await pollsOf(db, id))[0]!.answers[0]!.share).toBeCloseTo(70 / 120)
    expect(await removePoll(db, id, true)).toBe(true)
    expect(await pollsOf(db, id)).toEqual([])
    await expect(changePoll(db, id, poll())).rejects.toThrow(/no such poll/)
    expect(await removePoll(db, id, false)).toBe(true)
    expect((await pollBlock.fill({ db, block: { poll: id } } as never)).poll).toMatchObject({
      question: 'Tea or coffee?',
    })
    expect((await pollBlock.fill({ db, block: { poll: 9999 } } as never)).poll).toBeUndefined()
  })

  it('are refused where they cannot be', () => {
    expect(() => poll({ to: '2026-09-01' })).toThrow(/ends before it begins/)
    expect(() => poll({ answers: [{ text: 'Tea', count: 1 }] })).toThrow(/two answers/)
    expect(() => poll({ isMultiple: true, people: 60 })).toThrow(/than answered at all/)
    expect(() => poll({ isMultiple: true })).toThrow(/how many people answered/)
    expect(() =>
      poll({
        answers: [
          { text: 'Tea', count: 0 },
          { text: 'Coffee', count: 0 },
        ],
      }),
    ).toThrow(/Nobody has answered/)
  })
})
