import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, describe, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import { matchesRule, readHashtags } from '../../core/tags/tagRule'
import { unit } from '../../demo/random'
import { resolveScope } from '../../server/figures/resolveScope'
import { applyRules } from '../../server/figures/tagging'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { postList } from '../../server/read/content/postList'
import {
  addRule,
  addTag,
  changeRule,
  changeTag,
  previewRule,
  removeRule,
  removeTag,
  tagByHand,
  tagsOf,
} from '../../server/read/tags/tags'
import { wordsOf } from '../../shared/read/postWords'
import { tagRuleSchema, type TagRuleInput } from '../../shared/read/tags'
import { useDatabase } from './support/database'
import { addDemo } from './support/demo'

const { pool } = useDatabase('tags')
let db: ClientDb
let person = 0

beforeAll(async () => {
  await addDemo()
  db = await clientDbForJob(1)
  person = ((await pool().query<RowDataPacket[]>('SELECT MIN(person_id) AS id FROM person'))[0] as { id: number }[])[0]!
    .id
})

interface Post {
  profile: number
  id: string
  day: string
  format: string
  text: string
}
const allPosts = async () =>
  (
    await pool().query<RowDataPacket[]>(
      `SELECT profile_id AS profile, remote_id AS id, DATE_FORMAT(day, '%Y-%m-%d') AS day, format, text FROM post
       WHERE client_id = 1`,
    )
  )[0] as Post[]
const ownProfiles = async () =>
  new Set(
    (
      await pool().query<RowDataPacket[]>('SELECT profile_id AS id FROM profile WHERE client_id = 1 AND is_rival = 0')
    )[0].map(({ id }) => id as number),
  )
const key = ({ profile, id }: { profile: number; id: string }) => `${profile} ${id}`
const tagged = async (tag: number, rule?: number) =>
  (
    (
      await pool().query<RowDataPacket[]>(
        'SELECT profile_id AS profile, remote_id AS id FROM post_tag WHERE client_id = 1 AND tag_id = ? AND rule_id = COALESCE(?, rule_id)',
        [tag, rule ?? null],
      )
    )[0] as Post[]
  )
    .map(key)
    .sort()
const rule = (part: Partial<TagRuleInput>): TagRuleInput => tagRuleSchema.validateSync(part)

describe('a rule', () => {
  it('tags what a plain filter over all posts finds, over eighty rules', async () => {
    const tag = await addTag(db, { name: 'by rules', colour: 1 }, person)
    const posts = await allPosts()
    const profiles = [...new Set(posts.map(({ profile }) => profile))]
    const WORDS = ['lantern', 'FERN', 'the', '"long walk"', 'café', '%', '🌿', 'open', '_', 'look closer']
    const TAGS = ['#NightOpening', 'lanterns', 'mossgate', 'gardens', 'night', 'slowmorning']
    const first = await addRule(db, tag, rule({ any: 'x' }), person)
    let found = 0
    for (let round = 0; round < 80; round++) {
      const random = (name: string, below: number) => Math.floor(unit(`rule ${name} ${round}`) * below)
      const some = (name: string, from: readonly (string | number)[], chance: number) =>
        random(`${name}?`, chance) > 0 ? '' : from.filter((_, index) => random(`${name} ${index}`, 4) === 0).join(', ')
      const to = addDays('2026-10-18', -random('to', 300))
      const asked = {
        any: some('any', WORDS, 2),
        all: some('all', WORDS.slice(0, 3), 4),
        none: some('none', WORDS, 3),
        hashtags: some('hashtags', TAGS, 2),
        formats: some('formats', ['photo', 'clip', 'text', 'live'], 3).replaceAll(' ', ''),
        who: some('who', profiles, 3).replaceAll(' ', '') || 'all',
        from: random('from?', 3) === 0 ? addDays(to, -random('length', 200)) : null,
        to: random('to?', 3) === 0 ? to : null,
      }
      if (!asked.any && !asked.all && !asked.hashtags && !asked.formats) asked.any = 'the'
      const input = rule(asked)
      const wanted = {
        ...wordsOf(input),
        hashtags: readHashtags(input.hashtags),
        formats: input.formats.split(',').filter(Boolean),
        ...(input.who !== 'all' && { profiles: input.who.split(',').map(Number) }),
        ...(input.from && { from: input.from }),
        ...(input.to && { to: input.to }),
      }
      const expected = posts.filter((post) => matchesRule(post, wanted)).map(key)
      expect((await previewRule(db, input, tag)).matches, JSON.stringify(asked)).toBe(expected.length)
      await changeRule(db, first, input)
      expect(await tagged(tag, first), JSON.stringify(asked)).toEqual(expected.sort())
      found += expected.length
    }
    expect(found).toBeGreaterThan(8000)
  })

  it('changes its own tags and never those set by hand, and takes them along when it goes', async () => {
    const tag = await addTag(db, { name: 'festival', colour: 2 }, person)
    const id = await addRule(db, tag, rule({ hashtags: '#nightopening' }), person)
    const byRule = await tagged(tag)
    const own = await ownProfiles()
    const ours = (await allPosts()).filter(({ profile }) => own.has(profile))
    const other = ours.find((post) => !byRule.includes(key(post)))!
    const both = ours.find((post) => byRule.includes(key(post)))!
    const ruled = byRule.filter((each) => own.has(Number(each.split(' ')[0]))).length
    expect(await tagByHand(db, tag, [other, both], true, person)).toHaveLength(2)
    const hand = [key(other), key(both)].sort()
    const view = async () => (await tagsOf(db)).find((each) => each.id === tag)!
    // a post that has it twice is one post
    expect(await view()).toMatchObject({
      posts: ruled + 1,
      rivals: byRule.length - ruled,
      byHand: 2,
      rules: [{ id, posts: ruled }],
    })
    await changeRule(db, id, rule({ hashtags: '#nightopening', isOn: false }))
    expect(await tagged(tag)).toEqual(hand)
    await changeRule(db, id, rule({ hashtags: '#lanterns' }))
    const lanterns = await tagged(tag, id)
    expect([lanterns.length > 0, lanterns.length < byRule.length]).toEqual([true, true])
    expect(await removeRule(db, id, true)).toBe(true)
    expect(await tagged(tag)).toEqual(hand)
    expect([await removeRule(db, id, true), await removeRule(db, 9999, false)]).toEqual([false, false])
    expect(await removeRule(db, id, false)).toBe(true)
    expect(await tagged(tag, id)).toEqual(lanterns)
    // taken away by hand, and set again by what the answer says was changed
    const taken = await tagByHand(db, tag, [other, both], false, person)
    expect(await tagged(tag, 0)).toEqual([])
    await tagByHand(db, tag, taken, true, person)
    expect(await tagged(tag, 0)).toEqual(hand)
    expect(await tagByHand(db, tag, taken, true, person)).toEqual([])
  })

  it('tags what comes later, and leaves what it does not match any more', async () => {
    const tag = await addTag(db, { name: 'later', colour: 3 }, person)
    const id = await addRule(db, tag, rule({ any: 'zeppelin' }), person)
    expect(await tagged(tag)).toEqual([])
    const [post, second] = await allPosts()
    await pool().query("UPDATE post SET text = 'A Zeppelin over the walk' WHERE client_id = 1 AND remote_id IN (?)", [
      [post!.id, second!.id],
    ])
    await applyRules(db, { profile: post!.profile })
    expect(await tagged(tag, id)).toEqual([key(post!), key(second!)].sort())
    await pool().query("UPDATE post SET text = 'Nothing' WHERE client_id = 1 AND remote_id = ?", [post!.id])
    await applyRules(db, { profile: post!.profile })
    expect(await tagged(tag, id)).toEqual([key(second!)])
  })

  it('is refused where it would tag everything, ends before it begins, or is for nobody', async () => {
    const tag = await addTag(db, { name: 'refused', colour: 4 }, person)
    expect(() => rule({ none: 'shut', from: '2026-01-01' })).toThrow('would tag every post')
    expect(() => rule({ any: ', ;' })).toThrow('would tag every post')
    expect(() => rule({ any: 'a', from: '2026-02-01', to: '2026-01-01' })).toThrow('ends before it begins')
    await expect(addRule(db, tag, rule({ any: 'a', who: '99999' }), person)).rejects.toThrow('does not have')
    await expect(addRule(db, 99999, rule({ any: 'a' }), person)).rejects.toThrow('tag')
    const other = await clientDbForJob(2)
    await expect(addRule(other, tag, rule({ any: 'a' }), person)).rejects.toThrow('tag')
    expect(() => rule({ hashtags: '#a-b' })).toThrow('no hashtag')
    expect(() => rule({ formats: 'photo,hologram' })).toThrow('Choose formats')
    expect((await tagsOf(db)).find(({ id }) => id === tag)!.rules).toEqual([])
  })
})

describe('a tag', () => {
  it('has a name of its own, which is free again once it was removed', async () => {
    const tag = await addTag(db, { name: 'Tea', colour: 5 }, person)
    await expect(addTag(db, { name: 'tea', colour: 1 }, person)).rejects.toThrow('of that name')
    const other = await addTag(db, { name: 'cake', colour: 1 }, person)
    await expect(changeTag(db, other, { name: 'Tea', colour: 1 })).rejects.toThrow('of that name')
    expect(await removeTag(db, tag, true)).toBe(true)
    const again = await addTag(db, { name: 'tea', colour: 1 }, person)
    await expect(removeTag(db, tag, false)).rejects.toThrow('of that name')
    await changeTag(db, again, { name: 'green tea', colour: 1 })
    expect(await removeTag(db, tag, false)).toBe(true)
    const names = (await tagsOf(db)).map(({ name }) => name)
    expect(names.filter((name) => ['cake', 'green tea', 'tea', 'Tea'].includes(name))).toEqual([
      'cake',
      'green tea',
      'Tea',
    ])
    // the same name by two people at the same moment is given once
    const both = await Promise.allSettled([1, 2].map(() => addTag(db, { name: 'at once', colour: 1 }, person)))
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected'])
  })

  it('is a filter of the list, and one that was removed is none', async () => {
    const tag = await addTag(db, { name: 'filter', colour: 6 }, person)
    const scope = await resolveScope(db, { who: [], sets: [], period: '2026-09-01..2026-09-30', against: 'none' })
    const { posts, total } = await postList(db, scope, {})
    await tagByHand(db, tag, posts.slice(0, 3), true, person)
    const list = await postList(db, scope, { tags: String(tag) })
    expect([list.total, list.posts.map(({ id }) => id)]).toEqual([3, posts.slice(0, 3).map(({ id }) => id)])
    expect(list.posts.every(({ tags }) => tags!.includes(tag))).toBe(true)
    const untagged = (await postList(db, scope, { tags: 'none' })).total!
    await removeTag(db, tag, true)
    expect((await postList(db, scope, { tags: String(tag) })).total).toBe(0)
    expect((await postList(db, scope, {})).posts[0]!.tags).not.toContain(tag)
    expect((await postList(db, scope, { tags: 'none' })).total!).toBeGreaterThanOrEqual(untagged)
    expect(total).toBeGreaterThan(3)
    await expect(tagByHand(db, tag, posts.slice(0, 1), true, person)).rejects.toThrow('tag')
  })
})
