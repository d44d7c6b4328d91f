import { describe, expect, it } from 'vitest'
import { ownNumber, RECORDS } from './records'
import { renumbered } from './renumber'

const kind = (id: string) => RECORDS.find((each) => each.id === id)!
const elsewhere = (table: string, number: number) => number * 100 + table.length

describe('a record with other numbers', () => {
  it('points to the same records, in columns and within texts', () => {
    expect(renumbered(kind('profile_set_member'), { set_id: 3, profile_id: 9 }, elsewhere)).toEqual({
      set_id: 311,
      profile_id: 907,
    })
    expect(renumbered(kind('tag_rule'), { rule_id: 1, tag_id: 2, who: '4,s5,tintype' }, elsewhere)).toEqual({
      rule_id: 108,
      tag_id: 203,
      who: '407,s511,tintype',
    })
    const blocks = JSON.stringify([
      { kind: 'posts', who: '4', tags: '2,3' },
      { kind: 'occasions', tag: 2 },
      { poll: 7 },
    ])
    expect(JSON.parse(String(renumbered(kind('report'), { report_id: 1, blocks }, elsewhere).blocks))).toEqual([
      { kind: 'posts', who: '407', tags: '203,303' },
      { kind: 'occasions', tag: 203 },
      { poll: 704 },
    ])
    expect(renumbered(kind('saved_scope'), { scope_id: 1, parts: '{"who":"all","period":"q3"}' }, elsewhere)).toEqual({
      scope_id: 111,
      parts: '{"who":"all","period":"q3"}',
    })
    const items = JSON.stringify([
      { text: 'x', link: null },
      { text: 'y', link: 2 },
    ])
    expect(renumbered(kind('link_page'), { page_id: 1, items }, elsewhere).items).toContain('"link":212')
    expect(renumbered(kind('link_visit'), { place: 'page', place_id: 2 }, elsewhere).place_id).toBe(209)
    expect(renumbered(kind('target_member'), { target_id: 1, is_set: 1, member_id: 2 }, elsewhere).member_id).toBe(211)
    expect(renumbered(kind('post_tag'), { profile_id: 1, tag_id: 1, rule_id: 0 }, elsewhere).rule_id).toBe(0)
    expect(
      renumbered(
        kind('edition'),
        { edition_id: 1, report_id: 2, superseded_by: null, content: '{"who":"4"}' },
        elsewhere,
      ),
    ).toEqual({ edition_id: 107, report_id: 206, superseded_by: null, content: '{"who":"4"}' })
  })

  it('comes after those that it points to', () => {
    const order = RECORDS.map(({ id }) => id)
    for (const { id, refersTo = {} } of RECORDS)
      for (const table of Object.values(refersTo))
        expect(order.indexOf(table), id).toBeLessThanOrEqual(order.indexOf(id))
  })

  it('is told of every table that has numbers of its own, and of none that has not', () => {
    for (const { id, keys, columns } of RECORDS)
      expect(ownNumber(id), id).toBe(keys === 1 ? columns[0]!.column : undefined)
  })
})
