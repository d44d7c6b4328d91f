import { DateTime } from 'luxon'
import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, describe, expect, it } from 'vitest'
import { unit } from '../../demo/random'
import { industryOf } from '../../server/compare/industry/industry'
import { industryBlock } from '../../server/compare/industry/industryBlock'
import { addReference, changeReference, referencesOf, removeReference } from '../../server/compare/industry/references'
import { referencesAsCsv, referencesFile } from '../../server/compare/industry/referencesFile'
import { resolveScope } from '../../server/figures/resolveScope'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { referenceSchema } from '../../shared/compare/industry'
import { parseScope } from '../../shared/figures/scope'
import type { Block } from '../../shared/report/blocks'
import { useDatabase } from './support/database'
import { addDemo } from './support/demo'

const { pool } = useDatabase('industry')
let db: ClientDb
const asked = async <T>(text: string, values: unknown[] = []) =>
  (await pool().query<RowDataPacket[]>(text, values))[0] as T[]
const shift = (day: string, days: number) => DateTime.fromISO(day, { zone: 'utc' }).plus({ days }).toISODate()!
const scopeOf = (from: string, to: string) =>
  resolveScope(db, parseScope({ period: `${from}..${to}`, against: 'none' }))

beforeAll(async () => {
  await addDemo()
  db = await clientDbForJob(1)
})

describe('profiles beside the industry', () => {
  it('have the values of the raw rows, and the figure that is most about them, over forty periods', async () => {
    interface Raw {
      profile: number
      network: string
      day: string
      followers: number | null
      posts: number | null
      impressions: number | null
      clicks: number | null
      interactions: number | null
    }
    const days = await asked<Raw>(
      `SELECT d.profile_id AS profile, f.network, DATE_FORMAT(d.day, '%Y-%m-%d') AS day, CAST(d.followers AS DOUBLE) AS followers,
              CAST(d.posts AS DOUBLE) AS posts, CAST(d.impressions AS DOUBLE) AS impressions, CAST(d.clicks AS DOUBLE) AS clicks,
              CAST(d.reactions + d.comments + d.shares + COALESCE(d.saves, 0) AS DOUBLE) AS interactions
       FROM profile_day d JOIN profile f USING (client_id, profile_id)
       WHERE d.client_id = 1 AND f.is_active = 1 AND f.is_rival = 0`,
    )
    const at = new Map(days.map((row) => [`${row.profile} ${row.day}`, row]))
    const posts = await asked<{ profile: number; day: string; brought: number | null }>(
      `SELECT profile_id AS profile, DATE_FORMAT(day, '%Y-%m-%d') AS day,
              CAST(IF(COALESCE(reactions, comments, shares) IS NULL, NULL,
                COALESCE(reactions, 0) + COALESCE(comments, 0) + COALESCE(shares, 0)) AS DOUBLE) AS brought
       FROM post WHERE client_id = 1`,
    )
    const kept = await asked<{
      measure: string
      network: string
      from_size: number | null
      below_size: number | null
      middle_value: number
    }>('SELECT * FROM industry_figure WHERE client_id = 1')
    const volumes = await asked<{ network: string; day: string; posts: number; interactions: number }>(
      `SELECT network, DATE_FORMAT(day, '%Y-%m-%d') AS day, CAST(posts AS DOUBLE) AS posts,
              CAST(interactions AS DOUBLE) AS interactions FROM network_day`,
    )
    let seen = 0
    for (let round = 0; round < 40; round++) {
      const to = shift('2026-10-26', -Math.floor(unit('to', round) * 140))
      const from = shift(to, -Math.floor(unit('from', round) * 60))
      const { rows, judgedTo } = await industryOf(db, await scopeOf(from, to))
      expect(judgedTo).toBe('2026-10-21')
      for (const row of rows) {
        seen++
        const own = days.filter(({ profile, day }) => profile === row.profile && day >= from && day <= to)
        const { network } = days.find(({ profile }) => profile === row.profile)!
        const level = (day: string) => {
          for (let ago = 0; ago <= 7; ago++) {
            const known = at.get(`${row.profile} ${shift(day, -ago)}`)?.followers
            if (known !== null && known !== undefined) return known
          }
          return undefined
        }
        const followers = level(to)
        const published = posts.filter(
          ({ profile, day, brought }) =>
            profile === row.profile && day >= from && day <= to && day <= '2026-10-21' && brought !== null,
        )
        const mean = published.reduce((sum, { brought }) => sum + brought!, 0) / published.length
        const sums = (columns: ('clicks' | 'interactions')[]) => {
          const both = own.filter((day) => columns.every((column) => day[column] !== null) && day.impressions !== null)
          return (
            both.reduce((sum, day) => sum + day[columns[0]!]!, 0) / both.reduce((sum, day) => sum + day.impressions!, 0)
          )
        }
        const known = own.filter(({ posts: made }) => made !== null)
        const wanted: Record<string, number> = {
          post_rate: mean / followers!,
          post_interactions: mean,
          week_posts: (7 * known.reduce((sum, day) => sum + day.posts!, 0)) / known.length,
          growth: followers! / level(shift(to, -28))! - 1,
          engagement_by_impressions: sums(['interactions']),
          click_rate: sums(['clicks']),
        }
        if (row.measure in wanted && row.measure !== 'engagement_by_impressions')
          expect(row.value, `${row.measure} of ${row.name}`).toBeCloseTo(wanted[row.measure]!, 9)
        expect(row.followers).toBe(followers)
        if (row.measure === 'post_interactions') {
          const all = volumes.filter((one) => one.network === network && one.day >= from && one.day <= to)
          const sum = (column: 'posts' | 'interactions') => all.reduce((whole, one) => whole + one[column], 0)
          expect(all).toHaveLength(DateTime.fromISO(to).diff(DateTime.fromISO(from), 'days').days + 1)
          expect(row.reference.middle).toBeCloseTo(sum('interactions') / sum('posts'), 9)
          expect(row.reference.source).toContain('as it says itself')
        } else {
          const fitting = kept.filter(
            (one) =>
              one.measure === row.measure &&
              (one.network === network || (one.network === '' && network !== 'waymark')) &&
              ((one.from_size === null && one.below_size === null) ||
                (followers !== undefined &&
                  followers >= (one.from_size ?? 0) &&
                  followers < (one.below_size ?? Infinity))),
          )
          // of the demo’s figures the one of the network comes first, and there no two sizes fit at once
          const best = fitting.find((one) => one.network !== '') ?? fitting[0]
          expect(row.reference.middle).toBe(best!.middle_value)
        }
        expect(row.index).toBeCloseTo((100 * row.value) / row.reference.middle, 9)
      }
    }
    expect(seen).toBeGreaterThan(500)
    const { rows: all } = await industryOf(db, await scopeOf('2026-10-01', '2026-10-26'))
    expect(all.filter(({ networkName }) => networkName === 'Waymark')).toEqual([])
  })
  it('are the client’s own alone, and a block and a file of them', async () => {
    const scope = await scopeOf('2026-10-01', '2026-10-26')
    const rivals = new Set(
      (await asked<{ id: number }>('SELECT profile_id AS id FROM profile WHERE is_rival = 1')).map(({ id }) => id),
    )
    const { rows } = await industryOf(db, scope)
    expect(rows.filter(({ profile }) => rivals.has(profile))).toEqual([])
    const block = { id: 'a', kind: 'industry' } as Block
    const filled = await industryBlock.fill({ db, scope, block, sight: { rivals: false } } as never)
    expect(filled.industry.rows).toEqual(rows)
    const table = industryBlock.tableOf!(filled, 'UTC')!
    expect(table.rows).toHaveLength(rows.length)
    expect(table.rows[0]).toHaveLength(table.columns.length)
    // that it was made up stands wherever it is shown
    expect(table.rows.flat().filter((cell) => String(cell).includes('(invented)')).length).toBeGreaterThan(10)
  })
})

describe('figures of the industry', () => {
  const figure = (part: object = {}) =>
    referenceSchema.validateSync({
      measure: 'week_posts',
      middle: 3,
      source: 'A yearbook',
      day: '2026-03-01',
      ...part,
    })
  it('are written down, changed, removed and brought back, each of its client', async () => {
    const id = await addReference(db, figure({ lower: 1, upper: 6, from: 100, below: 1000, network: 'cork' }))
    const one = async () => (await referencesOf(db)).find((each) => each.id === id)
    expect(await one()).toEqual({
      id,
      measure: 'week_posts',
      network: 'cork',
      from: 100,
      below: 1000,
      lower: 1,
      middle: 3,
      upper: 6,
      source: 'A yearbook',
      day: '2026-03-01',
      isInvented: false,
    })
    await changeReference(db, id, figure({ middle: 4 }))
    expect(await one()).toEqual({
      id,
      measure: 'week_posts',
      network: '',
      middle: 4,
      source: 'A yearbook',
      day: '2026-03-01',
      isInvented: false,
    })
    await removeReference(db, id, true)
    expect(await one()).toBeUndefined()
    await expect(changeReference(db, id, figure())).rejects.toThrow('There is no such figure')
    await removeReference(db, id, false)
    expect(await one()).toMatchObject({ middle: 4 })
    const other = await clientDbForJob(2)
    await expect(changeReference(other, id, figure())).rejects.toThrow('There is no such figure')
    await expect(removeReference(other, id, true)).rejects.toThrow('There is no such figure')
    await removeReference(db, id, true)
  })
  it('refuse what cannot be, each with its sentence', () => {
    const refused = (part: object) => {
      try {
        figure(part)
        return ''
      } catch (error) {
        return (error as Error).message
      }
    }
    expect(refused({ measure: 'reach' })).toBe('Choose a measure from the list.')
    expect(refused({ network: 'nowhere' })).toContain('There is no network')
    expect(refused({ middle: undefined })).toBe('Write the middle value.')
    expect(refused({ middle: 'x' })).toBe('Write a number.')
    expect(refused({ middle: 1e12 })).toBe('That figure is too large.')
    expect(refused({ lower: 4 })).toBe('The lower quartile lies above the middle.')
    expect(refused({ upper: 2 })).toBe('The upper quartile lies below the middle.')
    expect(refused({ from: 10, below: 10 })).toBe('The size ends before it begins.')
    expect(refused({ from: -1 })).toBe('Followers are not below nothing.')
    expect(refused({ source: ' ' })).toBe('Say where the figure is from.')
    expect(refused({ day: '2026-02-30' })).not.toBe('')
    expect(refused({ from: 10, below: 11, lower: 3, upper: 3 })).toBe('')
  })
  it('come back from their own file as they were, and a file is looked at before it is taken', async () => {
    const before = await referencesOf(db)
    const text = await referencesAsCsv(db)
    expect(await referencesFile(db, text, true)).toEqual({ added: [], same: before.length, refused: [] })
    const file = [
      'Measure;Network;Followers from;Followers below;Lower quartile;Median;Upper quartile;Source;Date',
      'posts a week;Tintype;1,000;10,000;;4.125;;A yearbook;1 Mar 2026',
      'Engagement rate by post;;;;0.5 %;1.2 %;2.4 %;=A yearbook;2026-03-01',
      'Engagement rate by post;;;;;0.012;;A yearbook;2026-03-01',
      'Likes;;;;;3;;A yearbook;2026-03-01',
      'Posts a week;Nowhere;;;;3;;A yearbook;2026-03-01',
      'Posts a week;;;;;;;A yearbook;2026-03-01',
      'Posts a week;;;;5;3;;A yearbook;2026-03-01',
      'Posts a week;;;;;3;;;2026-03-01',
      'Posts a week;;;;;3;;A yearbook;3/4/2026',
      'Posts a week;;;;;3,5;;A yearbook;2026-03-01',
    ].join('\n')
    const looked = await referencesFile(db, `\uFEFF${file}`, false)
    expect(looked.added.map(({ words }) => words.replaceAll('\u202F', ' '))).toEqual([
      'Posts a week on Tintype, accounts of 1,000 to 10,000 followers: 4.1. A yearbook, 1 Mar 2026.',
      'Engagement rate by post on any network, accounts of any size: 1.20 % (quartiles 0.50 % and 2.40 %). =A yearbook, 1 Mar 2026.',
    ])
    expect(looked.refused.map(({ row, reason }) => [row, reason.split('.')[0]])).toEqual([
      [4, 'Write “0'],
      [5, 'There is no measure “Likes”'],
      [6, 'There is no network “Nowhere”'],
      [7, 'Write the middle value'],
      [8, 'The lower quartile lies above the middle'],
      [9, 'Say where the figure is from'],
      [10, '“3/4/2026” can be two days'],
      [11, '“3,5” is no number as a file has it: 1,234'],
    ])
    expect(await referencesOf(db)).toEqual(before)
    const taken = await referencesFile(db, file, true)
    expect(taken.added.map(({ id }) => typeof id)).toEqual(['number', 'number'])
    expect(await referencesOf(db)).toHaveLength(before.length + 2)
    // what a spreadsheet would run is written so that it runs nothing, and comes back as it was
    const again = await referencesAsCsv(db)
    expect(again).toContain(",'=A yearbook,")
    expect((await referencesFile(db, again, false)).same).toBe(before.length + 2)
    await expect(referencesFile(db, 'a,b\n1,2', false)).rejects.toThrow('The file lacks “Measure”')
    await expect(referencesFile(db, '"a', false)).rejects.toThrow('cannot be read as a table')
    await expect(
      referencesFile(db, `Measure,Median,Source,Date\n${'Posts a week,3,x,2026-03-01\n'.repeat(1001)}`, false),
    ).rejects.toThrow('1000 figures at the most')
  })
})
