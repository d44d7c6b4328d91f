import { parse } from 'csv-parse/sync'
import { stringify } from 'csv-stringify/sync'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, describe, expect, it } from 'vitest'
import { DATASETS } from '../../core/datasets/datasets'
import { ownNumber, RECORDS } from '../../core/datasets/records'
import { renumbered, type PackageRow } from '../../core/datasets/renumber'
import { overview } from '../../server/read/overview/overview'
import { resolveScope } from '../../server/figures/resolveScope'
import { dataPackage } from '../../server/gather/data/dataPackage'
import { SHAPED } from '../../server/gather/data/shapes'
import { keepPackage, takingState } from '../../server/gather/data/takePackage'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { parseScope } from '../../shared/figures/scope'
import { addClient, runJobs, tableOf, useDatabase } from './support/database'
import { addDemo } from './support/demo'

const { pool } = useDatabase('take_in')
const EDITION = '{"blocks":[],"period":{"from":"2026-10-01","to":"2026-10-28"},"title":"ü","who":"1"}'
const AT = Date.parse('2026-10-29T06:00:00Z')
let db: ClientDb
let original: Uint8Array
const asked = async (text: string, values: unknown[] = []) =>
  (await pool().query<RowDataPacket[]>(text, values))[0] as Record<string, unknown>[]

async function whole(parts: AsyncIterable<Uint8Array>): Promise<Uint8Array> {
  const all: Uint8Array[] = []
  for await (const part of parts) all.push(part)
  return Buffer.concat(all)
}
/** Sends a package in pieces, as a browser does. */
async function* pieces(bytes: Uint8Array) {
  for (let at = 0; at < bytes.length; at += 300_000) yield bytes.subarray(at, at + 300_000)
}
const take = async (client: ClientDb, bytes: Uint8Array) => {
  await keepPackage(client, pieces(bytes), 1)
  await runJobs()
  return (await takingState(client)).job!
}

beforeAll(async () => {
  await addDemo()
  db = await clientDbForJob(1)
  const [set] = await asked('SELECT MIN(set_id) AS id FROM profile_set WHERE client_id = 1')
  const [tag] = await asked('SELECT MAX(tag_id) AS id FROM tag WHERE client_id = 1')
  const [poll] = await asked('SELECT MAX(poll_id) AS id FROM poll WHERE client_id = 1')
  await pool().query('INSERT INTO saved_scope (client_id, name, parts) VALUES (1, ?, ?)', [
    'Kept',
    JSON.stringify({ who: `2,s${String(set!.id)}`, period: 'last-28-days' }),
  ])
  await pool().query('UPDATE report SET blocks = ? WHERE client_id = 1', [
    JSON.stringify([
      { id: 'a', kind: 'posts', who: `1,s${String(set!.id)}`, tags: String(tag!.id) },
      { id: 'b', kind: 'occasions', tag: tag!.id },
      { id: 'c', kind: 'poll', poll: poll!.id },
      { id: 'd', kind: 'text', text: '=1+1 und „Grüße“\n🌿' },
    ]),
  ])
  await pool().query('UPDATE tag_rule SET who = ? WHERE client_id = 1 ORDER BY rule_id LIMIT 1', [
    `1,s${String(set!.id)},tintype`,
  ])
  await pool().query("UPDATE tag SET removed_at = '2026-10-01 00:00:00', live_name = NULL WHERE tag_id = ?", [tag!.id])
  for (const number of [1, 2])
    await pool().query(
      `INSERT INTO edition (client_id, report_id, number, title, period_words, request_key, content, sha256)
       VALUES (1, 1, ?, 'E', 'October', ?, '${EDITION}', SHA2('${EDITION}', 256))`,
      [number, `key ${number}`],
    )
  await pool().query('UPDATE edition SET superseded_by = 2 WHERE edition_id = 1')
  await pool().query(
    "INSERT INTO restatement (client_id, profile_id, day, metric, new_value) VALUES (1, 1, '2026-10-01', 'impressions', 5)",
  )
  await pool().query('UPDATE client SET intended_audience = \'{"ages":[]}\' WHERE client_id = 1')
  await pool().query(
    `INSERT INTO plan_file (client_id, file_id, name, type, size, sha256, content)
     VALUES (1, 900, 'dot.png', 'image/png', ?, SHA2(?, 256), ?)`,
    [DOT.length, DOT, DOT],
  )
  await pool().query(
    `UPDATE planned_post SET content = JSON_SET(content, '$.media', JSON_EXTRACT('[{"file":900,"alt":"A dot"}]', '$'))
     WHERE client_id = 1`,
  )
  original = await whole(dataPackage(db, AT))
})
/** The smallest PNG: one dot. */
const DOT = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)

/** The tables of a package, each row with the rank of its number in the place of that. */
function tablesOf(zip: Uint8Array): Map<string, PackageRow[]> {
  const files = unzipSync(zip)
  const read = (name: string) =>
    parse(Buffer.from(files[`data/${name}.csv`]!), { columns: true, bom: true }) as Record<string, string>[]
  const ranks = new Map<string, Map<number, number>>()
  for (const { id } of RECORDS) {
    const own = ownNumber(id)
    if (own) ranks.set(id, new Map(read(id).map((row, index) => [Number(row[own]), index + 1])))
  }
  const elsewhere = (table: string, number: number) => ranks.get(table)!.get(number)!
  const typed = (row: Record<string, string>, numbers: readonly string[]) =>
    Object.fromEntries(
      Object.entries(row).map(([name, cell]) => [
        name,
        cell === ''
          ? null
          : numbers.includes(name)
            ? Number(cell)
            : name === 'parts' || name === 'blocks' || name === 'items' || name === 'content'
              ? cell.replace(/^'/, '')
              : cell,
      ]),
    )
  const order = (rows: PackageRow[]) =>
    rows
      .map((row) => JSON.stringify(row))
      .sort()
      .map((row) => JSON.parse(row) as PackageRow)
  return new Map([
    ...RECORDS.map((kind): [string, PackageRow[]] => {
      const numbers = kind.columns
        .filter(({ type }) => type !== 'text' && type !== 'json' && type !== 'day' && type !== 'instant')
        .map(({ column }) => column)
      return [kind.id, order(read(kind.id).map((row) => renumbered(kind, typed(row, numbers), elsewhere)))]
    }),
    ...DATASETS.map(({ id }): [string, PackageRow[]] => [
      id,
      order(
        read(id).map((row) => ({
          ...typed(row, []),
          ...('site_id' in row
            ? { site_id: elsewhere('site', Number(row.site_id)) }
            : { profile_id: elsewhere('profile', Number(row.profile_id)) }),
        })),
      ),
    ]),
  ])
}

describe('a package that is taken in', () => {
  let taken: ClientDb

  it('is there again, table by table', async () => {
    taken = await addClient('taken')
    expect(await takingState(taken)).toEqual({ isEmpty: true, job: null })
    const job = await take(taken, original)
    expect(job).toMatchObject({ state: 'done', message: expect.stringMatching(/rows are here/) })
    const back = await whole(dataPackage(await clientDbForJob(taken.clientId), AT))
    const [before, after] = [tablesOf(original), tablesOf(back)]
    for (const [name, rows] of before) {
      const own = after.get(name)!
      expect(rows.length, name).toBe(own.length)
      // what cannot be taken along: consents, and codes that the first client still has
      const without = ({ consent: _, code: __, ...row }: PackageRow) =>
        name === 'planned_post' ? { ...row, state: '' } : row
      if (['post_picture', 'listing_picture_file', 'plan_file'].includes(name)) {
        // their files are named by other numbers there; that they are the same is looked at below
        expect(own.length, name).toBeGreaterThan(0)
        continue
      }
      if (name !== 'link_visit_part') expect(own.map(without), name).toEqual(rows.map(without))
    }
    expect(before.size).toBe(RECORDS.length + DATASETS.length)
    // what was to go out from there does not go out from here too
    const states = (tables: typeof before) => new Set(tables.get('planned_post')!.map(({ state }) => state))
    expect([...states(before)].sort()).toEqual(['approved', 'draft', 'idea', 'scheduled', 'waiting'])
    expect([...states(after)].sort()).toEqual(['draft', 'idea'])
    const parts = (rows: PackageRow[]) => rows.filter(({ facet }) => facet !== 'page').length
    expect(parts(after.get('link_visit_part')!)).toBe(parts(before.get('link_visit_part')!))
    expect(
      (await asked('SELECT DISTINCT consent FROM profile WHERE client_id = ?', [taken.clientId])).map(
        ({ consent }) => consent,
      ),
    ).toEqual(['none'])
  })

  it('points to its own, and to nothing of the client it came from', async () => {
    const id = taken.clientId
    const [scope] = await asked('SELECT parts FROM saved_scope WHERE client_id = ?', [id])
    const { who } = JSON.parse(String(scope!.parts)) as { who: string }
    const [profile, set] = who.split(',')
    const nameOf = async (client: number, number: string) =>
      (await asked('SELECT handle, network FROM profile WHERE client_id = ? AND profile_id = ?', [client, number]))[0]
    expect(await nameOf(id, profile!)).toEqual(await nameOf(1, '2'))
    expect(
      (await asked('SELECT name FROM profile_set WHERE client_id = ? AND set_id = ?', [id, set!.slice(1)])).length,
    ).toBe(1)
    const [page] = await asked('SELECT items, code FROM link_page WHERE client_id = ?', [id])
    for (const { link } of JSON.parse(String(page!.items)) as { link: number | null }[])
      if (link !== null)
        expect((await asked('SELECT 1 FROM tracked_link WHERE client_id = ? AND link_id = ?', [id, link])).length).toBe(
          1,
        )
    const followed = await asked("SELECT DISTINCT part FROM link_visit_part WHERE client_id = ? AND facet = 'page'", [
      id,
    ])
    expect(followed.map(({ part }) => part)).toEqual([page!.code])
    const [first] = await asked('SELECT superseded_by AS later FROM edition WHERE client_id = ? AND number = 1', [id])
    const [second] = await asked('SELECT edition_id AS id, content FROM edition WHERE client_id = ? AND number = 2', [
      id,
    ])
    expect(first!.later).toBe(second!.id)
    expect(second!.content).toBe(EDITION)
    expect((await asked('SELECT intended_audience AS said FROM client WHERE client_id = ?', [id]))[0]!.said).toBe(
      '{"ages":[]}',
    )
  })

  it('has its pictures, each where it belongs', async () => {
    const pictures = (client: number) =>
      asked(
        `SELECT p.handle, k.remote_id, k.type, SHA2(k.bytes, 256) AS digest
         FROM   post_picture k JOIN profile p ON p.client_id = k.client_id AND p.profile_id = k.profile_id
         WHERE  k.client_id = ? ORDER BY p.handle, p.network, k.remote_id`,
        [client],
      )
    const [before, after] = [await pictures(1), await pictures(taken.clientId)]
    expect(before.length).toBeGreaterThan(50)
    expect(after).toEqual(before)
    const [file] = await asked('SELECT file_id AS id, content FROM plan_file WHERE client_id = ?', [taken.clientId])
    expect(file!.content).toEqual(DOT)
    const posts = await asked('SELECT content FROM planned_post WHERE client_id = ?', [taken.clientId])
    for (const { content } of posts)
      expect((JSON.parse(String(content)) as { media: unknown }).media).toEqual([{ file: file!.id, alt: 'A dot' }])
  })

  it('is taken in without pictures too: planned posts show none then', async () => {
    const client = await addClient('without pictures')
    const job = await take(client, await whole(dataPackage(db, AT, 'csv', false)))
    expect(job.state).toBe('done')
    const posts = await asked('SELECT content FROM planned_post WHERE client_id = ?', [client.clientId])
    expect(posts.length).toBeGreaterThan(2)
    for (const { content } of posts) expect((JSON.parse(String(content)) as { media: unknown }).media).toEqual([])
  })

  it('is taken in from before profiles were followed by their id, and lacks nothing else', async () => {
    const LATER = ['former_handle', 'renamed_on', 'gone_on']
    const entries = unzipSync(original)
    const [head, ...rows] = parse(Buffer.from(entries['data/profile.csv']!), { bom: true }) as string[][]
    const kept = head!.flatMap((name, index) => (LATER.includes(name) ? [] : [index]))
    const cut = (wanted: readonly number[]) =>
      zipSync(
        {
          ...entries,
          'data/profile.csv': strToU8(
            stringify(
              [head!, ...rows].map((row) => wanted.map((index) => row[index])),
              { quoted_string: true, record_delimiter: 'windows' },
            ),
          ),
        },
        { level: 1 },
      )
    expect(kept).toHaveLength(head!.length - 3)
    const client = await addClient('of before')
    expect((await take(client, cut(kept))).state).toBe('done')
    const [counted] = await asked(
      'SELECT COUNT(*) AS n, COUNT(former_handle) AS f, COUNT(gone_on) AS g FROM profile WHERE client_id = ?',
      [client.clientId],
    )
    expect(counted).toMatchObject({ n: rows.length, f: 0, g: 0 })
    const refused = await take(
      await addClient('without handles'),
      cut(kept.filter((index) => head![index] !== 'handle')),
    )
    expect(refused.message).toContain('the headings have to be')
  })

  it('holds every text of JSON to the schema that forms have, but for what was issued', () => {
    const json = RECORDS.flatMap(({ id, columns }) =>
      columns.flatMap(({ column, type }) => (type === 'json' ? [`${id}.${column}`] : [])),
    )
    expect(json.filter((column) => !SHAPED.includes(column))).toEqual(['edition.content'])
    expect(SHAPED.filter((column) => !json.includes(column))).toEqual([])
  })

  it('says the same in figures', async () => {
    const figures = async (client: ClientDb) => {
      const scope = await resolveScope(client, parseScope({ period: '2026-07-01..2026-09-30' }))
      const { figures: shown } = await overview(client, scope, { metric: 'impressions' })
      return shown.map(({ figure: { value, low, high } }) => [value, low, high])
    }
    expect(await figures(await clientDbForJob(taken.clientId))).toEqual(await figures(db))
  })

  it('goes nowhere where something is kept already', async () => {
    await expect(keepPackage(taken, pieces(original), 1)).rejects.toThrow(/nothing is kept/)
    await expect(keepPackage(db, pieces(original), 1)).rejects.toThrow(/nothing is kept/)
  })
})

describe('a package that is wrong', () => {
  let short: Record<string, Uint8Array> | undefined
  /** The package, of each table some lines, and of those that hang on others none, nor their pictures. */
  const files = () =>
    (short ??= Object.fromEntries(
      Object.entries(
        unzipSync(original, {
          filter: ({ name }) => !name.startsWith('files/') || name.startsWith('files/plan_file/'),
        }),
      ).map(([name, bytes]) => {
        if (!name.startsWith('data/')) return [name, bytes]
        const most = /observation|post_tag|picture|visit|profile_set_member/.test(name)
          ? name.includes('member')
            ? 3
            : 1
          : 40
        const isData = DATASETS.some(({ id }) => name === `data/${id}.csv`) || /post_tag|picture|visit/.test(name)
        return [name, isData ? strToU8(`${strFromU8(bytes).split('\r\n').slice(0, most).join('\r\n')}\r\n`) : bytes]
      }),
    ))
  const changed = (name: string, change: (text: string) => string) =>
    zipSync({ ...files(), [name]: strToU8(change(strFromU8(files()[name]!))) }, { level: 1 })
  const pictureOf = (table: string) => Object.keys(files()).find((name) => name.startsWith(`files/${table}/`))!
  /** A table whose first row has something else in a column. */
  const withCell = (text: string, column: string, value: string) => {
    const [head, first, ...rest] = parse(text) as string[][]
    first![head!.indexOf(column)] = value
    return stringify([head!, first!, ...rest], { quoted_string: true, record_delimiter: 'windows' })
  }
  const without = (name: string) => {
    const { [name]: _, ...rest } = files()
    return zipSync(rest, { level: 1 })
  }
  const cases: [string, () => Uint8Array, RegExp][] = [
    ['is no ZIP', () => strToU8('PK not really'), /no package/],
    ['is cut', () => original.subarray(0, original.length / 2), /no package/],
    ['has no descriptor', () => without('datapackage.json'), /no datapackage.json/],
    ['has a descriptor that is no JSON', () => changed('datapackage.json', (text) => text.slice(1)), /no JSON/],
    [
      'is of a later version',
      () => changed('datapackage.json', (text) => text.replace('"version": "1"', '"version": "9"')),
      /reads packages of version 1/,
    ],
    ['lacks a file', () => without('data/note.csv'), /names data\/note.csv, but it is not in it/],
    [
      'lacks a table',
      () => changed('datapackage.json', (text) => text.replace('"name": "note"', '"name": "nothing"')),
      /no table “note”/,
    ],
    [
      'has other headings',
      () => changed('data/note.csv', (text) => text.replace('note_id', 'number')),
      /headings have to be note_id.*“number”/,
    ],
    [
      'has a text where a number belongs',
      () => changed('data/target.csv', (text) => text.replace(/\r\n\d+,/, '\r\nten,')),
      /data\/target.csv, line 2, target_id: “ten” is no whole number/,
    ],
    [
      'has a day that there is not',
      () => changed('data/note.csv', (text) => text.replace(/\d{4}-\d\d-\d\d/, '2026-02-30')),
      /“2026-02-30” is no day/,
    ],
    [
      'has a scientific number',
      () => changed('data/profile_day.csv', (text) => text.replace(/(\r\n\d+,"?\d{4}-\d\d-\d\d"?,)\d+/, '$11.2E+5')),
      /“1.2E\+5” is no whole number/,
    ],
    [
      'has a count below zero',
      () => changed('data/profile_day.csv', (text) => text.replace(/(\r\n\d+,"?\d{4}-\d\d-\d\d"?,)\d+/, '$1-5')),
      /no count/,
    ],
    [
      'has a row twice',
      () => changed('data/profile_set_member.csv', (text) => text + text.split('\r\n')[1]! + '\r\n'),
      /it is there twice/,
    ],
    [
      'points to nothing',
      () => changed('data/profile_day.csv', (text) => text.replace(/\r\n\d+,/, '\r\n999999,')),
      /number 999999 of profile/,
    ],
    [
      'has an unknown breakdown',
      () =>
        changed('data/profile_day_breakdown.csv', (text) =>
          text.replace(/followers_by_hour|impressions_by_source/, 'by_star_sign'),
        ),
      /no breakdown “by_star_sign”/,
    ],
    [
      'has a row that is too short',
      () => changed('data/note.csv', (text) => `${text}1,2\r\n`),
      /2 cells, where 7 are expected/,
    ],
    [
      'has an edition that was changed',
      () => changed('data/edition.csv', (text) => text.replace('ü', 'u')),
      /not as it was issued: its checksum/,
    ],
    ...(
      [
        ['report', 'blocks', '[{"id":"a","kind":"nothing at all","text":5}]', /blocks is not as it has to be/],
        ['saved_scope', 'parts', '{"who":"all","period":5}', /parts is not as it has to be: period/],
        ['planned_post', 'content', '{"text":["not a text"]}', /content is not as it has to be: Write a text here/],
        ['planned_post', 'content', '{"text":', /is no JSON/],
        ['link_page', 'items', '[{"text":"Here","link":"javascript:"}]', /items is not as it has to be/],
      ] as const
    ).map(([table, column, value, words]): [string, () => Uint8Array, RegExp] => [
      `has ${value} as ${column} of ${table}`,
      () => changed(`data/${table}.csv`, (text) => withCell(text, column, value)),
      words,
    ]),
    ...(
      [
        ['rank_watch', 'rhythm', 'now and then', /data\/rank_watch.csv, line 2: rhythm: Choose how often/],
        ['place', 'lat', '1e308', /data\/place.csv, line 2: lat: /],
        ['profile', 'network', 'nowhere', /data\/profile.csv, line 2: network: “nowhere” is none/],
        ['tracked_link', 'target', 'javascript:alert(1)', /data\/tracked_link.csv, line 2: target: /],
        ['post', 'published_at', '9999-12-31T00:00:00.000Z', /data\/post.csv, line 2: published_at: it lies outside/],
        ['profile_day', 'day', '0001-01-01', /data\/profile_day.csv, line 2: day: it lies outside/],
      ] as const
    ).map(([table, column, value, words]): [string, () => Uint8Array, RegExp] => [
      `has ${value} as ${column} of ${table}, which no form takes`,
      () => changed(`data/${table}.csv`, (text) => withCell(text, column, value)),
      words,
    ]),
    [
      'has a picture that is a page',
      () => changed(pictureOf('plan_file'), () => '<html><script>alert(1)</script></html>'),
      /is no image\/png/,
    ],
    [
      'has a picture of another kind than it says',
      () => changed('data/plan_file.csv', (text) => text.replace('"image/png"', '"text/html"')),
      /is no text\/html, or none that can be shown/,
    ],
    [
      'has a picture that was changed',
      () => changed(pictureOf('plan_file'), (text) => text.slice(1)),
      /is no image\/png/,
    ],
    [
      'has another picture than it says',
      () => changed('data/plan_file.csv', (text) => withCell(text, 'sha256', '0'.repeat(64))),
      /not as it was: its checksum/,
    ],
    ['lacks a picture', () => without(pictureOf('plan_file')), /names “files\/plan_file.*not in the package/],
    [
      'is Parquet',
      () => changed('datapackage.json', (text) => text.replaceAll('"format": "csv"', '"format": "parquet"')),
      /only packages of CSV/,
    ],
  ]
  it.each(cases)('%s: it says so, and nothing is taken in', async (name, bytes, sentence) => {
    const empty = await addClient(`wrong ${cases.findIndex(([each]) => each === name)}`)
    const job = await take(empty, bytes())
    expect(job.state).toBe('failed')
    expect(job.message).toMatch(sentence)
    expect(await takingState(empty)).toMatchObject({ isEmpty: true })
    expect(await tableOf('package_chunk', 'client_id, chunk, 1')).toEqual([])
  })
})
