import type { RowDataPacket } from 'mysql2/promise'
import { expect, it } from 'vitest'
import { hasWords } from '../../core/posts/filterPosts'
import { unit } from '../../demo/random'
import { resolveScope } from '../../server/figures/resolveScope'
import { wholePostList } from '../../server/read/content/postList'
import { addClient, addProfile, useDatabase } from './support/database'

const { pool } = useDatabase('searched_texts')
const count = async (question: string, values: unknown[] = []) =>
  Number((await pool().query<RowDataPacket[]>(question, values))[0][0]!.n)

it('words are found in texts however these are written, as a plain look through them finds them', async () => {
  const db = await addClient('searched')
  const profile = await addProfile(db, 'commons', 'searched')
  const PARTS = [
    'Tea',
    'TEA',
    'teä',
    'té',
    'a',
    'Café',
    'cafe',
    '🌿',
    '☕',
    '’',
    '“',
    '—',
    '…',
    ' ',
    ' ',
    '%',
    '_',
    '\\',
  ]
  const MORE = [
    '#Open',
    'open late',
    '№',
    'ß',
    '\n',
    '2',
    '²',
    '❷',
    'ａ',
    '\u200d',
    '\ufe0f',
    '🇪',
    '→',
    "'",
    '-',
    '\t',
    '€',
  ]
  const parts = [...PARTS, ...MORE]
  const texts = Array.from({ length: 3000 }, (_, number) =>
    Array.from(
      { length: 1 + Math.floor(unit(number, 'length') * 6) },
      (_, at) => parts[Math.floor(unit(number, at) * parts.length)]!,
    ).join(''),
  )
  await db.insertRows(
    'post',
    ['profile_id', 'remote_id', 'published_at', 'day', 'format', 'text'],
    texts.map((text, number) => [profile, String(number), '2026-10-20 12:00:00', '2026-10-20', 'photo', text]),
  )
  const scope = await resolveScope(db, { who: [], sets: [], period: '2026-10-20..2026-10-20', against: 'none' })
  const found = async (asked: object) => new Set((await wholePostList(db, scope, asked)).map(({ text }) => text))
  let many = 0
  for (const word of ['tea', 'cafe', 'café', 'open', '%', '_', '\\', "'", '-', 'a', '🌿', '☕', '#open', '2', '—']) {
    const inTexts = texts.filter((text) => hasWords(text, { any: [word], all: [], none: [] }))
    // the database takes a letter of double width or raised for the plain one, as a person who reads it does
    const plain = inTexts.filter((text) => !/[²❷ａ№]/u.test(text))
    const byWord = await found({ any: `"${word}"` })
    expect(
      plain.filter((text) => !byWord.has(text)),
      word,
    ).toEqual([])
    const bare = await count('SELECT COUNT(*) AS n FROM post WHERE text LIKE ?', [
      `%${word.replace(/[\\%_]/g, '\\$&')}%`,
    ])
    expect((await wholePostList(db, scope, { any: `"${word}"` })).length, word).toBe(bare)
    expect((await wholePostList(db, scope, { none: `"${word}"` })).length, word).toBe(texts.length - bare)
    many += bare
  }
  expect(many).toBeGreaterThan(2000)
  // most texts are searched the short way, those with pictures among them
  expect(await count('SELECT COUNT(*) AS n FROM post WHERE searched IS NOT NULL')).toBeGreaterThan(500)
  expect(
    await count("SELECT COUNT(*) AS n FROM post WHERE text LIKE '%🌿%' AND searched LIKE '%tea%'"),
  ).toBeGreaterThan(10)
  // a text that is changed is searched as it is now
  await pool().query("UPDATE post SET text = 'Tea, and nothing else' WHERE remote_id = '0'")
  await pool().query("UPDATE post SET text = 'Çay' WHERE remote_id = '1'")
  const now = await wholePostList(db, scope, { any: '"tea, and nothing else"' })
  expect(now.map(({ id }) => id)).toEqual(['0'])
  expect((await wholePostList(db, scope, { any: 'cay' })).map(({ id }) => id)).toEqual(['1'])
})

it('what is left out of a text to be searched equals no letter that can be looked for', async () => {
  await pool().query('CREATE TABLE single LIKE post')
  // each sign there is up to the pictures, but halves of others and what is no sign
  await pool().query(`
    INSERT INTO single (client_id, profile_id, remote_id, published_at, day, format, text)
    SELECT 1, 1, seq, '2026-10-20', '2026-10-20', 'photo', CONVERT(CHAR(seq USING utf32) USING utf8mb4)
    FROM   seq_128_to_131071
    WHERE  seq NOT BETWEEN 55296 AND 57343`)
  const left = await count('SELECT COUNT(*) AS n FROM single WHERE searched IS NOT NULL')
  expect(left).toBeGreaterThan(2000)
  expect(
    await count(`
      SELECT COUNT(*) AS n
      FROM   single s
      JOIN   (SELECT CONVERT(CHAR(seq USING utf32) USING utf8mb4) COLLATE utf8mb4_unicode_ci AS letter FROM seq_32_to_126) l
      WHERE  s.searched IS NOT NULL
      AND    s.text LIKE IF(letter IN ('%', '_', CHAR(92)), CONCAT(CHAR(92), letter), letter)`),
  ).toBe(0)
})
