import { describe, expect, it } from 'vitest'
import { clientDb, type ClientDb } from './clientDb'
import { Query, raw, sql, ThisClient } from './sql'

const client = new ThisClient(7)

describe('the query tag', () => {
  it('turns values into parameters, lists included', () => {
    const query = sql`SELECT name FROM profile WHERE client_id = ${client} AND profile_id IN (${[1, 2]}) AND name = ${"O'Hara"}`
    expect([query.text, query.values, query.bound]).toEqual([
      'SELECT name FROM profile WHERE client_id = ? AND profile_id IN (?) AND name = ?',
      [7, [1, 2], "O'Hara"],
      true,
    ])
  })

  it('lets an empty list match nothing, and what is absent be null', () => {
    expect(sql`SELECT 1 WHERE a IN (${[]}) AND b = ${undefined}`.values).toEqual([[null], null])
  })

  it('takes known names into the text and nothing else', () => {
    const known = sql`SELECT ${raw('SUM(impressions) AS sum_impressions')} FROM profile_day`
    expect([known.text, known.bound]).toEqual(['SELECT SUM(impressions) AS sum_impressions FROM profile_day', false])
    for (const text of ["name'; DROP TABLE note", 'a; b', '`x`', '"x"', 'a\\b'])
      expect(() => raw(text)).toThrow('cannot stand in a query')
  })

  it('takes a query into another one, with its values and with what it names', () => {
    const inner = sql`SELECT profile_id FROM profile WHERE client_id = ${client} AND name = ${'x'}`
    const outer = sql`SELECT day FROM profile_day WHERE day > ${'2026-10-01'} AND profile_id IN (${inner}) LIMIT ${3}`
    expect([outer.text, outer.values]).toEqual([
      'SELECT day FROM profile_day WHERE day > ? AND profile_id IN (SELECT profile_id FROM profile WHERE ' +
        'client_id = ? AND name = ?) LIMIT ?',
      ['2026-10-01', 7, 'x', 3],
    ])
    const bound: true = outer.bound
    const unbound: false = sql`SELECT 1 WHERE a IN (${sql`SELECT 2`})`.bound
    expect([bound, unbound]).toEqual([true, false])
  })

  it('says in its type whether it names the client', () => {
    const bound: true = sql`SELECT 1 WHERE client_id = ${client}`.bound
    const unbound: false = sql`SELECT 1 WHERE profile_id = ${1}`.bound
    const empty: false = sql`SELECT 1`.bound
    expect([bound, unbound, empty]).toEqual([true, false, false])
  })
})

describe('the handle of a client', () => {
  const asked: unknown[] = []
  const runner = { query: async (text: string, values: unknown[]) => (asked.push([text, values]), [[{ n: 1 }]]) }
  const db: ClientDb = clientDb(
    { client_id: 7, slug: 'x', name: 'X', time_zone: 'Europe/London', universe: null, released: '' },
    runner as never,
  )

  it('refuses a query that does not name it, by type and when it runs', async () => {
    // @ts-expect-error a query without the client is not taken
    await expect(db.rows(sql`SELECT 1 FROM profile`)).rejects.toThrow('does not name its client')
    // @ts-expect-error nor is one of another client, which only another handle could make
    await expect(db.rows(sql`SELECT 1 WHERE client_id = ${8}`)).rejects.toThrow('does not name its client')
    await expect(db.run(sql`DELETE FROM note WHERE client_id = ${new ThisClient(8)}`)).rejects.toThrow(
      'does not name its client',
    )
    expect(asked).toEqual([])
    // an object that looks like a query is none: not for the types, and not when it runs
    const forged = { text: 'SELECT secret FROM person WHERE 7 = ?', values: [7], bound: true as const }
    // @ts-expect-error only the tag makes queries
    await expect(db.rows(forged)).rejects.toThrow('does not name its client')
    await expect(
      db.rows(Object.setPrototypeOf({ text: 'SELECT 1', values: [7] }, Query.prototype) as Query<true>),
    ).rejects.toThrow()
    expect(() => Query.make(Symbol('guessed') as never, 'SELECT 1', [7], true)).toThrow('made by the sql tag')
    expect(asked).toEqual([])
  })

  it('takes no object as a value: the driver would write it out as columns and values', () => {
    for (const value of [{ note_id: 1 }, { toString: () => '1' }, [{ note_id: 1 }], new Map(), Symbol('x'), () => 1])
      expect(() => sql`SELECT 1 WHERE note_id = ${value as never}`).toThrow(TypeError)
    const taken = ['a', 1, 1n, true, null, undefined, new Date(0), Buffer.from('x'), [1, 'a', null]]
    for (const value of taken) expect(() => sql`SELECT 1 WHERE note_id = ${value as never}`).not.toThrow()
  })

  it('runs one that does, and adds itself to what it inserts', async () => {
    expect(await db.one(sql`SELECT 1 AS n WHERE client_id = ${db.client}`)).toEqual({ n: 1 })
    await db.insertRows('note', ['title', 'body'], [['a', 'b']], ['body'])
    expect(asked.at(-1)).toEqual([
      'INSERT INTO note (client_id, title, body) VALUES ? ON DUPLICATE KEY UPDATE body = VALUES(body)',
      [[[7, 'a', 'b']]],
    ])
    const before = asked.length
    await db.insertRows('note', ['title'], [])
    expect(asked.length).toBe(before)
  })
})
