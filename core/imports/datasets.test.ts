import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { POSTS, PROFILE_DAY, PROFILE_DAY_BREAKDOWN, SITE_PAGE_DAY } from '../datasets/datasets'
import { datasetReader, type KnownThings } from './datasetReader'
import { guessDataset, guessTargets } from './layout'
import { readInstant } from './readInstant'
import { rowReader, type Mapping } from './rowReader'
import { FILE_DATASETS, importTargets } from './importTargets'
import { templateOf } from './templateOf'

const known: KnownThings = {
  profiles: [
    { profile: 7, remoteId: '17841400518844102', handle: '@mossgate', name: 'Mossgate Gardens' },
    { profile: 8, remoteId: '2', handle: '@nursery', name: 'The Nursery' },
  ],
  breakdowns: new Map([['followers_by_country', 11]]),
  zone: 'Europe/London',
  latest: '2026-10-28',
}
const mapping = (part: Partial<Mapping>): Mapping => ({
  targets: [],
  dateOrder: 'day-month-year',
  decimal: 'point',
  profile: null,
  ...part,
})

describe('templates', () => {
  it.each(FILE_DATASETS.map((dataset) => [dataset.id, dataset] as const))(
    'of %s are known by their headings, and refuse their example',
    (_, dataset) => {
      const [headings, example] = templateOf(dataset)
      expect(guessDataset(headings!).id).toBe(dataset.id)
      const targets = guessTargets(headings!, dataset)
      expect(targets).toEqual(importTargets(dataset).map(({ value }) => value))
      const asked = mapping({ targets, profile: 7, site: 1 })
      const read =
        dataset === PROFILE_DAY
          ? rowReader(headings!, asked, known.profiles, known.latest)
          : datasetReader(dataset, headings!, asked, known)
      expect(read(example!, 2)).toEqual({
        kind: 'bad',
        reason: 'Row 2 is an example of the template; write your own in its place',
      })
    },
  )
})

describe('a file of posts', () => {
  const headings = ['Post ID', 'Published', 'Page ID', 'Type', 'Text', 'Impressions', 'Comments']
  const targets = ['remote_id', 'published_at', 'profile_id', 'format', 'text', 'impressions', 'comments']
  const reader = () => datasetReader(POSTS, headings, mapping({ targets }), known)
  const row = (part: Record<number, string> = {}) =>
    Object.assign(['p1', '26/10/2026 00:30', '17841400518844102', 'Photo', 'Fern', '1,204', '3'], part)

  it('is read with its instants on the client’s clocks', () => {
    expect(guessDataset(headings)).toBe(POSTS)
    expect(guessTargets(headings, POSTS)).toEqual(targets)
    expect(reader()(row(), 2)).toEqual({
      kind: 'good',
      keys: [7, 'p1'],
      profile: 7,
      day: '2026-10-26',
      values: {
        published_at: new Date('2026-10-26T00:30:00Z'),
        day: '2026-10-26',
        format: 'photo',
        text: 'Fern',
        impressions: 1204,
        comments: 3,
      },
    })
  })

  it.each([
    [{ 0: '7.03E+14' }, 'Row 2, column "Post ID": "7.03E+14" is in scientific notation'],
    [{ 0: '' }, 'Row 2, column "Post ID": nothing stands there'],
    [{ 0: 'a b' }, 'Row 2, column "Post ID": "a b" is no id'],
    [{ 1: '26/10/2026' }, 'Row 2, column "Published": "26/10/2026" says no time of day'],
    [{ 1: '30/10/2026 10:00' }, 'is not over yet'],
    [{ 1: '' }, 'Row 2, column "Published": nothing stands there'],
    [{ 2: '9' }, 'Row 2, column "Page ID": no profile of this client has the id "9"'],
    [{ 3: 'hologram' }, 'Row 2, column "Type": "hologram" is no format'],
    [{ 4: 'x'.repeat(2001) }, 'longer than 2000 letters'],
    [{ 5: 'many' }, 'Row 2, column "Impressions": "many" is not a number'],
    [{ 1: '' }, 'Row 2, column "Published": nothing stands there'],
  ])('says what is wrong with a row: %j', (part, reason) => {
    expect(reader()(row(part), 2)).toMatchObject({ kind: 'bad', reason: expect.stringContaining(reason) })
  })

  it('may say of a post only that it was there', () => {
    const read = reader()(row({ 5: '', 6: '' }), 2)
    expect(read).toMatchObject({ kind: 'good', values: { text: 'Fern' } })
    expect(read).not.toHaveProperty('values.impressions')
    expect(() => datasetReader(POSTS, headings, mapping({ targets: targets.slice(0, 5) }), known)).not.toThrow()
  })

  it('names a post that comes twice, and takes one of the same id from another profile', () => {
    const read = reader()
    expect(read(row(), 2).kind).toBe('good')
    expect(read(row({ 2: '2' }), 3).kind).toBe('good')
    expect(read(row(), 4)).toEqual({ kind: 'bad', reason: 'Row 4 is of the same as row 2' })
  })

  it('is refused where nothing tells its rows apart', () => {
    const without = (target: string) => () =>
      datasetReader(POSTS, headings, mapping({ targets: targets.map((each) => (each === target ? '' : each)) }), known)
    expect(without('remote_id')).toThrow('Say which column holds “Id of the post”.')
    expect(without('published_at')).toThrow('Say which column holds “Published, day and time”.')
    expect(without('profile_id')).toThrow('Say which profile')
    expect(() => datasetReader(POSTS, ['a', 'b'], mapping({ targets: ['page', ''] }), known)).toThrow(
      /Say which column/,
    )
  })

  it('never ends otherwise than with a row or a sentence, whatever stands in it', () => {
    const read = reader()
    fc.assert(
      fc.property(fc.array(fc.string(), { maxLength: 9 }), fc.nat(), (cells, line) => {
        const { kind, ...rest } = read(cells, line)
        expect(kind === 'good' || (rest as { reason: string }).reason.length > 0).toBe(true)
      }),
    )
  })
})

describe('other files', () => {
  it('of breakdowns name the breakdown and the part', () => {
    const read = datasetReader(
      PROFILE_DAY_BREAKDOWN,
      ['Date', 'Handle', 'Breakdown', 'Part', 'Value'],
      mapping({ targets: ['day', 'handle', 'breakdown', 'part', 'value'] }),
      known,
    )
    expect(read(['25/10/2026', '@MossGate', 'followers_by_country', 'GB', '812'], 2)).toMatchObject({
      keys: [7, 11, '2026-10-25', 'GB'],
      values: { value: 812 },
    })
    expect(read(['25/10/2026', '@mossgate', 'by star sign', 'GB', '1'], 3)).toMatchObject({
      kind: 'bad',
      reason: 'Row 3, column "Breakdown": there is no breakdown "by star sign"',
    })
  })

  it('of pages belong to a site', () => {
    const headings = ['Date', 'Page', 'Views', 'Unique views']
    expect(guessDataset(headings)).toBe(SITE_PAGE_DAY)
    const asked = mapping({ targets: guessTargets(headings, SITE_PAGE_DAY) })
    expect(() => datasetReader(SITE_PAGE_DAY, headings, asked, known)).toThrow('Say which site')
    const read = datasetReader(SITE_PAGE_DAY, headings, { ...asked, site: 3 }, known)
    expect(read(['25/10/2026', '/visit', '12', '9'], 2)).toMatchObject({
      keys: [3, '2026-10-25', '/visit'],
      values: { views: 12, unique_views: 9 },
    })
  })
})

describe('an instant', () => {
  const read = (text: string) => readInstant(text, 'day-month-year', 'Europe/London').toISOString()
  it('without an offset is on the clocks of the zone', () => {
    expect(read('25/10/2026 12:00')).toBe('2026-10-25T12:00:00.000Z')
    expect(read('24/10/2026 12:00')).toBe('2026-10-24T11:00:00.000Z')
    expect(read('2026-10-24T12:00:30Z')).toBe('2026-10-24T12:00:30.000Z')
    expect(read('2026-10-24 12:00+02:00')).toBe('2026-10-24T10:00:00.000Z')
    expect(read('24/10/2026 9:05 pm')).toBe('2026-10-24T20:05:00.000Z')
    expect(read('24/10/2026 12:05 am')).toBe('2026-10-23T23:05:00.000Z')
  })
  it('has to have been on the clock', () => {
    expect(() => read('29/03/2026 01:30')).toThrow('no time that was on the clock')
    for (const time of ['24:00', '25:00', '23:60'])
      expect(() => read(`24/10/2026 ${time}`), time).toThrow('no time that was on the clock')
    expect(() => read('24/10/2026')).toThrow('says no time of day')
    expect(() => read('soon')).toThrow('is not a date')
  })
})
