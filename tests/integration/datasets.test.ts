import { beforeAll, expect, it } from 'vitest'
import type { Dataset } from '../../core/datasets/dataset'
import { DATASETS } from '../../core/datasets/datasets'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { keepRows } from '../../server/gather/sync/keepRows'
import { addClient, addProfile, tableOf, useDatabase } from './support/database'

const { pool } = useDatabase('datasets')
let db: ClientDb
let profile: number

/** A dataset as somebody would declare a new one. */
const PAGES: Dataset = {
  id: 'page_day',
  name: 'Pages by day',
  grain: 'a page of a profile on a day',
  keys: [
    { column: 'profile_id', type: 'profile', meaning: 'The profile.' },
    { column: 'day', type: 'day', meaning: 'The day.' },
    { column: 'page', type: 'id', meaning: 'The page.' },
  ],
  day: 'day',
  measures: [{ column: 'views', rollUp: 'flow', bit: 0, meaning: 'Views of the page.' }],
  texts: [{ column: 'title', type: 'text', longest: 10, bit: 1, meaning: 'What it is called.' }],
  sources: ['network'],
  stream: { id: 'pages', networks: ['commons'] },
}

beforeAll(async () => {
  db = await addClient('datasets')
  profile = await addProfile(db, 'commons', '1')
  await pool().query(`
    CREATE TABLE page_day (client_id INT UNSIGNED, profile_id INT UNSIGNED, day DATE, page VARCHAR(40), title VARCHAR(10),
      views INT UNSIGNED, PRIMARY KEY (client_id, profile_id, day, page))`)
})

it('every dataset has a table with the columns that are declared of it, and begins with its client', async () => {
  for (const { id, keys, measures, texts, sources } of DATASETS) {
    const [all] = (await pool().query(`SHOW COLUMNS FROM ${id}`)) as unknown as [
      { Field: string; Key: string; Extra: string }[],
      unknown,
    ]
    // what the database makes of the others by itself is none of the data
    const [made, columns] = [all.filter(({ Extra }) => Extra !== ''), all.filter(({ Extra }) => Extra === '')]
    expect(made.map(({ Field, Extra }) => [Field, Extra])).toEqual(
      id === 'post' ? [['searched', 'STORED GENERATED']] : [],
    )
    const names = columns.map(({ Field }) => Field)
    expect(names.slice(0, 1 + keys.length), id).toEqual(['client_id', ...keys.map(({ column }) => column)])
    const provenance = sources.includes('file') ? ['changed_at', 'import_id', 'imported'] : []
    expect(names.sort(), id).toEqual(
      ['client_id', ...[...keys, ...measures, ...texts].map(({ column }) => column), ...provenance].sort(),
    )
    expect(columns.filter(({ Key }) => Key === 'PRI')).toHaveLength(1 + keys.length)
  }
})

it('rows of any dataset are kept as a network gives them, and replaced when it gives them again', async () => {
  const rows = () => tableOf('page_day', 'day, page, title, views')
  await keepRows(db, PAGES, profile, [
    { day: '2026-10-01', page: 'home', title: 'A title that is too long', views: 4 },
    { day: '2026-10-02', page: 'home', title: 'Home', views: null },
  ])
  await keepRows(db, PAGES, profile, [{ day: '2026-10-01', page: 'home', title: 'Home', views: 5, more: 'ignored' }])
  expect(await rows()).toEqual([
    { day: '2026-10-01', page: 'home', title: 'Home', views: 5 },
    { day: '2026-10-02', page: 'home', title: 'Home', views: null },
  ])
  const before = await rows()
  for (const [row, sentence] of [
    [{ day: '2026-02-30', page: 'home', views: 1 }, 'without its day'],
    [{ day: '2026-10-03', views: 1 }, 'without its page'],
    [{ day: '2026-10-03', page: 'x'.repeat(41), views: 1 }, 'without its page'],
    [{ day: '2026-10-03', page: 'home', views: -1 }, 'views that is no count'],
    [{ day: '2026-10-03', page: 'home', views: 1.5 }, 'views that is no count'],
  ] as const)
    await expect(keepRows(db, PAGES, profile, [{ day: '2026-10-04', page: 'home', views: 1 }, row])).rejects.toThrow(
      sentence,
    )
  expect(await rows()).toEqual(before)
})
