import { appendFileSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { postedPosts } from './posted'

let folder = ''
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'posted-'))))
afterEach(() => rmSync(folder, { recursive: true }))
const post = (key: string) => ({
  key,
  network: 'murmur',
  profile: '61120930075418823',
  publishedAt: '2026-10-29T09:00:00.000Z',
  day: '2026-10-29',
  format: 'text',
  text: key,
})

describe('the posts that were given to networks', () => {
  it('are there again after their network was killed, with their pictures', () => {
    const file = join(folder, 'posts')
    const before = postedPosts(file)
    const [one, two] = [before.keep(post('one'), Buffer.from('picture')), before.keep(post('two'))]
    expect(one.remoteId).not.toBe(two.remoteId)
    const after = postedPosts(file)
    expect(after.all()).toEqual([one, two])
    expect([after.byKey('two'), after.byKey('three')]).toEqual([two, undefined])
    expect(after.on(one.profile, one.day)).toEqual([one, two])
    expect(after.pictureOf(one.remoteId)?.toString()).toBe('picture')
    // their ids go on from there
    expect([one.remoteId, two.remoteId]).not.toContain(after.keep(post('four')).remoteId)
  })
  it('do not have one whose line was cut: nobody was told that it is there', () => {
    const file = join(folder, 'posts')
    const one = postedPosts(file).keep(post('one'))
    appendFileSync(file, readFileSync(file, 'utf8').slice(0, 40))
    expect(postedPosts(file).all()).toEqual([one])
    // what is kept after it begins on a line of its own
    const two = postedPosts(file).keep(post('two'))
    expect(postedPosts(file).all()).toEqual([one, two])
    writeFileSync(file, '')
    expect(postedPosts(file).all()).toEqual([])
  })
})
