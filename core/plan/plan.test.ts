import { describe, expect, it } from 'vitest'
import { NETWORKS } from '../networks/networks'
import { linkHint, NETWORK_RULES, nearProblems, ruleProblems, textWithLink, type PlanContent } from './networkRules'
import { MOST_REPEATS, repeatsOf } from './repeats'
import { movesFrom, PLAN_STATES, settledState } from './postStates'
import { hashtagsOf, textLength } from './textLength'
import { variedText } from './variations'
import { movedByDays, zonedInstant, zonedTime } from './zonedInstant'

const LONDON = 'Europe/London'
const picture = { type: 'image/png', bytes: 1000, isAnimated: false, alt: '' }
const film = { ...picture, type: 'video/mp4' }
const post = (over: Partial<PlanContent> = {}): PlanContent => ({
  text: 'A text',
  heading: '',
  collection: '',
  link: '',
  kind: '',
  startsOn: '',
  endsOn: '',
  media: [],
  ...over,
})
const sentences = (content: PlanContent, network: string) =>
  ruleProblems(content, network).map(({ sentence }) => sentence)

describe('the length of a text', () => {
  it.each([
    // text, letters, code points, units: by hand
    ['abc', 3, 3, 3],
    ['naïve', 5, 5, 5],
    ['nai\u0308ve', 5, 6, 6],
    ['👩\u200d🌾', 1, 3, 5],
    ['🏴󠁧󠁢󠁳󠁣󠁴󠁿', 1, 7, 14],
    ['a\nb', 3, 3, 3],
    ['', 0, 0, 0],
  ])('of “%s”', (text, letters, points, units) => {
    expect([textLength(text, 'letters'), textLength(text, 'code points'), textLength(text, 'units')]).toEqual([
      letters,
      points,
      units,
    ])
  })
  it('counts an address as what the network counts for it', () => {
    expect(textLength('see https://example.org/a/long/way now', 'letters', 25)).toBe(4 + 25 + 4)
    expect(textLength('https://a.example https://b.example', 'letters', 25)).toBe(51)
    expect(textLength('https://a.example', 'letters')).toBe(17)
  })
  it('finds hashtags as words', () => {
    expect(hashtagsOf('#eins und #zwei_2, nicht a#drei, aber #Grün #eins')).toEqual([
      '#eins',
      '#zwei_2',
      '#Grün',
      '#eins',
    ])
  })
})

describe('the rules of a network', () => {
  it('are declared for every network', () => {
    expect(Object.keys(NETWORK_RULES).sort()).toEqual(NETWORKS.map(({ id }) => id).sort())
  })
  it.each([
    ['murmur', { text: 'x'.repeat(300) }, []],
    ['murmur', { text: 'x'.repeat(301) }, ['Murmur takes 300 letters at the most. This is 1 letter too long.']],
    ['murmur', { text: '👩\u200d🌾'.repeat(300) }, []],
    ['murmur', { text: 'x'.repeat(274), link: 'https://example.org/x' }, []],
    ['murmur', { media: [film] }, ['Murmur takes no video.']],
    ['murmur', { text: '' }, ['Murmur needs a text, a picture or a video.']],
    ['tintype', {}, ['Tintype needs a picture or a video.']],
    ['tintype', { media: [{ ...picture, isAnimated: true }] }, ['Tintype takes no picture that moves.']],
    ['tintype', { media: [picture, film] }, ['Tintype takes pictures or a video, not both.']],
    ['tintype', { media: [picture], link: 'https://a.example' }, []],
    ['tintype', { media: [picture], text: '#a '.repeat(31) }, ['Tintype takes 30 hashtags at the most. These are 31.']],
    ['zoetrope', { media: [picture] }, ['Zoetrope needs a video.', 'Zoetrope takes no pictures, only a video.']],
    ['lantern', { media: [film] }, ['Lantern needs a heading.']],
    ['guildhall', { text: '', media: [picture] }, ['Guildhall takes no post without a text.']],
    ['cork', { media: [picture] }, ['Cork needs a heading.', 'Cork needs the collection that it is pinned to.']],
    [
      'cork',
      { media: [picture], heading: 'x'.repeat(101), collection: 'C' },
      ['Cork takes a heading of 100 letters at the most.'],
    ],
    ['waymark', {}, ['Waymark needs to know what kind of post it is: news, event, offer, product.']],
    [
      'waymark',
      { kind: 'event' },
      ['Waymark needs a heading for an event.', 'Waymark needs to know from when to when the event is.'],
    ],
    ['waymark', { kind: 'product' }, ['Waymark needs a heading for a product.']],
    [
      'waymark',
      { kind: 'offer', heading: 'H', startsOn: '2026-02-01', endsOn: '2026-01-01' },
      ['It ends before it begins.'],
    ],
    [
      'waymark',
      { kind: 'news', media: [{ ...picture, type: 'image/webp' }] },
      ['Waymark takes no picture of this kind (image/webp).'],
    ],
    ['guildhall', { media: [{ ...picture, bytes: 5_000_001 }] }, ['Guildhall takes pictures of 5 MB at the most.']],
    [
      'commons',
      { media: Array.from({ length: 3 }, () => ({ ...picture, bytes: 6_000_000 })) },
      ['What a post shows comes to 16 MB at the most, all of it together.'],
    ],
    [
      'commons',
      { media: Array.from({ length: 11 }, () => picture) },
      ['Commons takes 10 pictures at the most. These are 11.'],
    ],
  ] as [string, Partial<PlanContent>, string[]][])('of %s for %o', (network, over, expected) => {
    expect(sentences(post(over), network)).toEqual(expected)
  })
  it('want posts of a profile apart', () => {
    expect(nearProblems(0, [29 * 60_000], 'tintype').length).toBe(1)
    expect(nearProblems(0, [30 * 60_000, -30 * 60_000], 'tintype')).toEqual([])
  })
  it('say where a link is not shown', () => {
    const link = 'https://a.example'
    expect(linkHint({ link }, 'tintype')).toBe('Tintype has no place for a link: it is not shown there.')
    expect([linkHint({ link }, 'commons'), linkHint({ link: '' }, 'tintype')]).toEqual(['', ''])
  })
  it('put a link behind the text unless it stands there', () => {
    expect(textWithLink({ text: 'A', link: 'https://a.example' })).toBe('A https://a.example')
    expect(textWithLink({ text: 'https://a.example A', link: 'https://a.example' })).toBe('https://a.example A')
  })
})

describe('the states of a post', () => {
  const all = { isOther: true, needsApproval: true, isApproved: true }
  it('lead to where a person can move it, and publishing alone to the rest', () => {
    for (const state of PLAN_STATES)
      for (const needsApproval of [true, false])
        for (const to of movesFrom(state, { ...all, needsApproval }))
          expect(['publishing', 'published']).not.toContain(to)
    expect([movesFrom('published', all), movesFrom('publishing', all)]).toEqual([[], []])
  })
  it('are not approved by whoever has written it, nor scheduled without', () => {
    expect(movesFrom('waiting', { ...all, isOther: false, isApproved: false })).toEqual(['draft'])
    expect(movesFrom('waiting', { ...all, isApproved: false })).toEqual(['approved', 'draft'])
    expect(movesFrom('failed', { ...all, isApproved: false })).toEqual(['draft'])
    expect(movesFrom('draft', { ...all, needsApproval: false, isApproved: false })).toEqual([
      'scheduled',
      'waiting',
      'idea',
    ])
  })
  it('follow what becomes of it with its profiles', () => {
    expect(settledState([])).toBe('scheduled')
    expect(settledState(['', 'published'])).toBe('publishing')
    expect(settledState(['to do', ''])).toBe('publishing')
    expect(settledState(['published', 'published'])).toBe('published')
    expect(settledState(['published', 'late'])).toBe('late')
    expect(settledState(['late', 'failed'])).toBe('failed')
  })
})

describe('a time on the clocks', () => {
  it('is the first where it comes twice, and refused where it is leapt over', () => {
    expect(new Date(zonedInstant('2026-10-25T01:30', LONDON)).toISOString()).toBe('2026-10-25T00:30:00.000Z')
    expect(() => zonedInstant('2026-03-29T01:30', LONDON)).toThrow('leap over')
    expect(() => zonedInstant('2026-02-30T01:30', LONDON)).toThrow('Write a day and a time')
    expect(zonedTime(Date.parse('2026-10-25T01:30Z'), LONDON)).toBe('2026-10-25T01:30')
  })
  it('stays what it is over a change of the clocks', () => {
    expect(new Date(movedByDays(Date.parse('2026-03-28T18:00Z'), 1, LONDON)).toISOString()).toBe(
      '2026-03-29T17:00:00.000Z',
    )
  })
})

describe('repeats', () => {
  it('keep the time of the clocks, and fall after what is leapt over', () => {
    const times = repeatsOf('FREQ=DAILY;COUNT=3', '2026-03-28T01:30', LONDON).map((at) => new Date(at).toISOString())
    expect(times).toEqual(['2026-03-28T01:30:00.000Z', '2026-03-29T01:30:00.000Z', '2026-03-30T00:30:00.000Z'])
  })
  it.each([
    ['FREQ=WEEKLY', 'Say when it ends'],
    ['FREQ=HOURLY;COUNT=3', 'Posts repeat by day'],
    ['FREQ=DAILY;COUNT=101', `${MOST_REPEATS} times at the most`],
    ['FREQ=SOMETIMES;COUNT=3', 'cannot be read'],
    ['FREQ=DAILY;COUNT=3\nDTSTART:20260101T000000Z', 'cannot be read'],
    ['', 'cannot be read'],
  ])('refuse “%s”', (rule, sentence) => {
    expect(() => repeatsOf(rule, '2026-10-22T18:00', LONDON)).toThrow(sentence)
  })
})

describe('variations', () => {
  const text = 'Open tonight, come tonight'
  const ways = [{ phrase: 'tonight', others: ['this evening', 'till late'] }]
  it('say each way once before any comes again', () => {
    for (let seed = 0; seed < 200; seed++) {
      const said = Array.from({ length: 9 }, (_, turn) => variedText(text, ways, seed, turn))
      for (const round of [0, 3, 6]) expect(new Set(said.slice(round, round + 3)).size).toBe(3)
    }
  })
  it('are the same each time, and other by another seed', () => {
    const orders = new Set(
      Array.from({ length: 40 }, (_, seed) => [0, 1, 2].map((turn) => variedText(text, ways, seed, turn)).join()),
    )
    expect(orders.size).toBe(6)
    expect(variedText(text, ways, 5, 2)).toBe(variedText(text, ways, 5, 2))
  })
  it('change nothing that another has put there, nor what does not stand there', () => {
    const two = [
      { phrase: 'Open', others: ['Closed tonight, open'] },
      { phrase: 'tonight', others: ['later'] },
    ]
    const said = Array.from({ length: 8 }, (_, turn) => variedText('Open tonight', two, 3, turn))
    for (const each of said) expect(each).toMatch(/^(Open|Closed tonight, open) (tonight|later)$/)
    expect(variedText('Nothing', ways, 1, 1)).toBe('Nothing')
  })
})
