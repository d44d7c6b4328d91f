import crawlers from 'crawler-user-agents'
import { describe, expect, it } from 'vitest'
import { declaredNames } from './declaredNames'

const isDeclared = declaredNames(crawlers.map(({ pattern }) => pattern))

describe('names by which programs declare themselves', () => {
  it('are known, as the list gives examples of them', () => {
    const examples = crawlers.flatMap(({ instances }) => instances)
    expect(examples.length).toBeGreaterThan(1000)
    expect(examples.filter((name) => !isDeclared(name))).toEqual([])
    expect(isDeclared('Something-New-Bot/2 (+https://x.example)')).toBe(true)
  })
  it('are not those of browsers', () => {
    for (const name of [
      'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Safari/537.36',
      'Mozilla/5.0 (Macintosh; Intel Mac OS X 14_0) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/17.0 Safari/605.1.15',
      'Mozilla/5.0 (X11; Ubuntu; Linux x86_64; rv:120.0) Gecko/20100101',
    ])
      expect(isDeclared(name), name).toBe(false)
  })
  it('are as one expression of all patterns would have them', () => {
    const whole = declaredNames(['Exam\\/ple', '^Begin', 'a+b'])
    const names = [
      ['an EXAM/PLE', true],
      ['Beginning', true],
      ['at the Begin', false],
      ['xaab', true],
      ['Example', false],
      ['robotics', false],
    ] as const
    for (const [name, wanted] of names) expect(whole(name), name).toBe(wanted)
    // and again, when they are known
    for (const [name, wanted] of names) expect(whole(name), name).toBe(wanted)
  })
})
